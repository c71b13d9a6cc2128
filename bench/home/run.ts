// How soon the start page is there and answers, with 300 athletes and 2 000 sessions, against the same page of an empty
// browser. Document by document it would take longer than anybody waits.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { newSession } from '../../src/core/model/session';
import { openBrowser, startServer } from '../../demo/drive-job';
import { stickClip } from '../../tests/fixtures/stick-trial';
import { printFigures, round, type Figure } from '../figure';
import { percentile } from '../percentile';

const ATHLETES = 300;
const SESSIONS = 2000;
/** A list that is opened from another page of the application. */
const LIST = 500;
const RUNS = 7;
const DAY = '2026-03-02';

/** What a list shows of so many sessions, as it lies in the database; nobody has to be measured again. */
function academy(count: number) {
  const sessions = Array.from({ length: count }, (_, n) => {
    const name = `Athlete ${n % ATHLETES} Example`;
    const [id, updatedAt] = [`s${n}`, `2026-03-02T10:00:00.${String(n % 1000).padStart(3, '0')}Z`];
    const clip = stickClip({ mediaId: `m${n}` });
    const document = {
      ...newSession(id, `${name}, session ${n}`, 'pace-delivery', `${DAY}T10:00:00Z`),
      clips: [{ ...clip, frameTimes: null, performer: { ...clip.performer, name } }],
    };
    return { id, name: document.name, updatedAt, document };
  });
  const standings = Array.from({ length: ATHLETES }, (_, n) => {
    const athlete = `name:athlete ${n} example`;
    return {
      id: JSON.stringify([athlete, 'pace-delivery']),
      athlete,
      measuredBy: 'pace-delivery',
      sessions: sessions.filter((_s, k) => k % ATHLETES === n).map(({ id, updatedAt }) => ({ id, updatedAt })),
      open: [{ id: 'front-knee', title: 'Front knee', standing: 'open', due: '2026-04-01' }],
      trend: {
        measure: 'Front knee',
        unit: 'deg',
        values: [2.4, 2.5, 2.6].map((value, k) => ({ on: `2026-0${k + 1}-02`, value, plusMinus: 0.1 })),
        low: 2.8,
        high: null,
      },
      // As large as a small picture is.
      picture: `data:image/webp;base64,${'A'.repeat(4000)}`,
    };
  });
  const records = Array.from({ length: ATHLETES }, (_, n) => ({
    ...{ id: `name:athlete ${n} example`, name: `Athlete ${n} Example`, updatedAt: '2026-03-02T10:00:00.000Z' },
    ...{ birthYear: 2001, dominantSide: 'right', segmentTable: 'male', heightMetres: 1.8, massKg: 74 },
    ...{ squad: `Squad ${n % 8}`, notes: '', consent: null, withdrawnOn: null },
  }));
  return { sessions, standings, records };
}

const putAll = (page: Page, table: string, rows: readonly object[]): Promise<void> =>
  page.evaluate(
    ([name, all]) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('proud-falcon');
        opening.onsuccess = () => {
          const writing = opening.result.transaction(name, 'readwrite');
          for (const row of all) {
            // Times of frames are an array of their own kind, which a message does not carry.
            const document = (row as { document?: { clips: { frameTimes: unknown }[] } }).document;
            for (const clip of document?.clips ?? []) clip.frameTimes = Float64Array.of(0, 10000, 20000);
            writing.objectStore(name).put(row);
          }
          writing.onabort = () => reject(writing.error!);
          writing.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
    [table, rows] as const,
  );

/** From the address to what is looked for, ms of the page's own clock. */
async function shownAfter(page: Page, address: string, selector: string): Promise<number> {
  await page.addInitScript((wanted) => {
    const watch = new MutationObserver(() => {
      if (!document.querySelector(wanted)) return;
      watch.disconnect();
      // It stands on the screen with the next picture, and the page answers again.
      requestAnimationFrame(() => setTimeout(() => Object.assign(window, { shownAt: performance.now() })));
    });
    watch.observe(document, { subtree: true, childList: true });
  }, selector);
  await page.goto(address);
  await page.waitForFunction(() => 'shownAt' in window, null, { timeout: 600_000 });
  return page.evaluate(() => (window as unknown as { shownAt: number }).shownAt);
}

/** From a letter in the search to the list that follows it, ms. */
const searched = (page: Page, text: string): Promise<number> =>
  page.evaluate(
    (word) =>
      new Promise<number>((resolve) => {
        const input = document.querySelector<HTMLInputElement>('input[type=search]')!;
        const list = document.querySelector('table.squad')!;
        const begun = performance.now();
        const watch = new MutationObserver(() => {
          watch.disconnect();
          requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - begun)));
        });
        watch.observe(list, { subtree: true, childList: true, characterData: true });
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(input, word);
        input.dispatchEvent(new Event('input', { bubbles: true }));
      }),
    text,
  );

