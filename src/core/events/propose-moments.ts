import { quantityCurve, groundOf, refsOfQuantity } from '../quantities';
import { unwrap, wrapAngle } from '../geometry/angle';
import { largest, rateOfChange, type FrameSpan } from '../measures/phase';
import type { Moment, MomentRule, Movement, PointRef } from '../model/movement';
import { partsOf, pointAt, type Performance } from '../performance/performance';
import { dimensionOf } from '../quantities';
import { toSi } from '../units';

/** A moment as the points suggest it. */
export interface Proposal {
  readonly momentId: string;
  /** Frame position; fractions lie between two frames. */
  readonly frame: number;
  /** 0..1: how sharply the rule decides, times how sure the points are there. */
  readonly confidence: number;
}

type Found = Pick<Proposal, 'frame' | 'confidence'>;

/** Foot on the ground: this near to it, and slower than this (standing heights, and heights a second). */
const CONTACT = { height: 0.03, speed: 0.9 };
/** A foot that touches the ground is this near to where it will rest, standing heights. */
const SETTLED = 0.004;
/** A foot's level is taken over this much of its contact, seconds. */
const AROUND_EDGE = 0.1;
/** A rest shorter than this is no contact, seconds. */
const SHORTEST_CONTACT = 0.035;

/** Mean confidence of the points round a frame. */
function sureness(performance: Performance, refs: readonly PointRef[], frame: number): number {
  const i = Math.round(frame);
  const all = refs.flatMap((ref) => partsOf(ref, performance.clip.performer, performance.smoothed)).map(({ id }) => performance.smoothed[id]?.confidence[i] ?? 0);
  return all.length === 0 ? 0 : Math.min(1, all.reduce((sum, c) => sum + c, 0) / all.length);
}

/** How far a peak stands out of the values in its span, 0..1: one whose neighbours a tenth of the span away are nearly as high says little. */
function prominence(score: Float64Array, frame: number, { first, last }: FrameSpan): number {
  const away = Math.max(2, Math.round((last - first) / 10));
  const values = Array.from(score.slice(first, last + 1)).filter((v) => !Number.isNaN(v));
  const range = Math.max(...values) - Math.min(...values);
  if (!(range > 0)) return 0;
  const i = Math.round(frame);
  const beside = [score[i - away], score[i + away]].filter((v) => v !== undefined && !Number.isNaN(v)) as number[];
  return Math.min(1, (4 * (score[i]! - Math.max(...beside, -Infinity))) / range || 0);
}

function extremeIn(performance: Performance, rule: Extract<MomentRule, { rule: 'extreme' }>, span: FrameSpan): Found | null {
  const curve = quantityCurve(performance, rule.of, '%BH');
  const score = (dimensionOf(rule.of) === 'angle' ? unwrap(curve) : curve).map((v) => (rule.which === 'largest' ? v : -v));
  const top = largest(score, span);
  return top && { frame: top.frame, confidence: Math.max(0.2, prominence(score, top.frame, span)) * sureness(performance, refsOfQuantity(rule.of), top.frame) };
}

function crossingIn(performance: Performance, rule: Extract<MomentRule, { rule: 'crossing' }>, span: FrameSpan): Found | null {
  const angle = dimensionOf(rule.of) === 'angle';
  const level = toSi(rule.level, angle ? 'deg' : '%');
  const curve = quantityCurve(performance, rule.of, '%BH');
  const away = angle ? unwrap(curve.map((v) => wrapAngle(v - level))) : curve.map((v) => v - level);
  const sign = rule.direction === 'rising' ? 1 : -1;
  const found: number[] = [];
  for (let i = span.first + 1; i <= span.last; i++) {
    // Whole turns do not matter: an angle passes the level wherever it passes it modulo a turn.
    const [a, b] = [sign * away[i - 1]!, sign * away[i]!];
    if (Number.isNaN(a + b)) continue;
    const turns = angle ? Math.ceil(a / (2 * Math.PI)) * 2 * Math.PI : 0;
    if (a - turns < 0 && b - turns >= 0) found.push(i - 1 + (turns - a) / (b - a));
  }
  const frame = rule.take === 'first' ? found[0] : found.at(-1);
  if (frame === undefined) return null;
  const i = Math.round(frame);
  const steep = Math.abs((away[i + 1] ?? NaN) - (away[i - 1] ?? NaN)) / (2 * performance.interval);
  const sharp = Math.min(1, (Number.isNaN(steep) ? 0 : steep) / (angle ? 3 : 1));
  return { frame, confidence: Math.max(0.3, sharp) * sureness(performance, refsOfQuantity(rule.of), frame) * (found.length > 1 ? 0.8 : 1) };
}

