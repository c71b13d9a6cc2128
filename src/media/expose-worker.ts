import { expose } from 'comlink';

/** What every worker can do beside its own work. */
export interface Held {
  /**
   * Holds a lock of that name for as long as the worker lives: whoever gets it next knows that the worker has ended,
   * however that came.
   */
  readonly hold: (name: string) => Promise<void>;
}

const held: Held = {
  hold: (name) =>
    new Promise((resolve) => {
      void navigator.locks.request(name, () => {
        resolve();
        return new Promise(() => undefined);
      });
    }),
};

/** Offers a worker's functions to its page. */
export function exposeWorker(api: object): void {
  expose({ ...api, ...held });
}
