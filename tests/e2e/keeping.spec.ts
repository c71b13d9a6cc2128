import { expect, test, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { addClip, createSession, goToStep } from '../../demo/drive-job';
import { newSession } from '../../src/core/model/session';
import { fixtureClip, openDemo, watchErrors } from './pages';

/** Rows of a table of the browser's database. */
const rows = (page: Page, table: 'sessions' | 'media'): Promise<readonly { readonly id: string }[]> =>
  page.evaluate(
    (name) =>
      new Promise<readonly { readonly id: string }[]>((resolve, reject) => {
        const opening = indexedDB.open('proud-falcon');
        opening.onerror = () => reject(opening.error!);
        opening.onsuccess = () => {
          const all = opening.result.transaction(name).objectStore(name).getAll();
          all.onsuccess = () => {
            opening.result.close();
            resolve((all.result as { id: string }[]).map(({ id }) => ({ id })));
          };
        };
      }),
    table,
  );

/** Puts a row into the browser's database as another program, or a fault, would leave it. */
const putRow = (page: Page, row: object): Promise<void> =>
  page.evaluate(
    (value) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('proud-falcon');
        opening.onsuccess = () => {
          const putting = opening.result.transaction('sessions', 'readwrite').objectStore('sessions').put(value);
          putting.onerror = () => reject(putting.error!);
          putting.onsuccess = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
    row,
  );

/** The browser has no room, for a table or for all, until it is told. */
const fill = (page: Page, only: string | null = null): Promise<() => Promise<void>> =>
  page
    .evaluate((table) => {
      const put = IDBObjectStore.prototype.put;
      (window as unknown as { room: () => void }).room = () => (IDBObjectStore.prototype.put = put);
      IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...args: Parameters<typeof put>) {
        if (table !== null && this.name !== table) return put.apply(this, args);
        throw new DOMException('the disk is full', 'QuotaExceededError');
      };
    }, only)
    .then(() => () => page.evaluate(() => (window as unknown as { room: () => void }).room()));

test.describe('two windows on one session', () => {
  test('one writes and the other follows live, takes over, and nothing of either is lost', async ({
    context,
    page,
  }) => {
    await openDemo(page);
    const other = await context.newPage();
    await other.goto(page.url());
    await expect(other.getByText('what is changed there shows here')).toBeVisible();
    await expect(page.getByText('what is changed there shows here')).toBeHidden();

    await goToStep(page, 'Moments');
    await page.getByRole('button', { name: 'Unmark release in athlete' }).click();
    await goToStep(other, 'Moments');
    await expect(other.getByText('Still to mark: release (athlete).')).toBeVisible();

    // A change in the one that follows is refused with words, and changes nothing.
    await other.getByRole('button', { name: 'Unmark release in reference' }).click();
    await expect(other.getByText('Press \u201cWork here\u201d above').first()).toBeVisible();
    await expect(other.getByText('Still to mark: release (athlete).')).toBeVisible();

    await other.getByRole('button', { name: 'Work here' }).click();
    await expect(page.getByText('what is changed there shows here')).toBeVisible();
    await expect(other.getByText('what is changed there shows here')).toBeHidden();
    await other.getByRole('button', { name: 'Unmark release in reference' }).click();
    await expect(page.getByText('Still to mark: release (athlete), release (reference).')).toBeVisible();

    // The writer closes: the other writes on by itself.
    await other.close();
    await expect(page.getByText('what is changed there shows here')).toBeHidden();
    await page.reload();
    await expect(page.getByText('Still to mark: release (athlete), release (reference).')).toBeVisible();
  });

  test('a session deleted in one does not come back through the other', async ({ context, page }) => {
    await openDemo(page);
    const other = await context.newPage();
    await other.goto('/');
    const name = await page.locator('.session-name').innerText();
    await other.getByRole('button', { name: `Delete ${name}` }).click();
    await other.getByRole('button', { name: 'Delete', exact: true }).click();
    await expect(page.getByText('This session was deleted in another window.')).toBeVisible();
    await expect(other.getByRole('link', { name })).toHaveCount(0);
    await other.reload();
    expect((await rows(other, 'sessions')).map(({ id }) => id)).not.toContain(
      new URL(page.url()).pathname.split('/')[2],
    );
  });
});

test.describe('footage', () => {
  test('of clips that were replaced and of a session that is deleted is gone', async ({ page, baseURL }) => {
    await createSession(page, baseURL!, 'Replaced');
    await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'First' });
    const card = page.getByTestId('intake-athlete');
    for (const name of ['Second', 'Third']) {
      await card.locator('input[type=file]').setInputFiles(fixtureClip('coded-vp9-120.webm'));
      await expect(card.getByRole('button', { name: 'Do not use this file' })).toBeVisible();
      await card.getByRole('textbox', { name: 'Name' }).fill(name);
      await card.getByLabel('Consent to film and analyse is given').check();
      await card.getByRole('button', { name: 'Use as athlete' }).click();
      await expect(card.getByRole('button', { name: 'Do not use this file' })).toHaveCount(0);
    }
    expect(await rows(page, 'media')).toHaveLength(3);
    // What a step back could bring again stays until the history is gone.
    await page.reload();
    await expect.poll(async () => (await rows(page, 'media')).length).toBe(1);
    await page.goto('/');
    await page.getByRole('button', { name: 'Delete Replaced' }).click();
    await page.getByRole('button', { name: 'Delete', exact: true }).click();
    await expect.poll(async () => (await rows(page, 'media')).length).toBe(0);
  });

  test('of somebody who no longer consents is removed with all that was measured on it', async ({ page }) => {
    await openDemo(page);
    await goToStep(page, 'Intake');
    const card = page.getByTestId('intake-athlete');
    const before = (await rows(page, 'media')).length;
    await card.getByRole('checkbox', { name: 'Consent to film and analyse is given' }).first().uncheck();
    await card.getByRole('button', { name: 'Remove the footage' }).click();
    await page.getByRole('button', { name: 'Remove for good' }).click();
    await expect(page.getByText(/^The footage of .* is removed/)).toBeVisible();
    await expect.poll(async () => (await rows(page, 'media')).length).toBe(before - 1);
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  });

  test('is listed with all else that is kept, can be saved as a file, and be removed', async ({ page }) => {
    await openDemo(page);
    await page.goto('/kept');
    await expect(page.getByRole('heading', { name: 'What is kept here' })).toBeVisible();
    const row = page.getByRole('row').nth(1);
    await expect(row).toContainText('.webm');
    await expect(row).toContainText('MB');
    const saving = page.waitForEvent('download');
    await row.getByRole('button', { name: /^Save .* as a file$/ }).click();
    expect((await readFile(await (await saving).path())).subarray(0, 2).toString()).toBe('PK');
  });
});

