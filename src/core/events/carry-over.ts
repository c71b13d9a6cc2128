import type { Movement } from '../model/movement';
import type { PointRef, Quantity } from '../model/quantity';
import type { Trial } from '../trial/trial';
import { continuousSeries, refsOfQuantity } from '../quantities';
import { interpolateLinear } from '../signal/resample';
import { warpInside, type Features } from '../timing/dynamic-time-warp';
import { frameAtTime, timeAtFrame } from '../timing/clip-time';
import { proposalSd } from '../trial/key-events';
import { asSeen, pointsOfRule } from './find-by-rule';
import { proposeEvents, type Proposal } from './propose-events';

/** The curves by which two trials are laid on each other: joints of both sides, and the trunk. */
const joint = (
  side: 'dominant' | 'opposite',
  a: 'hip' | 'shoulder',
  b: 'knee' | 'hip' | 'elbow',
  c: 'ankle' | 'knee' | 'wrist',
): Quantity => ({
  type: 'joint-angle',
  points: [`${side}-${a}`, `${side}-${b}`, `${side}-${c}`] as [PointRef, PointRef, PointRef],
});
const FEATURES: readonly Quantity[] = [
  ...(['dominant', 'opposite'] as const).flatMap((side): Quantity[] => [
    joint(side, 'hip', 'knee', 'ankle'),
    joint(side, 'shoulder', 'hip', 'knee'),
    joint(side, 'shoulder', 'elbow', 'wrist'),
    { type: 'segment-angle', points: [`${side}-hip`, `${side}-knee`], against: 'down' },
    { type: 'segment-angle', points: [`${side}-shoulder`, `${side}-elbow`], against: 'down' },
  ]),
  { type: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' },
];

const OF_FEATURES = FEATURES.flatMap(refsOfQuantity);

/** Samples a second at which trials are laid on each other. */
const RATE = 100;
/** What lies before the first and after the last mark helps to place them, seconds. */
const AROUND = 0.15;
/** A rule may move a carried moment by this much, seconds. */
const REFINE = 0.07;
/** Standing this far from the carried place halves what a rule's find is worth, seconds. */
const AGREE = 0.03;

/** A place that only the likeness of the curves gives is so sure, seconds (against rendered truth). */
const CARRIED_SD = 0.03;
const asSure = (proposal: Proposal): Proposal => ({
  ...proposal,
  sd: Math.max(proposal.sd, proposalSd(proposal.confidence)),
});

/**
 * Curves with mean 0 and standard deviation 1 over what is known; a curve that nothing is known of is missing
 * throughout.
 */
function standardised(allSeries: Features): Features {
  return allSeries.map((series) => {
    const known = Array.from(series).filter((v) => !Number.isNaN(v));
    const mean = known.reduce((sum, v) => sum + v, 0) / known.length;
    const sd = Math.sqrt(known.reduce((sum, v) => sum + (v - mean) ** 2, 0) / known.length);
    return series.map((v) => (sd > 0 ? (v - mean) / sd : NaN));
  });
}

function featuresOf(trial: Trial, from: number, to: number): Features {
  const count = Math.max(0, Math.floor((to - from) * RATE) + 1);
  return standardised(
    FEATURES.map((of) => {
      const series = continuousSeries(trial, of, '%BH');
      return Float64Array.from({ length: count }, (_, i) => interpolateLinear(trial.times, series, from + i / RATE));
    }),
  );
}

/**
 * Carries the moments of a marked trial over to another one: both are laid on each other by dynamic time warping
 * of their joint angles (open at both ends, half to twice the rate), and each moment is then refined by its own rule
 * near the place. A moment that is marked already stays. Moments that would break the movement's order are left out.
 */
export function carryOver(movement: Movement, marked: Trial, other: Trial): readonly Proposal[] {
  const known = movement.moments.filter((m) => marked.marks[m.id] !== undefined);
  if (known.length === 0) return [];
  const times = known.map((m) => timeAtFrame(marked.times, marked.marks[m.id]!) as number);
  const [from, to] = [
    Math.max(marked.times[0]!, Math.min(...times) - AROUND),
    Math.min(marked.times.at(-1)!, Math.max(...times) + AROUND),
  ];
  const start = other.times[0]!;
  const warp = warpInside(featuresOf(marked, from, to), featuresOf(other, start, other.times.at(-1)!));
  if (!warp) return [];
  const perFrame = warp.cost / warp.at.length / Math.sqrt(FEATURES.length);
  // Standardised curves that have nothing in common are about 1.4 apart.
  const likeness = Math.max(0.1, Math.min(1, 1.2 - perFrame));
  const place = (time: number): number => {
    const p = Math.min(warp.at.length - 1, Math.max(0, (time - from) * RATE));
    const [low, high] = [Math.floor(p), Math.min(warp.at.length - 1, Math.floor(p) + 1)];
    return start + (warp.at[low]! + (p - low) * (warp.at[high]! - warp.at[low]!)) / RATE;
  };
  const carried: Proposal[] = [];
  const fixed: Record<string, number> = { ...other.marks };
  for (const [k, moment] of known.entries()) {
    if (other.marks[moment.id] !== undefined) continue;
    const time = place(times[k]!);
    const frame = frameAtTime(other.times, time);
    const reach = REFINE / other.interval;
    const [refined] = moment.rule
      ? proposeEvents(
          { ...movement, moments: [{ ...moment, rule: { ...moment.rule, after: null, before: null } }] },
          { ...other, marks: {} },
          {
            first: Math.max(0, Math.floor(frame - reach)),
            last: Math.min(other.times.length - 1, Math.ceil(frame + reach)),
          },
        )
      : [];
    const away = refined ? Math.abs(refined.frame - frame) * other.interval : 0;
    // The curves and the rule tell of the same instant, each as surely as it says: their mean by inverse variances.
    const ofRule = refined ? CARRIED_SD ** 2 / (CARRIED_SD ** 2 + refined.sd ** 2) : 0;
    const carriedTo: Proposal = refined
      ? asSure({
          eventId: moment.id,
          frame: ofRule * refined.frame + (1 - ofRule) * frame,
          confidence: Math.min(1, Math.max(refined.confidence, 0.3) * likeness * (1 / (1 + (away / AGREE) ** 2) + 0.4)),
          sd: Math.hypot(Math.sqrt(ofRule) * refined.sd, away / 4),
          systematic: refined.systematic,
        })
      : asSure({ eventId: moment.id, frame, confidence: 0.4 * likeness, sd: CARRIED_SD, systematic: 0 });
    const proposal = asSeen(other, moment.rule ? pointsOfRule(moment.rule) : OF_FEATURES, carriedTo);
    const order = movement.moments.map((m) => m.id);
    const clash = Object.entries(fixed).some(
      ([id, at]) => Math.sign(order.indexOf(moment.id) - order.indexOf(id)) !== Math.sign(proposal.frame - at),
    );
    if (clash) continue;
    fixed[moment.id] = proposal.frame;
    carried.push(proposal);
  }
  return carried;
}
