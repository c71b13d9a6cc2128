import { player } from '../../../application/bench/bench-player';
import type { Derived } from '../../../application/analysis/derived';
import { timeAtFrame } from '../../../core/timing/clip-time';
import type { Trial } from '../../../core/trial/trial';
import { setView, useView } from '../../../application/stores/view-store';

/** Shortest part of the axis that the ribbons show, seconds. */
const SHORTEST = 0.05;

/** The trials that have a ribbon; further cameras share theirs. */
export const ribbonClips = (derived: Derived) => derived.panes.filter((c) => !c.join);

/** A clip's real time laid on the leading clip's: matched, locked, or as it is. */
export const toAxis = (trial: Trial, time: number): number => player.timeMap(trial.clip.id)?.inverse(time) ?? time;
export const fromAxis = (trial: Trial, at: number): number => player.timeMap(trial.clip.id)?.map(at) ?? at;

/** The whole axis: from the first clip's beginning to the last one's end. */
export function wholeSpan(derived: Derived): readonly [number, number] {
  const ends = ribbonClips(derived).map(
    ({ trial }) => [toAxis(trial, 0), toAxis(trial, trial.times[trial.times.length - 1]!)] as const,
  );
  return ends.length === 0 ? [0, 1] : [Math.min(...ends.map(([from]) => from)), Math.max(...ends.map(([, to]) => to))];
}

function playheadOf(derived: Derived): number {
  const lead = derived.clips[0]?.trial;
  return lead ? timeAtFrame(lead.times, useView.getState().shown[lead.clip.id] ?? 0) : 0;
}

/** The part of the axis that is shown; a zoomed one follows the playhead. */
export function shownSpan(derived: Derived): readonly [number, number] {
  const { ribbonSpan } = useView.getState();
  if (!ribbonSpan) return wholeSpan(derived);
  const { from, to } = ribbonSpan;
  const at = playheadOf(derived);
  if (at >= from && at <= to) return [from, to];
  const lead = (to - from) * 0.1;
  return at < from ? [at - lead, at - lead + (to - from)] : [at + lead - (to - from), at + lead];
}

/** Shows a part of the axis, not longer than all of it. */
export function showSpan(derived: Derived, [from, to]: readonly [number, number]): void {
  const [first, last] = wholeSpan(derived);
  const length = Math.min(last - first, Math.max(SHORTEST, to - from));
  if (length >= last - first) return setView({ ribbonSpan: null });
  const start = Math.min(last - length, Math.max(first, (from + to - length) / 2));
  setView({ ribbonSpan: { from: start, to: start + length } });
}

/** Zooms the ribbons round the playhead. */
export function zoomRibbons(derived: Derived, factor: number): void {
  const [from, to] = shownSpan(derived);
  const at = Math.min(to, Math.max(from, playheadOf(derived)));
  showSpan(derived, [at - (at - from) * factor, at + (to - at) * factor]);
}
