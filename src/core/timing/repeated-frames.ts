import type { Repeats } from '../model/clip';
import { medianOf } from '../signal/median';
import { TEXT } from '../../text/core/timing';

/** Longest cycle in which frames are repeated: a conversion of one usual rate to another has no longer one. */
const LONGEST_CYCLE = 6;
/** Frames before and after a frame by which it is told how much moves there. */
const AROUND = 6;
/** Where the picture's liveliest part changes by less than this, nothing tells a repeat from rest (of 255). */
const LEAST_CHANGE = 6;
/** Where mixtures leave less than this of every picture, little moves from one to the next: nothing tells a blend. */
const LEAST_LEFT = 0.25;
/** A repeat changes by less than this share of what moves there, where nothing else speaks for it. */
const REPEATED = 0.25;
/**
 * Places of a cycle repeat whose changes are below the one share of the liveliest place's, and the others above the
 * other: a coarse coder changes a picture that it shows again by up to a third of what moves.
 */
const AGAIN_BELOW = 0.45;
const NEW_ABOVE = 0.55;
/** Fewer frames say nothing, in all and at each place of a cycle. */
const LEAST_FRAMES = 16;
const LEAST_AT_PLACE = 3;
/** So many of a row's frames that repeat change by less than the new ones beside them; fewer frames say nothing. */
const BELOW_NEIGHBOURS = 0.8;
const LEAST_IN_ROW = 2;
/** So many of the frames of a row repeat the one before where repeats come unevenly. */
const UNEVEN = 0.25;

/** What the changes from frame to frame tell. */
export interface SeenRepeats {
  /** Frames repeat in a cycle; null where they do not, or nothing tells. */
  readonly cycle: Repeats | null;
  /** Frames repeat, but in no cycle: slow motion within a clip, or frames that were lost. */
  readonly uneven: boolean;
}

const NOTHING: SeenRepeats = { cycle: null, uneven: false };

type Changes = ReadonlyMap<number, number>;

/** What moves round a frame: the second largest change near it, since one flash, or one cut, is no movement. */
function levelAt(changes: Changes, frame: number): number {
  const near = Array.from({ length: 2 * AROUND + 1 }, (_, k) => changes.get(frame + k - AROUND) ?? 0);
  return near.sort((a, b) => b - a)[1] ?? 0;
}

/** Which places of a cycle repeat, by what is usual there; null where they are not of two kinds. */
function placesOf(live: Changes, cycle: number): Repeats | null {
  const byPlace = Array.from({ length: cycle }, (_, place) =>
    [...live].flatMap(([frame, change]) => (frame % cycle === place ? [change] : [])),
  );
  if (byPlace.some((own) => own.length < LEAST_AT_PLACE)) return null;
  const usual = byPlace.map(medianOf);
  const most = Math.max(...usual);
  const again = [...usual.keys()].filter((place) => usual[place]! < AGAIN_BELOW * most);
  const isMixed = usual.some((change) => change >= AGAIN_BELOW * most && change <= NEW_ABOVE * most);
  return again.length === 0 || isMixed ? null : { cycle, again, blended: false };
}

/** Whether the frames of a row that repeat by a cycle change by less than the new ones beside them; null of too few. */
function holdsIn(row: Changes, repeats: Repeats): boolean | null {
  const fresh = (frame: number, step: 1 | -1): number | undefined => {
    let k = frame + step;
    while (isRepeat(repeats, k)) k += step;
    return row.get(k);
  };
  const below = [...row].flatMap(([frame, change]) => {
    if (!isRepeat(repeats, frame)) return [];
    const beside = [fresh(frame, -1), fresh(frame, 1)].filter((c) => c !== undefined);
    return beside.length === 0 ? [] : [change < Math.max(...beside)];
  });
  return below.length < LEAST_IN_ROW ? null : below.filter(Boolean).length >= BELOW_NEIGHBOURS * below.length;
}

/** Stretches of frames in a row. */
function rowsOf(changes: Changes): readonly Changes[] {
  const rows: Map<number, number>[] = [];
  for (const [frame, change] of [...changes].sort(([a], [b]) => a - b)) {
    if (!rows.at(-1)?.has(frame - 1)) rows.push(new Map());
    rows.at(-1)!.set(frame, change);
  }
  return rows;
}

