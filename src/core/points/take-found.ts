import { withoutImpossible } from './plausible';
import { repairSideSwaps } from './side-swaps';
import { mergeFound, type FoundPoints, type Track } from './track';

/** Takes what a finder saw into a track: what no body can do is left out, limbs that changed places are put back; points of other origins stay. */
export const takeFound = (track: Track, frames: number, found: ReadonlyMap<number, FoundPoints>): Track => repairSideSwaps(withoutImpossible(mergeFound(track, frames, found)).track).track;
