import { defineConfig } from '@playwright/test';
import { CHROMIUM } from './tests/chromium.ts';

const PORT = 5199;

export default defineConfig({
  testDir: 'tests/e2e',
  fullyParallel: true,
  workers: 2,
  timeout: 90_000,
  // How fast it is is measured elsewhere: a slow machine only waits longer.
  expect: { timeout: 20_000 },
  retries: 0,
  forbidOnly: true,
  reporter: process.env.VUMBLE_COUNTS ? [['list'], ['json', { outputFile: '.vumble/e2e.json' }]] : [['list']],
  outputDir: 'test-results',
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    colorScheme: 'dark',
    launchOptions: CHROMIUM,
    // Twelve megabytes kept for offline in each of a hundred fresh browsers are no use to a test that does not ask for them.
    serviceWorkers: 'block',
  },
  webServer: {
    command: `node --import tsx server/main.ts --port ${PORT} --instruments`,
    url: `http://localhost:${PORT}`,
    reuseExistingServer: false,
  },
});