/**
 * Tells frames that show the picture before them again, as files do that were converted from a lower rate.
 * @param changes by frame, how much the liveliest part of its picture differs from the one before (mean over a small
 *   block, 0 to 255); stretches of frames in a row
 */
export const repeatsIn = (changes: Changes): SeenRepeats => stoodOut(changes, LEAST_CHANGE);

/**
 * Tells frames that blend the pictures before and after them, as editing programs make them between two that were
 * filmed: slow motion, or a file of a higher rate.
 * @param left by frame, what a mixture of the two leaves unexplained of it (`leftByMixture`)
 */
export function blendsIn(left: Changes): SeenRepeats {
  const { cycle, uneven } = stoodOut(left, LEAST_LEFT);
  // Unless one of a cycle was filmed and all between it and the next are blends, those that were filmed are none.
  const isWhole = cycle !== null && cycle.again.length === cycle.cycle - 1;
  return isWhole ? { cycle: { ...cycle, blended: true }, uneven } : { cycle: null, uneven: uneven || cycle !== null };
}

/** Frames whose value is far below that of the others near them, in a cycle or not. */
function stoodOut(changes: Changes, least: number): SeenRepeats {
  const live = new Map([...changes].filter(([frame]) => levelAt(changes, frame) >= least));
  if (live.size < LEAST_FRAMES) return NOTHING;
  for (let cycle = 2; cycle <= LONGEST_CYCLE; cycle++) {
    const repeats = placesOf(live, cycle);
    if (!repeats) continue;
    const held = rowsOf(live).map((row) => holdsIn(row, repeats));
    if (!held.includes(true)) continue;
    // A cycle that holds in one row and not in another slips between them: which frames repeat is not known there.
    return held.includes(false) ? { cycle: null, uneven: true } : { cycle: repeats, uneven: false };
  }
  const again = new Map([...live].map(([frame, change]) => [frame, change < REPEATED * levelAt(changes, frame)]));
  const isNewNear = (frame: number, step: 1 | -1): boolean =>
    [1, 2, 3].some((k) => again.get(frame + step * k) === false);
  const isLone = (frame: number): boolean => again.get(frame) === true && isNewNear(frame, 1) && isNewNear(frame, -1);
  const uneven = rowsOf(live).some((row) => {
    const lone = [...row.keys()].filter(isLone).length;
    return lone >= LEAST_AT_PLACE && lone >= UNEVEN * row.size;
  });
  return { cycle: null, uneven };
}

/** Whether a frame of the file, counted from the clip's first, was not filmed: a picture again, or a blend. */
export const isRepeat = ({ cycle, again }: Repeats, frame: number): boolean => again.includes(frame % cycle);

/**
 * Times of pictures that are taken once: they were filmed evenly, while the file shows some of them longer.
 * @param fileTimes times of the frames that remain, microseconds from the first
 * @param usual usual time from one frame of the file to the next, microseconds
 */
export function evenTimes(fileTimes: Float64Array, { cycle, again }: Repeats, usual: number): Float64Array {
  const step = (usual * cycle) / (cycle - again.length);
  // No frame lies farther from its even place than the cycle makes it: where one does, the file has holes.
  const even = fileTimes.map((_, i) => Math.round(i * step));
  return even.every((t, i) => Math.abs(t - fileTimes[i]!) < cycle * usual) ? even : fileTimes;
}

const count = (n: number): string => ['no', 'one', 'two', 'three', 'four', 'five', 'six'][n] ?? String(n);

/** What it means that frames repeat in no cycle. */
export const UNEVEN_REPEATS = TEXT.someFramesShowPictureBefore;

/** `Of every two frames of the file one shows the picture before it again`, or `is a blend of` those beside it. */
export function repeatsText({ cycle, again, blended }: Repeats): string {
  const [all, some] = [count(cycle), count(again.length)];
  if (blended) return again.length === 1 ? TEXT.ofEveryFramesOneBlended(all) : TEXT.ofEveryFramesBlended(all, some);
  return TEXT.ofEveryFramesOfFile(all, some, again.length === 1 ? 'shows' : 'show');
}
