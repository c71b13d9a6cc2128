import { BODY_POINTS, type PointId } from './body-points';
import { ORIGIN, type PointSeries, type Track } from './track';
import { bodyHeightPixels } from './point-error';

/** Points that the finder confuses together: a leg for the other leg, an arm for the other arm. */
const GROUPS: readonly (readonly string[])[] = [
  ['hip', 'knee', 'ankle', 'heel', 'foot-index'],
  ['shoulder', 'elbow', 'wrist', 'pinky', 'index', 'thumb'],
];

/** Cost of contradicting the finder at a frame, in squared hundredths of standing height. */
const DOUBT = 1.5;
/** No single step counts more than this, so that one wild point does not decide. */
const MOST = 60;

type Pair = readonly [PointSeries, PointSeries];

const found = (series: PointSeries, i: number): boolean => series.origin[i] === ORIGIN.found;

/**
 * Cost of a change of velocity over three frames when the labels at them are kept (0) or exchanged (1), summed over
 * the points of a group. Unit: squared hundredths of standing height.
 */
function bend(pairs: readonly Pair[], i: number, states: readonly [number, number, number], unit: number): number {
  let sum = 0;
  for (const pair of pairs) {
    for (const side of [0, 1] as const) {
      const [a, b, c] = states.map((state) => pair[side === state ? 0 : 1]) as [PointSeries, PointSeries, PointSeries];
      const dx = c.x[i]! - 2 * b.x[i - 1]! + a.x[i - 2]!;
      const dy = c.y[i]! - 2 * b.y[i - 1]! + a.y[i - 2]!;
      const cost = (dx * dx + dy * dy) / (unit * unit);
      if (!Number.isNaN(cost)) sum += Math.min(MOST, cost);
    }
  }
  return sum;
}

/** The smoothest labelling of a group through all frames: 1 where left and right must be exchanged (Viterbi 1967). */
function smoothestLabels(pairs: readonly Pair[], frames: number, unit: number): Uint8Array {
  // State: labels of the last two frames, coded as 2 * before + now.
  let costs = [0, 1, 2, 3].map((s) => DOUBT * ((s >> 1) + (s & 1)));
  const back: Uint8Array[] = [];
  for (let i = 2; i < frames; i++) {
    const next = new Array<number>(4).fill(Infinity);
    const from = new Uint8Array(4);
    for (let s = 0; s < 4; s++) {
      for (const now of [0, 1]) {
        const to = ((s & 1) << 1) | now;
        const cost = costs[s]! + DOUBT * now + bend(pairs, i, [s >> 1, s & 1, now], unit);
        if (cost < next[to]!) {
          next[to] = cost;
          from[to] = s;
        }
      }
    }
    costs = next;
    back.push(from);
  }
  const labels = new Uint8Array(frames);
  let state = costs.indexOf(Math.min(...costs));
  for (let i = frames - 1; i >= 2; i--) {
    labels[i] = state & 1;
    state = back[i - 2]![state]!;
  }
  if (frames > 1) labels[1] = state & 1;
  labels[0] = state >> 1;
  return labels;
}

/**
 * Exchanges left and right where the finder has taken one limb for the other: of all labellings of a clip the one with
 * the smoothest paths is taken, arms and legs apart. Points placed by hand are never exchanged.
 * @returns the track and how many frames were changed
 */
export function repairSideSwaps(track: Track): { readonly track: Track; readonly changedFrames: number } {
  const height = bodyHeightPixels(track);
  if (Number.isNaN(height)) return { track, changedFrames: 0 };
  const next: Partial<Record<PointId, PointSeries>> = { ...track };
  const changed = new Set<number>();
  for (const group of GROUPS) {
    const ids = group
      .map((joint) => [`left-${joint}`, `right-${joint}`] as [PointId, PointId])
      .filter(([l, r]) => BODY_POINTS.includes(l) && track[l] && track[r]);
    if (ids.length === 0) continue;
    const pairs = ids.map(([l, r]): Pair => [track[l]!, track[r]!]);
    const labels = smoothestLabels(pairs, pairs[0]![0].x.length, height / 100);
    ids.forEach(([l, r], k) => {
      const [left, right] = pairs[k]!;
      const copy = (own: PointSeries, other: PointSeries): PointSeries => {
        const swapped = (i: number): boolean => labels[i] === 1 && found(left, i) && found(right, i);
        return {
          x: own.x.map((v, i) => (swapped(i) ? other.x[i]! : v)),
          y: own.y.map((v, i) => (swapped(i) ? other.y[i]! : v)),
          confidence: own.confidence.map((v, i) => (swapped(i) ? other.confidence[i]! : v)),
          origin: own.origin,
        };
      };
      next[l] = copy(left, right);
      next[r] = copy(right, left);
    });
    labels.forEach((label, i) => label === 1 && changed.add(i));
  }
  return { track: next, changedFrames: changed.size };
}
