import { create } from 'zustand';

/** A long piece of work that is under way. */
export interface Job {
  readonly id: string;
  readonly label: string;
  readonly done: number;
  readonly all: number;
  readonly startedAt: number;
  /** When `done` was last heard of, like `startedAt` in ms of the page's clock. */
  readonly heardAt: number;
  readonly waitsFor: string | null;
  readonly cancel: () => void;
}

export const useJobs = create<{ readonly jobs: readonly Job[] }>(() => ({ jobs: [] }));

export interface JobHandle {
  readonly signal: AbortSignal;
  readonly progress: (done: number, all: number) => void;
  /** What the work waits for, null while it goes on. */
  readonly waitsFor: (what: string | null) => void;
  readonly end: () => void;
}

/** Progress is shown this often at most, ms: to draw it for every picture takes time from the work. */
const SHOWN_EVERY = 250;

export function startJob(id: string, label: string): JobHandle {
  const controller = new AbortController();
  const now = performance.now();
  const cancel = (): void => controller.abort();
  const job: Job = { id, label, done: 0, all: 0, startedAt: now, heardAt: now, waitsFor: null, cancel };
  let shownAt = -Infinity;
  const change = (part: Partial<Job>): void =>
    useJobs.setState((state) => ({ jobs: state.jobs.map((j) => (j.id === id ? { ...j, ...part } : j)) }));
  useJobs.setState((state) => ({ jobs: [...state.jobs.filter((j) => j.id !== id), job] }));
  return {
    signal: controller.signal,
    progress: (done, all) => {
      const heardAt = performance.now();
      if (done < all && heardAt - shownAt < SHOWN_EVERY) return;
      shownAt = heardAt;
      change({ done, all, heardAt });
    },
    waitsFor: (what) => change({ waitsFor: what }),
    end: () => useJobs.setState((state) => ({ jobs: state.jobs.filter((j) => j.id !== id) })),
  };
}

/** Seconds until a job is done at its pace so far; null while there is nothing to go by. */
export function secondsLeft({ done, all, startedAt, heardAt }: Job): number | null {
  if (done < 3 || all === 0) return null;
  return ((heardAt - startedAt) / 1000 / done) * (all - done);
}
