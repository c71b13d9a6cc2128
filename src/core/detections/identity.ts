import type { DetectedPoints } from '../tracks/track';
import { overlapOf, type Bounds } from '../geometry/bounds';
import type { Vec2 } from '../geometry/vec2';
import { colourDistance } from './clothes';

/**
 * Somebody seen in a frame: the middle and the longer extent of the detected points, pixels, and the colours of the
 * clothes.
 */
export interface Seen extends Vec2 {
  readonly size: number;
  readonly colours: Float64Array | null;
  /** Round all points: a drawn box tells by them who is meant. */
  readonly bounds: Bounds;
}

/** Somebody who is known from the frames before. */
interface Known extends Omit<Seen, 'bounds'> {
  /** Pixels a frame. */
  readonly velocity: Vec2;
  /** Frames since this one was seen. */
  readonly unseen: number;
  /** Usual distance between where this one was expected and where they were, pixels. */
  readonly surprise: number;
  /** Frames in which this one was seen. */
  readonly seenFor: number;
}

/** The one who is followed, and those who were near. */
export interface People {
  readonly chosen: Known;
  readonly others: readonly Known[];
  /** The box that somebody drew, until the chosen one is seen in it. */
  readonly box: Bounds | null;
}

export interface Recognised {
  readonly people: People;
  /** Which of those seen is the chosen one; null where it is none of them. */
  readonly chosen: number | null;
  /** Whether nobody else could as well be the one, nor stands before or behind them. */
  readonly sure: boolean;
}

/**
 * What is left of the confidence of all points of a frame where somebody else could as well be the chosen one. With
 * less, two detections that agree would be taken for ones that contradict each other (`fuse-detections`), and would say
 * nothing of left and right; what is left to doubt comes after both (`track-from-detections`).
 */
export const NOT_SURE_WHO = 0.5;

/** Whether it was not sure who was seen: no point of a frame is surer than that leaves. */
export const isUnsureWho = (seen: readonly DetectedPoints[]): boolean =>
  seen.every((points) => Object.values(points).every(({ confidence }) => confidence <= Math.fround(NOT_SURE_WHO)));

/** So many usual surprises speak against a person as much as clothes of other colours do ... */
const SURPRISES = 4;
/** ... but no less than this share of the person's extent; the usual surprise of somebody new. */
const LEAST_STEP = 0.05;
const NEW_SURPRISE = 0.055;
/** Each frame unseen, so much more of it is allowed, up to so many frames. */
const DRIFT = 0.06;
const MOST_DRIFT = 10;
/** A ratio of sizes that speaks as much against it, logarithm. */
const SIZE = Math.log(1.6);
/** A distance of colours that does (Bhattacharyya, 0 alike to 1 nothing in common). */
const COLOURS = 0.55;
/** Nobody costs more and is still the same person. */
const STRANGER = 2;
/** Frames after which somebody is well known. */
const FAMILIAR = 6;
/** By how much more another sharing out must cost for this one to be sure. */
const CLEAR = 0.5;
/** Nearer than this share of the person's extent one covers the other, and points of both are mixed up. */
const COVERS = 0.3;
/**
 * How much of a surprise goes into the position, the velocity and the colours (alpha-beta filter; from the trial
 * clips).
 */
const GAIN = {
  clear: { place: 0.7, velocity: 0.25 },
  again: { place: 1, velocity: 0.25 },
  mixed: { place: 0.3, velocity: 0.03 },
  surprise: 0.15,
  colours: 0.1,
} as const;
/** A box drawn by hand is as near as somebody who was not seen for so many frames. */
const ROUGH = 6;
/** What is left of a velocity a frame later where nobody sees that it goes on. */
const SLOWING = 0.95;
/** Others are forgotten after so many frames unseen, and where there are more of them. */
const FORGOTTEN = 45;
const MOST_OTHERS = 4;

/** The people there are when somebody is chosen by a box. */
export function beginIdentity(box: Bounds): People {
  const size = Math.max(box.width, box.height);
  return {
    chosen: {
      x: box.x + box.width / 2,
      y: box.y + box.height / 2,
      size,
      colours: null,
      velocity: { x: 0, y: 0 },
      unseen: ROUGH,
      surprise: NEW_SURPRISE * size,
      seenFor: 0,
    },
    others: [],
    box,
  };
}

/**
 * Who overlaps a drawn box by less of both is somebody else; the second where it was drawn far too large and nobody
 * fits better.
 */
const IN_BOX = 0.4;
const IN_LARGE_BOX = 0.15;
/** Two who fill it nearly alike could each be meant: the second's share of the first's. */
const AS_WELL = 0.75;
/** So many frames after the box was drawn it still tells who is meant. */
const BOX_HOLDS = 6;

/** Who is meant by a drawn box: the middle of a trunk is seldom that of a box round legs and arms that reach out. */
function recogniseInBox({ chosen, others }: People, box: Bounds, seen: readonly Seen[]): Recognised {
  const filled = seen.map(({ bounds }) => overlapOf(box, bounds));
  const ranked = [...filled.keys()].sort((a, b) => filled[b]! - filled[a]!);
  const [best, next] = ranked;
  const holds = chosen.unseen + 1 < ROUGH + BOX_HOLDS;
  const isThere = best !== undefined && filled[best]! >= (holds ? IN_BOX : IN_LARGE_BOX);
  return {
    people: {
      // Where the box's middle lies says nothing of how somebody moves.
      chosen: isThere ? stranger(seen[best]!) : updated(chosen, null, true),
      others: [...others, ...seen.filter((_, k) => !isThere || k !== best).map(stranger)].slice(-MOST_OTHERS),
      box: holds && !isThere ? box : null,
    },
    chosen: isThere ? best : null,
    sure: isThere && (next === undefined || filled[next]! < AS_WELL * filled[best]!),
  };
}

