import { defineConfig } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from './demo/drive-job';

const port = 4391;

export default defineConfig({
  testDir: 'tests/e2e',
  // Finding points takes all cores: tests that run beside it would only wait.
  workers: 1,
  // No test fails because the machine is busy; one that hangs still ends.
  timeout: 900_000,
  expect: { timeout: 180_000 },
  reporter: [['list'], ['json']],
  outputDir: 'test-results/pages',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    // Each test begins in an empty browser: keeping the application there would only cost time.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    // Nobody looks on: what slides into place would only be waited for.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: { executablePath: CHROMIUM, args: CHROMIUM_ARGS },
  },
  webServer: {
    command: `node --import tsx server/main.ts --port ${port}`,
    url: `http://127.0.0.1:${port}`,
    reuseExistingServer: false,
  },
});