type Foot = 'dominant' | 'opposite';

/** Height above the ground of a foot's lowest point, and the speed of its slower end, standing heights (a second). */
function footCurves(performance: Performance, side: Foot): { height: Float64Array; speed: Float64Array } {
  const ground = groundOf(performance);
  const per = 1 / performance.bodyHeight;
  const ends = (['heel', 'foot-index'] as const).map((end) => {
    const at = performance.times.reduce<{ x: number[]; y: number[] }>((all, _, i) => {
      const p = pointAt(performance, `${side}-${end}`, i, 0);
      all.x.push(p ? p.x * per : NaN);
      all.y.push(p ? (p.y - ground) * per : NaN);
      return all;
    }, { x: [], y: [] });
    const [vx, vy] = [at.x, at.y].map((values) => rateOfChange(Float64Array.from(values), performance.interval, false)) as [Float64Array, Float64Array];
    return { y: Float64Array.from(at.y), v: vx.map((v, i) => Math.hypot(v, vy[i]!)) };
  });
  const [heel, toe] = ends as [(typeof ends)[number], (typeof ends)[number]];
  const lower = (i: number): (typeof ends)[number] => (heel.y[i]! <= toe.y[i]! || Number.isNaN(toe.y[i]!) ? heel : toe);
  return { height: performance.times.map((_, i) => lower(i).y[i]!), speed: performance.times.map((_, i) => Math.min(Number.isNaN(heel.v[i]!) ? Infinity : heel.v[i]!, Number.isNaN(toe.v[i]!) ? Infinity : toe.v[i]!)) };
}

/** Runs of frames in which a foot stands. */
export function contactsOf(performance: Performance, side: Foot): readonly FrameSpan[] {
  const { height, speed } = footCurves(performance, side);
  const standing = performance.times.map((_, i) => Number(height[i]! < CONTACT.height && speed[i]! < CONTACT.speed));
  const shortest = Math.max(2, Math.round(SHORTEST_CONTACT / performance.interval));
  const runs: { first: number; last: number }[] = [];
  let start = -1;
  for (let i = 0; i <= standing.length; i++) {
    if (i < standing.length && standing[i] === 1) start = start < 0 ? i : start;
    else if (start >= 0) {
      const before = runs.at(-1);
      // A frame or two of doubt do not end a contact.
      if (before && start - before.last <= shortest) before.last = i - 1;
      else runs.push({ first: start, last: i - 1 });
      start = -1;
    }
  }
  return runs.filter((run) => run.last - run.first + 1 >= shortest);
}

/** Where a contact begins or ends: the foot's lowest point is within a hair of where it rests. */
function edgeOf(performance: Performance, side: Foot, run: FrameSpan, edge: 'touch-down' | 'lift-off'): number {
  const { height } = footCurves(performance, side);
  // A long stand drifts: what counts is where the foot lies just after it comes, or just before it goes.
  const near = Math.round(AROUND_EDGE / performance.interval);
  const [from, to] = edge === 'touch-down' ? [run.first, Math.min(run.last, run.first + near)] : [Math.max(run.first, run.last - near), run.last];
  const around = Array.from(height.slice(from, to + 1)).filter((v) => !Number.isNaN(v)).sort((a, b) => a - b);
  const level = around[around.length >> 1]!;
  const settled = (i: number): boolean => height[i]! - level < SETTLED;
  const [rest, step] = edge === 'touch-down' ? [run.first, 1] : [run.last, -1];
  let i = rest;
  // The run begins while the foot still sinks, or after a frame of doubt: on to where it rests, then back to where it first did.
  while (i !== (edge === 'touch-down' ? to : from) && !settled(i)) i += step;
  while (i - step >= 0 && i - step < height.length && settled(i - step)) i -= step;
  return i;
}

