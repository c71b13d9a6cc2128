import { defineConfig } from '@playwright/test';
import { CHROMIUM_ARGS } from './demo/drive-job';
import { BROWSER } from './tests/browser';

// One test leaves half a core or more idle. Each worker has a server of its own: a server converts few clips at once.
const WORKERS = 2;
const address = (worker: number): string => `http://127.0.0.1:${4391 + worker}`;

export default defineConfig({
  testDir: 'tests/e2e',
  workers: WORKERS,
  // No test fails because the machine is busy; one that hangs still ends.
  timeout: 900_000,
  expect: { timeout: 180_000 },
  reporter: [['list'], ['json']],
  outputDir: 'test-results/pages',
  use: {
    baseURL: address(Number(process.env['TEST_PARALLEL_INDEX'] ?? 0)),
    // Each test begins in an empty browser: keeping the application there would only cost time.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    // Nobody looks on: what slides into place would only be waited for.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: { executablePath: BROWSER, args: CHROMIUM_ARGS },
  },
  webServer: Array.from({ length: WORKERS }, (_, worker) => ({
    command: `node --import tsx server/main.ts --port ${new URL(address(worker)).port}`,
    url: address(worker),
    reuseExistingServer: false,
  })),
});