test('everything is saved as one file and is there again in another browser, videos and all', async ({
  page,
  browser,
}, info) => {
  await openDemo(page);
  await createSession(page, '/', 'Nets / early, \u201cA\u201d');
  await page.goto('/');
  await expect(page.getByRole('row')).toHaveCount(5);
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save everything as one file' }).click();
  const file = info.outputPath('backup.zip');
  await (await saving).saveAs(file);

  const context = await browser.newContext();
  const other = await context.newPage();
  const open = async (): Promise<void> => {
    await other.goto(new URL('/', page.url()).href);
    await other.getByLabel('Session file').setInputFiles(file);
  };
  await open();
  await expect(other.getByText('4 sessions opened from the backup.')).toBeVisible();
  await expect(other.getByRole('row')).toHaveCount(5);
  expect((await rows(other, 'media')).length).toBe((await rows(page, 'media')).length);
  // What is here already and the same is not doubled.
  await open();
  await expect(other.getByText('4 sessions opened from the backup.')).toBeVisible();
  await expect(other.getByRole('row')).toHaveCount(5);
  await context.close();
});

test('a session that cannot be opened says why, is handed out as it is, and is repaired', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('No sessions yet')).toBeVisible();
  const document = {
    schemaVersion: 1,
    id: 'odd',
    name: 'Odd',
    createdAt: 'yesterday',
    movementId: 'race-walking',
    daysToCompetition: null,
    clips: [],
    tracks: {},
    marks: {},
    cutoff: 'low',
    impressions: 'high hips',
    notes: [7],
    decisions: [],
    order: [],
  };
  await putRow(page, { id: 'odd', name: 'Odd', updatedAt: 'never', document });
  await putRow(page, { id: '..', name: { odd: 1 }, updatedAt: 5, document: { clips: 3 } });
  await page.reload();
  const row = page.getByRole('row', { name: /Odd/ });
  await expect(row).toContainText('cutoff');
  await expect(page.getByRole('row', { name: /A session without a name/ })).toBeVisible();
  await page.goto('/s/odd/measure');
  await expect(page.getByText(/cannot be opened as it is: cutoff/)).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as it is' }).click();
  expect(await readFile(await (await saving).path(), 'utf8')).toContain('"cutoff": "low"');
  await page.getByRole('button', { name: 'Repair' }).click();
  await expect(page.getByText(/Left out: .*notes 1/)).toBeVisible();
  await expect(page.locator('.session-name')).toHaveText('Odd');
});

test('an address that leads nowhere shows words, not an empty page', async ({ page }) => {
  const errors = watchErrors(page);
  for (const address of [
    '/s/%E0%A4%A/measure',
    '/s/gone/constructor',
    '/s/__proto__/measure',
    '/demo/constructor',
    '/%',
  ]) {
    await page.goto(address);
    await expect(page.locator('main')).not.toBeEmpty();
  }
  expect(errors.filter((e) => !e.includes('Failed to load resource'))).toEqual([]);
});

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
  await card.getByRole('textbox', { name: 'Name' }).fill('Robin Vale');
  await card.getByLabel('Consent to film and analyse is given').check();
  await card.getByRole('button', { name: 'Use as athlete' }).click();
  await expect(full).toBeVisible();
  await expect(card.getByRole('textbox', { name: 'Name' })).toHaveValue('Robin Vale');
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
  expect(versions).toEqual([30]);
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
  // The server's own package does not reach the browser.
  const shipped = Object.keys(dependencies).filter((name) => name !== 'express');
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