function contactIn(performance: Performance, rule: Extract<MomentRule, { rule: 'contact' }>, span: FrameSpan): Found | null {
  if (Number.isNaN(performance.bodyHeight)) return null;
  const sides: readonly Foot[] = rule.side === 'either' ? ['dominant', 'opposite'] : [rule.side];
  const all = sides.flatMap((side) => contactsOf(performance, side).map((run) => ({ side, run, frame: edgeOf(performance, side, run, rule.edge) })));
  // A contact that the clip begins or ends in has no edge there.
  const inside = all.filter(({ frame }) => frame >= span.first && frame <= span.last && frame > 0 && frame < performance.times.length - 1).sort((a, b) => a.frame - b.frame);
  const chosen = rule.take === 'first' ? inside[0] : inside.at(-1);
  if (!chosen) return null;
  const { speed } = footCurves(performance, chosen.side);
  const outside = chosen.frame + (rule.edge === 'touch-down' ? -1 : 1) * Math.round(0.03 / performance.interval);
  const sharp = Math.min(1, (speed[outside] ?? 0) / (2 * CONTACT.speed));
  return { frame: chosen.frame, confidence: Math.max(0.3, sharp) * sureness(performance, [`${chosen.side}-heel`, `${chosen.side}-foot-index`], chosen.frame) };
}

function peakSpeedIn(performance: Performance, rule: Extract<MomentRule, { rule: 'peak-speed' }>, span: FrameSpan): Found | null {
  const refs = rule.relativeTo === null ? [rule.point] : [rule.point, rule.relativeTo];
  const places = performance.times.reduce<{ x: number[]; y: number[] }>((all, _, i) => {
    const [p, from] = refs.map((ref) => pointAt(performance, ref, i, 0));
    all.x.push(p && (rule.relativeTo === null || from) ? p.x - (from?.x ?? 0) : NaN);
    all.y.push(p && (rule.relativeTo === null || from) ? p.y - (from?.y ?? 0) : NaN);
    return all;
  }, { x: [], y: [] });
  const [vx, vy] = [places.x, places.y].map((values) => rateOfChange(Float64Array.from(values), performance.interval, false)) as [Float64Array, Float64Array];
  const speed = vx.map((v, i) => Math.hypot(v, vy[i]!));
  const top = largest(speed, span);
  return top && { frame: top.frame, confidence: Math.max(0.2, prominence(speed, top.frame, span)) * sureness(performance, refs, top.frame) };
}

function apply(performance: Performance, rule: MomentRule, span: FrameSpan): Found | null {
  switch (rule.rule) {
    case 'extreme':
      return extremeIn(performance, rule, span);
    case 'crossing':
      return crossingIn(performance, rule, span);
    case 'contact':
      return contactIn(performance, rule, span);
    case 'peak-speed':
      return peakSpeedIn(performance, rule, span);
  }
}

/**
 * Proposes the moments of a movement from the points. A rule that looks before or after another moment waits for that one; a mark
 * that a person set counts as it stands. Moments whose rule finds nothing, or has none, are left out.
 */
export function proposeMoments(movement: Movement, performance: Performance): readonly Proposal[] {
  const known = new Map<string, Found>(Object.entries(performance.marks).map(([id, frame]) => [id, { frame, confidence: 1 }]));
  const proposals: Proposal[] = [];
  const open = movement.moments.filter((m): m is Moment & { rule: MomentRule } => m.rule !== null && !known.has(m.id));
  for (let progress = true; progress; ) {
    progress = false;
    for (const moment of [...open]) {
      const { after, before } = moment.rule;
      if ([after, before].some((id) => id !== null && !known.has(id) && open.some((m) => m.id === id))) continue;
      const [from, to] = [after && known.get(after), before && known.get(before)];
      const span = { first: from ? Math.floor(from.frame) + 1 : 0, last: to ? Math.ceil(to.frame) - 1 : performance.times.length - 1 };
      open.splice(open.indexOf(moment), 1);
      progress = true;
      const found = span.last > span.first ? apply(performance, moment.rule, span) : null;
      if (!found) continue;
      // No proposal is surer than the ones it hangs on.
      const confidence = found.confidence * Math.min(1, from ? from.confidence + 0.3 : 1, to ? to.confidence + 0.3 : 1);
      known.set(moment.id, { ...found, confidence });
      proposals.push({ momentId: moment.id, frame: found.frame, confidence });
    }
  }
  return movement.moments.flatMap((m) => proposals.find((p) => p.momentId === m.id) ?? []);
}
