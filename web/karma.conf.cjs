// Karma in Debian's Chromium, without a monitor and without its sandbox (root in containers).
process.env.CHROME_BIN ??= '/usr/bin/chromium';
module.exports = (config) => {
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    reporters: ['dots'],
    customLaunchers: {
      ChromiumOfDebian: {
        base: 'ChromeHeadless',
        flags: [
          '--no-sandbox',
          '--disable-gpu',
          '--disable-quic',
          '--no-first-run',
          '--disable-background-networking',
          '--disable-component-update',
          '--disable-sync',
        ],
      },
    },
    browsers: ['ChromiumOfDebian'],
    // A busy machine is no failure: what hangs for half a minute is.
    client: { jasmine: { timeoutInterval: 30_000 } },
    restartOnFileChange: false,
    // A machine that stands still for a while is not a browser that has gone.
    browserDisconnectTimeout: 30_000,
    browserDisconnectTolerance: 1,
    browserNoActivityTimeout: 120_000,
    pingTimeout: 60_000,
  });
};
