import { defineConfig } from '@playwright/test';

/** The journeys in Debian's Chromium against a server that tools/test.ts has started. */
export default defineConfig({
  testDir: './journeys',
  outputDir: '../test-results',
  workers: 1,
  timeout: 120_000,
  expect: { timeout: 10_000 },
  reporter: [['list']],
  forbidOnly: true,
  use: {
    baseURL: process.env['ODONTIS_BASE'] ?? 'http://127.0.0.1:4600',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
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
