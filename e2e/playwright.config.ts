import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { HEADLESS } from './chromium';

export default defineConfig({
  testDir: '.',
  globalSetup: join(__dirname, '../scripts/server-built.mjs'),
  outputDir: '../test-results/browser',
  workers: 2,
  fullyParallel: true,
  // Two cores share the browser, the server and the test, and a host may lend them to others: a busy machine is no failure.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  // A test that passes at the second try does not pass.
  retries: 0,
  reporter: [['list'], ['json', { outputFile: '../test-results/playwright.json' }]],
  use: {
    launchOptions: HEADLESS,
    colorScheme: 'light',
    trace: 'off',
    // What a test holds back or changes on the way must not be answered by the app's own worker; `offline.spec` lets it work.
    serviceWorkers: 'block',
  },
  projects: [
    { name: 'phone', use: { viewport: { width: 390, height: 844 }, hasTouch: true } },
    // What is laid out otherwise where there is room is tried there too.
    { name: 'wide', grep: /@wide/, use: { viewport: { width: 1280, height: 800 } } },
  ],
});
