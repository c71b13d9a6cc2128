import { expect, test } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { goToStep } from '../../demo/drive-job';
import { newSession } from '../../src/core/model/session';
import { fixtureClip, openDemo } from './pages';
import { fill } from './database';

test('a full browser: what is typed stays, the warning stands, and it is stored once there is room', async ({
  page,
}) => {
  await openDemo(page);
  await goToStep(page, 'Moments');
  const room = await fill(page);
  await page.getByRole('button', { name: 'Unmark release in athlete' }).click();
  const warning = page.getByText(/^Not stored yet: There is no room in this browser/);
  await expect(warning).toBeVisible();
  await expect(page.getByText('Still to mark: release (athlete).')).toBeVisible();
  await room();
  await expect(warning).toBeHidden();
  await page.reload();
  await expect(page.getByText('Still to mark: release (athlete).')).toBeVisible();
});

test('a full browser, whatever is to be stored: it is said, nothing typed is lost, and it goes once there is room', async ({
  page,
}) => {
  const full = page.getByText(/There is no room in this browser/).first();
  await page.goto('/');
  let room = await fill(page);
  await page.getByLabel('Name').fill('Nets');
  await page.getByRole('button', { name: 'Create' }).click();
  await expect(full).toBeVisible();
  await expect(page.getByLabel('Name')).toHaveValue('Nets');
  await room();
  await page.getByRole('button', { name: 'Create' }).click();
  const card = page.getByTestId('intake-athlete');
  await expect(card).toBeVisible();

  room = await fill(page, 'media');
  await card.locator('input[type=file]').setInputFiles(fixtureClip('coded-vp9-120.webm'));
  await card.getByRole('combobox', { name: 'Name' }).fill('Robin Vale');
  await card.getByLabel('Consent to film and analyse is given').check();
  await card.getByRole('button', { name: 'Use as athlete' }).click();
  await expect(full).toBeVisible();
  await expect(card.getByRole('combobox', { name: 'Name' })).toHaveValue('Robin Vale');
  await room();
  await card.getByRole('button', { name: 'Use as athlete' }).click();
  await expect(card.getByRole('button', { name: 'Use as athlete' })).toHaveCount(0);

  // A demo and a saved session.
  await page.goto('/');
  room = await fill(page);
  await page.getByRole('link', { name: 'Open the demo' }).click();
  await expect(full).toBeVisible();
});

test('what a newer version has made is left alone, with words', async ({ page }) => {
  await page.goto('/icon.svg');
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const opening = indexedDB.open('proud-falcon', 990);
        opening.onsuccess = () => {
          opening.result.close();
          resolve();
        };
      }),
  );
  await page.goto('/');
  await expect(page.getByText(/A newer version of the application/)).toBeVisible();
  const versions = await page.evaluate(async () => (await indexedDB.databases()).map(({ version }) => version));
  expect(versions).toEqual([990]);
});

test('what an older version has kept is taken over: listed, opened, and stored in the new way', async ({ page }) => {
  await page.goto('/icon.svg');
  const document = newSession('old', 'Kept for long', 'pace-delivery', '2025-03-02T09:00:00.000Z');
  await page.evaluate(
    (session) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('proud-falcon', 20);
        opening.onerror = () => reject(opening.error!);
        opening.onupgradeneeded = () => {
          opening.result.createObjectStore('sessions', { keyPath: 'id' }).createIndex('updatedAt', 'updatedAt');
          for (const table of ['media', 'markerMaps']) opening.result.createObjectStore(table, { keyPath: 'id' });
        };
        opening.onsuccess = () => {
          const four = (): Float64Array => new Float64Array(4).fill(7);
          const point = { x: four(), y: four(), confidence: new Float32Array(4), origin: new Uint8Array(4) };
          const row = { ...session, tracks: { gone: { 'left-hip': point } } };
          const putting = opening.result.transaction('sessions', 'readwrite').objectStore('sessions');
          putting.put({ id: session.id, name: session.name, updatedAt: '2025-03-02T10:00:00.000Z', document: row });
          putting.transaction.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
    document,
  );
  await page.goto('/');
  await page.getByRole('link', { name: 'Kept for long' }).click();
  await expect(page.locator('.session-name')).toHaveText('Kept for long');
  const versions = await page.evaluate(async () => (await indexedDB.databases()).map(({ version }) => version));
  expect(versions).toEqual([40]);
});

test('a browser that lacks what is needed says what, and which would do', async ({ page }) => {
  await page.addInitScript(() => Reflect.deleteProperty(window, 'VideoDecoder'));
  await page.goto('/');
  await expect(page.getByText(/lacks WebCodecs.*Chromium/)).toBeVisible();
});

test('words are kept as they are typed, and one go of typing is one step to undo', async ({ page }) => {
  await openDemo(page);
  await goToStep(page, 'Intake');
  const name = page.getByLabel('Session name');
  const before = await name.inputValue();
  await name.click();
  await page.keyboard.press('End');
  // Slower than the pause after which it is kept: what stands there comes back from the document between the letters.
  await page.keyboard.type(' of the nets', { delay: 170 });
  await expect(name).toHaveValue(`${before} of the nets`);
  await expect(page.locator('.session-name')).toHaveText(`${before} of the nets`);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(name).toHaveValue(before);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(name).toHaveValue(`${before} of the nets`);
});

test('every package that ships is named with its licence, and the page links to them', async ({ page, request }) => {
  await page.goto('/');
  const address = await page.getByRole('link', { name: 'Licences of what is built in' }).getAttribute('href');
  const list = await (await request.get(address!)).text();
  const { dependencies } = JSON.parse(await readFile('package.json', 'utf8')) as {
    dependencies: Record<string, string>;
  };
  // The server's own packages do not reach the browser.
  const shipped = Object.keys(dependencies).filter((name) => !['express', 'playwright-core'].includes(name));
  expect(shipped.filter((name) => !new RegExp(`^## ${name} - .+\\(.+\\)$`, 'm').test(list))).toEqual([]);
});

test('a whole run of the demo asks no address but its own', async ({ page, baseURL }) => {
  const elsewhere: string[] = [];
  page.on('request', (request) => {
    const { origin, protocol } = new URL(request.url());
    if (protocol.startsWith('http') && origin !== baseURL) elsewhere.push(request.url());
  });
  await openDemo(page);
  for (const step of ['Intake', 'Review', 'Match', 'Moments', 'Compare', 'Decide', 'Report', 'Follow up'])
    await goToStep(page, step);
  await page.goto('/kept');
  await expect(page.getByRole('heading', { name: 'What is kept here' })).toBeVisible();
  expect(elsewhere).toEqual([]);
});

test('detecting points can be cancelled though its worker has ended without a word', async ({ page }) => {
  await page.addInitScript(() => {
    const Real = window.Worker;
    window.Worker = class extends Real {
      readonly #lost: boolean;
      constructor(address: string | URL, options?: WorkerOptions) {
        super(address, options);
        this.#lost = String(address).includes('pose-worker');
      }
      override postMessage(message: unknown, transfer?: StructuredSerializeOptions | Transferable[]): void {
        if (!this.#lost) super.postMessage(message, transfer as Transferable[]);
      }
    };
  });
  await openDemo(page);
  await page.getByRole('button', { name: 'Detect points of the athlete' }).click();
  await page.getByRole('status').getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('Detecting points was cancelled; what was there before is kept.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Detect points of the athlete' })).toBeEnabled();
});
