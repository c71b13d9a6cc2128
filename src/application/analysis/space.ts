import { proxy } from 'comlink';
import { create } from 'zustand';
import type { Body } from '../../core/reconstruction/stated-body';
import { WorkerClient } from '../../media/worker-client';
import { filmedBySeveral, NO_BODIES, type Bodies, type Filmed } from './bodies';
import { derive } from './derived';
import { useDocument } from '../stores/document-store';
import { startJob } from '../stores/jobs';
import type { SpaceWorker } from './space-worker';
import { TEXT } from '../../text/application/analysis';

/** How far the body in space of one performance is. */
export type SpaceState = { readonly from: readonly unknown[] } & (
  | { readonly kind: 'computing' | 'stopped' }
  | { readonly kind: 'ready'; readonly body: Body }
  | { readonly kind: 'refused'; readonly message: string }
);

/** Bodies in space of the open session; they follow from its clips and are kept nowhere else. */
export const useSpace = create<{ readonly states: ReadonlyMap<string, SpaceState>; readonly bodies: Bodies }>(() => ({
  states: new Map(),
  bodies: NO_BODIES,
}));

const same = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((v, i) => v === b[i]);

function put(states: ReadonlyMap<string, SpaceState>): void {
  const ready = [...states].flatMap(([id, s]) => (s.kind === 'ready' ? [[id, s.body] as const] : []));
  const { bodies } = useSpace.getState();
  const unchanged = ready.length === bodies.size && ready.every(([id, body]) => bodies.get(id) === body);
  useSpace.setState({ states, bodies: unchanged ? bodies : new Map(ready) });
}

const setState = (mainId: string, state: SpaceState): void =>
  put(new Map(useSpace.getState().states).set(mainId, state));

/** What is under way, by performance. */
const running = new Map<string, { readonly from: readonly unknown[]; readonly stop: () => void }>();

async function compute({ mainId, name, from, cameras }: Filmed): Promise<void> {
  running.get(mainId)?.stop();
  const client = new WorkerClient<SpaceWorker>(
    new Worker(new URL('./space-worker.ts', import.meta.url), { type: 'module' }),
  );
  const job = startJob(`space-${mainId}`, TEXT.computingBodyInSpaceName(name));
  const replaced = new AbortController();
  const isCurrent = (): boolean => running.get(mainId)?.from === from;
  running.set(mainId, { from, stop: () => replaced.abort() });
  setState(mainId, { from, kind: 'computing' });
  try {
    const signal = AbortSignal.any([job.signal, replaced.signal]);
    const report = proxy((share: number) => job.progress(Math.round(100 * share), 100));
    const body = await client.ask(client.remote.bodyOf(cameras(), report), TEXT.computingBodyInSpace, { signal });
    if (!isCurrent()) return;
    if (body.ok) setState(mainId, { from, kind: 'ready', body: body.value });
    else if (job.signal.aborted) setState(mainId, { from, kind: 'stopped' });
    else setState(mainId, { from, kind: 'refused', message: body.issue.message });
  } finally {
    client.end();
    if (isCurrent()) {
      running.delete(mainId);
      job.end();
    }
  }
}

/** Brings the bodies to what the session says now. */
function update(): void {
  const { session } = useDocument.getState();
  const filmed = session ? filmedBySeveral(derive(session, useSpace.getState().bodies).clips) : [];
  const { states } = useSpace.getState();
  const kept = new Map(
    [...states].filter(([id, { from }]) => filmed.some((f) => f.mainId === id && same(f.from, from))),
  );
  for (const [id, { stop }] of running) if (!filmed.some((f) => f.mainId === id)) stop();
  if (kept.size !== states.size) put(kept);
  for (const one of filmed) {
    const underWay = running.get(one.mainId);
    if (!kept.has(one.mainId) && !(underWay && same(underWay.from, one.from))) void compute(one);
  }
}

/** A row of edits is waited for, ms. */
const QUIET = 300;

/** Has bodies in space computed whenever what they follow from has changed. */
export function keepBodies(): void {
  let timer: ReturnType<typeof setTimeout> | null = null;
  const soon = (): void => {
    if (timer) clearTimeout(timer);
    timer = setTimeout(update, QUIET);
  };
  useDocument.subscribe((now, before) => {
    if (now.session !== before.session) soon();
  });
  soon();
}

/** Computes one again that was cancelled or refused. */
export function computeAgain(mainId: string): void {
  const { session } = useDocument.getState();
  const one =
    session && filmedBySeveral(derive(session, useSpace.getState().bodies).clips).find((f) => f.mainId === mainId);
  if (one) void compute(one);
}
