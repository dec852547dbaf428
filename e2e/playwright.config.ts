import { defineConfig } from '@playwright/test';
import { ownShop, shopPorts } from './fixtures/own-shop';

/** The journeys in Debian's Chromium, each worker against a shop of its own on a port that tools/test.ts chose. */
export default defineConfig({
  testDir: './journeys',
  // What plays sound in its own time hears nothing clearly while another journey holds the cores.
  projects: [
    { name: 'together', testIgnore: '**/by-ear.spec.ts' },
    { name: 'alone', testMatch: '**/by-ear.spec.ts', workers: 1 },
  ],
  outputDir: '../test-results',
  workers: shopPorts().length,
  timeout: 120_000,
  // Two workers, their shops and databases share what cores there are.
  expect: { timeout: 20_000 },
  reporter: [['list']],
  forbidOnly: true,
  use: {
    baseURL: ownShop().base,
    // What a worker keeps would stand between a journey and the server; the one about it lets it in.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env['CHROME_BIN'] ?? '/usr/bin/chromium',
      args: [
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
});