const expected = ({ x, y, velocity }: Known): Vec2 => ({ x: x + velocity.x, y: y + velocity.y });

/** How much speaks against somebody seen being somebody known. */
function against(known: Known, seen: Seen): number {
  const at = expected(known);
  const reach =
    Math.max(LEAST_STEP * known.size, SURPRISES * known.surprise) +
    DRIFT * Math.min(known.unseen, MOST_DRIFT) * known.size;
  const colours = known.colours && seen.colours ? colourDistance(known.colours, seen.colours) / COLOURS : 0;
  return (
    (Math.hypot(seen.x - at.x, seen.y - at.y) / reach) ** 2 +
    (Math.log(seen.size / known.size) / SIZE) ** 2 +
    colours ** 2
  );
}

/**
 * What it costs not to see somebody: one of the others who is hardly known does not hold the place of somebody who was
 * only lost.
 */
const absent = (known: Known, isChosen: boolean): number =>
  STRANGER * (isChosen ? 1 : Math.min(1, known.seenFor / FAMILIAR));

/** Every way to share out those seen among those known: for each known one an index or null, with its cost. */
function sharings(
  costs: readonly (readonly number[])[],
  without: readonly number[],
  taken: readonly number[] = [],
): { readonly who: (number | null)[]; readonly cost: number }[] {
  if (costs.length === 0) return [{ who: [], cost: 0 }];
  const [own, ...rest] = costs;
  const [missing, ...later] = without;
  const choices = [null, ...own!.keys()].filter((s) => s === null || (!taken.includes(s) && own![s]! < STRANGER));
  return choices.flatMap((s) =>
    sharings(rest, later, s === null ? taken : [...taken, s]).map(({ who, cost }) => ({
      who: [s, ...who],
      cost: cost + (s === null ? missing! : own![s]!),
    })),
  );
}

const mix = (a: Float64Array | null, b: Float64Array | null, share: number): Float64Array | null =>
  a && b ? a.map((v, i) => v + share * (b[i]! - v)) : (a ?? b);

function updated(known: Known, seen: Seen | null, apart: boolean): Known {
  const at = expected(known);
  if (!seen) {
    return {
      ...known,
      ...at,
      velocity: { x: SLOWING * known.velocity.x, y: SLOWING * known.velocity.y },
      unseen: known.unseen + 1,
    };
  }
  const [dx, dy] = [seen.x - at.x, seen.y - at.y];
  // Who was unseen for a while may have turned meanwhile: the surprise is shared out over the time, and the next ones
  // may be large.
  const frames = known.unseen + 1;
  // Behind or before somebody, where the points of both are mixed up, where they were going says more than what is
  // seen.
  const { place, velocity } = !apart ? GAIN.mixed : known.unseen > 0 ? GAIN.again : GAIN.clear;
  const again = NEW_SURPRISE * known.size * Math.min(1, known.unseen / ROUGH);
  return {
    x: at.x + place * dx,
    y: at.y + place * dy,
    size: known.size + place * (seen.size - known.size),
    velocity: { x: known.velocity.x + (velocity * dx) / frames, y: known.velocity.y + (velocity * dy) / frames },
    colours: apart ? mix(known.colours, seen.colours, GAIN.colours) : known.colours,
    unseen: 0,
    surprise: Math.max(again, known.surprise + GAIN.surprise * (Math.hypot(dx, dy) / frames - known.surprise)),
    seenFor: known.seenFor + 1,
  };
}

/** Somebody who was not there in the frame before. */
const stranger = (seen: Seen): Known => ({
  ...seen,
  velocity: { x: 0, y: 0 },
  unseen: 0,
  surprise: NEW_SURPRISE * seen.size,
  seenFor: 1,
});

/**
 * Tells the chosen person among those seen in the next frame, by where each was going, how large and how dressed they
 * are: all who are known are shared out among all who are seen at the least cost, so that somebody who crosses is taken
 * for themselves and not for the chosen one.
 */
export function recognise(people: People, seen: readonly Seen[]): Recognised {
  if (people.box) return recogniseInBox(people, people.box, seen);
  const known = [people.chosen, ...people.others];
  const ways = sharings(
    known.map((k) => seen.map((s) => against(k, s))),
    known.map((k, i) => absent(k, i === 0)),
  ).sort((a, b) => a.cost - b.cost);
  const best = ways[0]!;
  const [chosen] = best.who;
  const next = ways.find((way) => way.who[0] !== chosen && way.who[0] !== null);
  const apart = people.others.every(
    (other) =>
      Math.hypot(expected(other).x - expected(people.chosen).x, expected(other).y - expected(people.chosen).y) >
      COVERS * people.chosen.size,
  );
  const sure = chosen !== null && apart && (!next || next.cost - best.cost >= CLEAR);
  const [first, ...others] = known.map((k, i) => updated(k, best.who[i] === null ? null : seen[best.who[i]!]!, apart));
  const strangers = seen.filter((_, s) => !best.who.includes(s)).map(stranger);
  return {
    people: {
      chosen: first!,
      others: [...others.filter((k) => k.unseen < FORGOTTEN), ...strangers].slice(-MOST_OTHERS),
      box: null,
    },
    chosen: chosen ?? null,
    sure,
  };
}
