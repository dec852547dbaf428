import { defineConfig } from '@playwright/test';
import { ownShop, shopPorts } from './fixtures/own-shop';

const AFTERWARDS = ['**/by-ear.spec.ts', '**/bench-together.spec.ts', '**/store.spec.ts'];

/** The journeys in Debian's Chromium, each worker against a shop of its own on a port that tools/test.ts chose. */
export default defineConfig({
  testDir: './journeys',
  // What plays sound in its own time hears nothing clearly while another journey holds the cores; and what takes the
  // demo's planned saws to the bench comes when no other journey wants them any more.
  projects: [
    { name: 'together', testIgnore: AFTERWARDS },
    { name: 'alone', testMatch: AFTERWARDS, workers: 1 },
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
