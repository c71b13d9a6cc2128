import type { Matching, Synchrony } from '../../core/timing/synchronise';
import type { Movement } from '../../core/model/movement';
import { eventTimes, namesOf } from '../../core/trial/key-events';
import type { BenchClip } from './bench-clips';

export interface BenchClips {
  readonly movement: Movement;
  /** All clips that may be shown; the first trial leads. */
  readonly clips: readonly Pick<BenchClip, 'trial' | 'join'>[];
}

/** The clips of the bench as they are matched: a snapshot, which what happens on the bench later does not change. */
export const synchronyOf = ({ movement, clips }: BenchClips, { mode, lockEvent, offsets }: Matching): Synchrony => ({
  mode,
  lockEvent,
  offsets,
  order: movement.moments,
  names: namesOf(movement.moments),
  clips: clips.map(({ trial, join }) => ({
    id: trial.clip.id,
    times: trial.times,
    moments: eventTimes(trial),
    camera: join,
  })),
});

export const NO_CLIPS: Synchrony = { clips: [], order: [], mode: 'free', lockEvent: null, offsets: {} };
