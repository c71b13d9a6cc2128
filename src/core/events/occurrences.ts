import { unwrap, wrapAngle } from '../geometry/angle';
import { rateOfChange } from '../signal/derivative';
import type { FrameSpan } from '../signal/peaks';
import type { Quantity } from '../model/movement';
import type { Performance } from '../performance/performance';
import { placesOf } from '../performance/places';
import { dimensionOf, groundOf, quantityCurve } from '../quantities';
import { toSi } from '../units';

/** Every time that something happens in a clip. */

/** Foot on the ground: this near to it, and slower than this (standing heights, and heights a second). */
export const CONTACT = { height: 0.03, speed: 0.9 };
/** A foot that touches the ground is this near to where it rests; one that pushes off leaves it slowly, and is gone sooner (standing heights). */
const SETTLED = { 'touch-down': 0.004, 'lift-off': 0.003 } as const;
/** Between these heights a foot comes down, or goes up, in a straight line (standing heights), faster than this (heights a second). */
const APPROACH = { low: 0.01, high: 0.03, least: 0.4 };
/** A foot's level is taken over this much of its contact, seconds. */
const AROUND_EDGE = 0.1;
/** A rest shorter than this is no contact, seconds. */
const SHORTEST_CONTACT = 0.035;

export type Foot = 'dominant' | 'opposite';

/** Height above the ground of a foot's lowest point, and the speed of its slower end, standing heights (a second). */
export function footCurves(performance: Performance, side: Foot): { height: Float64Array; speed: Float64Array } {
  const ground = groundOf(performance);
  const per = 1 / performance.bodyHeight;
  const ends = (['heel', 'foot-index'] as const).map((end) => {
    const places = placesOf(performance, `${side}-${end}`, 0);
    const at = { x: places.x.map((x) => x * per), y: places.y.map((y) => (y - ground) * per) };
    const [vx, vy] = [at.x, at.y].map((values) => rateOfChange(performance.times, values)) as [Float64Array, Float64Array];
    return { y: at.y, v: vx.map((v, i) => Math.hypot(v, vy[i]!)) };
  });
  const [heel, toe] = ends as [(typeof ends)[number], (typeof ends)[number]];
  const lower = (i: number): (typeof ends)[number] => (heel.y[i]! <= toe.y[i]! || Number.isNaN(toe.y[i]!) ? heel : toe);
  return { height: performance.times.map((_, i) => lower(i).y[i]!), speed: performance.times.map((_, i) => Math.min(Number.isNaN(heel.v[i]!) ? Infinity : heel.v[i]!, Number.isNaN(toe.v[i]!) ? Infinity : toe.v[i]!)) };
}

/** Runs of frames in which a foot stands. */
export function contactsOf(performance: Performance, side: Foot, { height, speed } = footCurves(performance, side)): readonly FrameSpan[] {
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
function edgeOf(performance: Performance, height: Float64Array, run: FrameSpan, edge: 'touch-down' | 'lift-off'): number {
  // A long stand drifts: what counts is where the foot lies just after it comes, or just before it goes.
  const near = Math.round(AROUND_EDGE / performance.interval);
  const [from, to] = edge === 'touch-down' ? [run.first, Math.min(run.last, run.first + near)] : [Math.max(run.first, run.last - near), run.last];
  const around = Array.from(height.slice(from, to + 1)).filter((v) => !Number.isNaN(v)).sort((a, b) => a - b);
  const level = around[around.length >> 1]!;
  const settled = (i: number): boolean => height[i]! - level < SETTLED[edge];
  const [rest, step] = edge === 'touch-down' ? [run.first, 1] : [run.last, -1];
  let i = rest;
  // The run begins while the foot still sinks, or after a frame of doubt: on to where it rests, then back to where it first did.
  while (i !== (edge === 'touch-down' ? to : from) && !settled(i)) i += step;
  while (i - step >= 0 && i - step < height.length && settled(i - step)) i -= step;
  // Smoothing rounds the corner: the straight way down (or up) outside is carried on to where the foot rests.
  const outside = (above: number): number => {
    let k = i;
    while (k - step >= 0 && k - step < height.length && height[k]! - level < above) k -= step;
    return k;
  };
  const [low, high] = [outside(APPROACH.low), outside(APPROACH.high)];
  const fall = Math.abs(height[high]! - height[low]!) / Math.abs(high - low);
  if (low === high || !(fall > APPROACH.least * performance.interval)) return i;
  const reached = low + step * ((height[low]! - level) / fall);
  return step * (reached - low) > 0 && step * (i - reached) > 0 ? reached : i;
}

/** Every touch-down or lift-off in the clip, in time order; a contact that the clip begins or ends in has no edge there. */
export function contactEdges(performance: Performance, which: Foot | 'either', edge: 'touch-down' | 'lift-off'): readonly { readonly side: Foot; readonly frame: number }[] {
  const sides: readonly Foot[] = which === 'either' ? ['dominant', 'opposite'] : [which];
  return sides
    .flatMap((side) => {
      const curves = footCurves(performance, side);
      return contactsOf(performance, side, curves).map((run) => ({ side, frame: edgeOf(performance, curves.height, run, edge) }));
    })
    .filter(({ frame }) => frame > 0 && frame < performance.times.length - 1)
    .sort((a, b) => a.frame - b.frame);
}

/** A quantity minus a level, SI; angles without jumps of whole turns. */
export function awayFrom(performance: Performance, of: Quantity, level: number): Float64Array {
  const angle = dimensionOf(of) === 'angle';
  const at = toSi(level, angle ? 'deg' : '%');
  const curve = quantityCurve(performance, of, '%BH');
  return angle ? unwrap(curve.map((v) => wrapAngle(v - at))) : curve.map((v) => v - at);
}

/** Frame positions at which a quantity passes a level (display unit) in a span; whole turns do not matter for an angle. */
export function crossingsOf(performance: Performance, of: Quantity, level: number, direction: 'rising' | 'falling', span: FrameSpan, away = awayFrom(performance, of, level)): readonly number[] {
  const angle = dimensionOf(of) === 'angle';
  const sign = direction === 'rising' ? 1 : -1;
  const found: number[] = [];
  for (let i = span.first + 1; i <= span.last; i++) {
    const [a, b] = [sign * away[i - 1]!, sign * away[i]!];
    if (Number.isNaN(a + b)) continue;
    const turns = angle ? Math.ceil(a / (2 * Math.PI)) * 2 * Math.PI : 0;
    if (a - turns < 0 && b - turns >= 0) found.push(i - 1 + (turns - a) / (b - a));
  }
  return found;
}
