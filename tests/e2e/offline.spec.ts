import { spawnSync } from 'node:child_process';
import { expect, test, type Page } from '@playwright/test';
import { appendFileSync, cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { goToStep } from '../../demo/drive-job';
import { createApp } from '../../server/app';

test.use({ serviceWorkers: 'allow' });

const root = path.join(import.meta.dirname, '..', '..');
let dist: string;
let server: Server;
let address: string;

/** On the port of before, or a new one. */
async function start(port = 0): Promise<void> {
  server = createServer(createApp({ dist, demo: path.join(root, 'demo', 'clips') }));
  await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}
const stop = (): Promise<unknown> => {
  server.closeAllConnections();
  return new Promise((resolve) => server.close(resolve));
};
const showingPictures = (page: Page): Promise<void> =>
  expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
const keptWhole = (page: Page): Promise<unknown> => page.evaluate(() => navigator.serviceWorker.ready);

test.beforeEach(async () => {
  dist = path.join(mkdtempSync(path.join(tmpdir(), 'falcon-offline-')), 'dist');
  cpSync(path.join(root, 'dist'), dist, { recursive: true });
  await start();
});
test.afterEach(async () => {
  await stop();
  rmSync(path.dirname(dist), { recursive: true });
});

test('opens again with the server stopped: sessions, pictures, and words for what needs the server', async ({
  page,
}) => {
  await page.goto(`${address}/`);
  await keptWhole(page);
  await page.goto(`${address}/demo`);
  await showingPictures(page);
  const session = page.url();
  await stop();

  await page.goto(`${address}/`);
  await expect(page.getByRole('heading', { name: 'New session' })).toBeVisible();
  await page.goto(session);
  await showingPictures(page);
  for (const step of ['Compare', 'Decide', 'Report', 'Intake']) await goToStep(page, step);

  // A demo that was never opened cannot come now, and says so.
  await page.goto(`${address}/demo/walk`);
  await expect(page.getByText('The demo data could not be loaded')).toBeVisible();

  // A conversion waits, and goes on once the server is there.
  await page.goto(session.replace('/measure', '/intake'));
  await page
    .getByLabel(/Drop another file/)
    .first()
    .setInputFiles({ name: 'old.avi', mimeType: 'video/x-msvideo', buffer: Buffer.from('RIFF    AVI LIST') });
  await page.getByRole('button', { name: 'Convert it on this machine' }).click();
  await expect(page.getByText('waits for the server, which does not answer')).toBeVisible();
  await start(Number(new URL(address).port));
  await expect(page.getByText('was not converted').or(page.getByText('has no ffmpeg'))).toBeVisible();
});

test('a new version is offered and not forced, and its files are not mixed with those of the old', async ({ page }) => {
  await page.goto(`${address}/`);
  await keptWhole(page);
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);

  // Another build: its page says what it is, and its worker lists another page.
  appendFileSync(path.join(dist, 'index.html'), '<!-- the new one -->');
  const worker = path.join(dist, 'service-worker.js');
  const newer = readFileSync(worker, 'utf8').replace(/(url:"\/index\.html",revision:")\w+/, '$1another');
  expect(newer).toContain('another');
  writeFileSync(worker, newer);
  const shown = (): Promise<string> => page.evaluate(async () => (await fetch('/index.html')).text());
  await page.reload();
  await expect(page.getByText('A new version of the application is ready')).toBeVisible();
  expect(await shown()).not.toContain('the new one');

  await page.getByRole('button', { name: 'Later' }).click();
  await page.reload();
  await page.getByRole('button', { name: 'Use it now' }).click();
  await expect(page.getByText('A new version of the application is ready')).toBeHidden();
  await expect(page.getByRole('heading', { name: 'New session' })).toBeVisible();
  expect(await shown()).toContain('the new one');
});

test('the script of the start page stays small', () => {
  const html = readFileSync(path.join(dist, 'index.html'), 'utf8');
  const scripts = [...html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.js)"/g)].map((found) => found[1]!);
  expect(scripts.length).toBeGreaterThan(0);
  const compressed = scripts.map((file) => gzipSync(readFileSync(path.join(dist, file)), { level: 9 }).length);
  expect(compressed.reduce((a, b) => a + b, 0)).toBeLessThan(300_000);
});

test('models and demo clips are kept once they were needed, and not before', async ({ page }) => {
  const kept = (): Promise<readonly string[]> =>
    page.evaluate(async () => {
      const names = (await caches.keys()).filter((name) => name.startsWith('kept-when-needed'));
      const requests = await Promise.all(names.map(async (name) => (await caches.open(name)).keys()));
      return requests.flat().map((request) => new URL(request.url).pathname);
    });
  await page.goto(`${address}/`);
  await keptWhole(page);
  expect(await kept()).toEqual([]);
  await page.goto(`${address}/demo/hurdle`);
  await showingPictures(page);
  await expect.poll(kept).toContain('/demo-data/hurdle-session.falcon.json');
  const models = await page.evaluate(async () => (await fetch('/models/movenet-lightning.json')).ok);
  expect(models).toBe(true);
  // It is kept beside being handed over, not before.
  await expect.poll(kept).toContain('/models/movenet-lightning.json');
  await stop();
  expect(await page.evaluate(async () => (await fetch('/models/movenet-lightning.json')).ok)).toBe(true);
  await start(Number(new URL(address).port));
});

test('a second server on the same port says that one is running, and ends', ({ baseURL }) => {
  const { port } = new URL(baseURL!);
  const second = spawnSync('node', ['--import', 'tsx', 'server/main.ts', '--port', port], { encoding: 'utf8' });
  expect(second.stderr).toContain(`Port ${port} is taken. Is the application running already?`);
  expect(second.stderr).not.toContain('TypeError');
  expect(second.status).toBe(1);
});