/** From a press on *All sessions* to the list, ms, and how many whole sessions were read for it. */
async function listOpened(page: Page, address: string): Promise<{ readonly ms: number; readonly read: number }> {
  await page.addInitScript(() => {
    const counted = Object.assign(window, { sessionsRead: 0 });
    for (const name of ['get', 'getAll', 'openCursor'] as const) {
      const read = IDBObjectStore.prototype[name] as (...args: unknown[]) => IDBRequest;
      Object.assign(IDBObjectStore.prototype, {
        [name](this: IDBObjectStore, ...args: unknown[]) {
          if (this.name === 'sessions') counted.sessionsRead++;
          return read.apply(this, args);
        },
      });
    }
  });
  await page.goto(`${address}/athlete/nobody`);
  await page.getByRole('link', { name: 'All athletes' }).first().waitFor();
  return page.evaluate(
    () =>
      new Promise<{ ms: number; read: number }>((resolve) => {
        const counted = window as unknown as { sessionsRead: number };
        counted.sessionsRead = 0;
        const begun = performance.now();
        const watch = new MutationObserver(() => {
          if (!document.querySelector('table.squad tbody tr')) return;
          watch.disconnect();
          requestAnimationFrame(() =>
            setTimeout(() => resolve({ ms: performance.now() - begun, read: counted.sessionsRead })),
          );
        });
        watch.observe(document, { subtree: true, childList: true });
        [...document.querySelectorAll('a')].find((a) => a.textContent === 'All athletes')!.click();
      }),
  );
}

const middle = (times: readonly number[]): number =>
  percentile(
    [...times].sort((a, b) => a - b),
    0.5,
  );

/** What a browser keeps of the application is kept from the first visit on; that is done once. */
const settled = (page: Page): Promise<unknown> => page.evaluate(() => navigator.serviceWorker.ready);

const server = await startServer();
const profile = mkdtempSync(path.join(tmpdir(), 'falcon-home-'));
const context = await openBrowser(profile);
const inNewPage = async <T>(act: (page: Page) => Promise<T>): Promise<T> => {
  const page = await context.newPage();
  try {
    return await act(page);
  } finally {
    await page.close();
  }
};
const median = async (selector: string): Promise<number> => {
  const times: number[] = [];
  for (let n = 0; n < RUNS; n++)
    times.push(await inNewPage((page) => shownAfter(page, `${server.address}/`, selector)));
  return middle(times);
};
try {
  await inNewPage(async (page) => {
    await page.goto(`${server.address}/`);
    await settled(page);
  });
  const empty = await median('a[href="/demo"]');
  const some = academy(LIST);
  await inNewPage(async (page) => {
    await page.goto(`${server.address}/`);
    await page.waitForSelector('a[href="/demo"]');
    await putAll(page, 'sessions', some.sessions);
    await putAll(page, 'standings', some.standings);
    await putAll(page, 'athletes', some.records);
  });
  await inNewPage((page) => shownAfter(page, `${server.address}/`, 'table.squad tbody tr'));
  const lists: { readonly ms: number; readonly read: number }[] = [];
  for (let n = 0; n < RUNS; n++) lists.push(await inNewPage((page) => listOpened(page, server.address)));
  const list = middle(lists.map(({ ms }) => ms));
  const read = Math.max(...lists.map((each) => each.read));
  const { sessions, standings } = academy(SESSIONS);
  await inNewPage(async (page) => {
    await page.goto(`${server.address}/`);
    await page.waitForSelector('table.squad tbody tr');
    await putAll(page, 'standings', standings);
    for (let n = LIST; n < SESSIONS; n += 200)
      await putAll(page, 'sessions', sessions.slice(n, Math.min(n + 200, SESSIONS)));
  });
  // The first list makes the summaries, as an older version's sessions need it once.
  const first = await inNewPage((page) => shownAfter(page, `${server.address}/`, 'table.squad tbody tr'));
  const full = await median('table.squad tbody tr');
  const search = await inNewPage(async (page) => {
    await shownAfter(page, `${server.address}/`, 'table.squad tbody tr');
    const times: number[] = [];
    for (const word of ['2', '29', '299', '29', '1', '17', '174']) times.push(await searched(page, word));
    return middle(times);
  });
  console.log(
    `empty ${empty.toFixed(0)} ms, ${ATHLETES} athletes and ${SESSIONS} sessions ${full.toFixed(0)} ms, the first time ` +
      `${(first / 1000).toFixed(1)} s, a letter of the search ${search.toFixed(0)} ms; ` +
      `a list of ${LIST} sessions ${list.toFixed(0)} ms`,
  );
  const figures = (
    [
      ['start page with 300 athletes and 2 000 sessions', full / empty, 'times', 'the empty start page', 2],
      ['the same', full, 'ms', 'nothing', 500],
      [`a list of ${LIST} sessions, opened from another page`, list / full, 'times', 'the whole start page', 0.6],
      ['the same', list, 'ms', 'nothing', 300],
      ['whole sessions read for that list', read, 'sessions', 'nothing', 0],
      ['one letter of the search', search / full, 'times', 'the whole start page', 0.5],
    ] as const
  ).map(([name, value, unit, against, goal]): Figure => ({
    bench: 'home',
    figure: name,
    value: round(value),
    unit,
    against,
    goal: `at most ${goal}`,
    holds: value <= goal,
  }));
  printFigures(figures);
} finally {
  await context.close();
  await server.stop();
  rmSync(profile, { recursive: true, force: true });
}
