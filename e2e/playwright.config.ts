import { defineConfig } from '@playwright/test';

/** The built application, each worker on a database of its own; every test works in a project of its own. */
export default defineConfig({
  testDir: './tests',
  fullyParallel: true,
  workers: 2,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  retries: 0,
  forbidOnly: Boolean(process.env['CI']),
  reporter: [['list']],
  outputDir: './test-results',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: '/usr/bin/chromium', args: ['--disable-background-networking', '--disable-component-update', '--no-first-run'] },
    acceptDownloads: true,
    actionTimeout: 10_000,
  },
});
