import type { PointId } from '../anatomy/body-points';
import type { ViewKind } from '../model/clip';
import type { SpatialTrack } from './marker-map';
import type { Track } from './track';
import { TEXT } from '../../text/core/tracks';

/** Fewer frames tell nothing of how a file is meant. */
const LEAST_FRAMES = 5;
/** A body whose legs and trunk lie this much more along the picture than up it lies down, or its axes are exchanged. */
const LYING = 2;

type Axis = 'x' | 'y' | 'z';
type Points = Partial<Record<PointId, Partial<Record<Axis, Float64Array>>>>;

/** The middle of left and right on each frame; NaN where either was not seen. */
function middle(points: Points, part: 'hip' | 'shoulder' | 'ankle', axis: Axis): Float64Array | null {
  const [left, right] = [points[`left-${part}`]?.[axis], points[`right-${part}`]?.[axis]];
  return left && right ? left.map((v, i) => (v + right[i]!) / 2) : null;
}

/** The median of what is known on enough frames; null of fewer. */
function usual(values: Iterable<number>): number | null {
  const known = Array.from(values)
    .filter((v) => !Number.isNaN(v))
    .sort((a, b) => a - b);
  return known.length < LEAST_FRAMES ? null : known[known.length >> 1]!;
}

function usualDifference(a: Float64Array | null, b: Float64Array | null, size: (v: number) => number): number | null {
  return a && b ? usual(a.map((v, i) => size(v - b[i]!))) : null;
}

/** How a body stands whose y grows downward: words where it lies or stands on its head on most frames. */
function posture(points: Points, down: 1 | -1): string | null {
  const parts = [
    ['shoulder', 'hip'],
    ['hip', 'ankle'],
  ] as const;
  const along = parts.map(([upper, lower]) =>
    usualDifference(middle(points, upper, 'x'), middle(points, lower, 'x'), Math.abs),
  );
  const above = parts.map(([upper, lower]) =>
    usualDifference(middle(points, upper, 'y'), middle(points, lower, 'y'), (v) => -down * v),
  );
  if (along.some((v) => v === null) || above.some((v) => v === null)) return null;
  if (above.every((v, i) => v! < 0 && -v! > along[i]!)) return TEXT.itsPerformerStandsOnHead;
  if (along.every((v, i) => v! > LYING * Math.abs(above[i]!))) return TEXT.itsPerformerLiesOnMost;
  return null;
}

/**
 * Whether left and right of a body in space are exchanged: its right hip lies to the left of where its feet point. With
 * y up and facing f, right is f × up (right-handed axes).
 */
function exchanged(points: SpatialTrack): string | null {
  const [lh, rh] = [points['left-hip'], points['right-hip']];
  if (!lh || !rh) return null;
  const toTheRight = (['left', 'right'] as const).flatMap((side) => {
    const [heel, toe] = [points[`${side}-heel`] ?? points[`${side}-ankle`], points[`${side}-foot-index`]];
    if (!heel || !toe) return [];
    return Array.from(toe.x, (x, i) => {
      const [fx, fz] = [x - heel.x[i]!, toe.z[i]! - heel.z[i]!];
      const [hx, hz] = [rh.x[i]! - lh.x[i]!, rh.z[i]! - lh.z[i]!];
      return (-fz * hx + fx * hz) / (Math.hypot(fx, fz) * Math.hypot(hx, hz));
    });
  });
  const sine = usual(toTheRight);
  return sine !== null && sine < -SURELY ? TEXT.rightHipLiesOnLeft : null;
}
/** Feet turned out and hips that rotate leave more than this, sine of an angle. */
const SURELY = 0.5;

/**
 * The same of a picture from the front or from behind: from the front the performer's left is on the picture's right.
 * From the side no picture tells.
 */
function exchangedInPicture(track: Track, view: ViewKind | null): string | null {
  if (view !== 'front' && view !== 'back') return null;
  const widths = (['shoulder', 'hip'] as const).map((part) => {
    const [left, right] = [track[`left-${part}`], track[`right-${part}`]];
    return left && right ? usual(left.x.map((x, i) => x - right.x[i]!)) : null;
  });
  const wrong = view === 'front' ? -1 : 1;
  if (widths.some((width) => width === null || Math.sign(width) !== wrong)) return null;
  const other = view === 'front' ? TEXT.fromBehind : TEXT.fromFront;
  return TEXT.leftAndRightLie(other);
}

/**
 * What of a file's points looks as if the file meant something else, each the rest of a sentence. Nothing is changed:
 * a swimmer lies, a gymnast stands on the hands.
 * @param view from where a picture is said to be taken; null where nobody has said it
 */
export function oddities(track: Track, spatial: SpatialTrack | null, view: ViewKind | null = null): readonly string[] {
  const found = spatial
    ? [posture(spatial, -1), exchanged(spatial)]
    : [posture(track, 1), exchangedInPicture(track, view)];
  return found.filter((odd) => odd !== null);
}

/** Two trials of one movement do not take times so different. */
const SLOWED = 2.5;

/**
 * How many times as long one trial takes as the other between the key events that both have; null where that is no more
 * than people differ.
 * @param a @param b times of key events, seconds
 */
export function slowedBy(a: Readonly<Record<string, number>>, b: Readonly<Record<string, number>>): number | null {
  const both = Object.keys(a).filter((id) => b[id] !== undefined);
  const span = (times: Readonly<Record<string, number>>): number => {
    const all = both.map((id) => times[id]!);
    return Math.max(...all) - Math.min(...all);
  };
  if (both.length < 2 || !(span(a) > 0) || !(span(b) > 0)) return null;
  const ratio = span(a) / span(b);
  return ratio > SLOWED || ratio < 1 / SLOWED ? ratio : null;
}
