import type { Page } from '@playwright/test';

/** Rows of a table of the browser's database. */
export const rows = (page: Page, table: 'sessions' | 'media'): Promise<readonly { readonly id: string }[]> =>
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
export const putRow = (page: Page, row: object): Promise<void> =>
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
export const fill = (page: Page, only: string | null = null): Promise<() => Promise<void>> =>
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
