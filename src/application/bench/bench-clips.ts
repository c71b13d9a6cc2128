import type { Clip, Role } from '../../core/model/clip';
import { partnerOf } from '../../core/model/partner';
import type { Session } from '../../core/model/session';
import type { Movement } from '../../core/model/movement';
import { slotsOf, type Slot, type StyleKey } from '../../core/model/slots';
import { frameAtTime, timeAtFrame } from '../../core/timing/clip-time';
import { syncMap, type SyncMap } from '../../core/timing/sync-map';
import type { Track } from '../../core/tracks/track';
import { eventsOfMarks, namesOf, type KeyEvents } from '../../core/trial/key-events';
import { withPartner } from '../../core/trial/partner-points';
import { prepareTrack, type Trial } from '../../core/trial/trial';

/** Remembers the last result: as long as the inputs are the same objects, every screen shares it. */
export function rememberLast<In extends readonly unknown[], Out>(
  compute: (...inputs: In) => Out,
): (...inputs: In) => Out {
  let last: { readonly inputs: In; readonly out: Out } | null = null;
  return (...inputs) => {
    if (!last || inputs.some((input, i) => input !== last!.inputs[i])) last = { inputs, out: compute(...inputs) };
    return last.out;
  };
}

const NO_TRACK: Track = {};
const NO_MARKS: Session['marks'][string] = {};
const NO_CHECKS: Session['checks'][string] = {};

/** A clip with what is known of it, and its place on the bench. */
export interface BenchClip extends Omit<Slot, 'clip' | 'main'> {
  readonly trial: Trial;
  /** Another camera of this clip's trial leads it; null for the first camera. */
  readonly join: { readonly mainId: string; readonly map: SyncMap } | null;
}

/** The clips that are no further camera, of one role or of all. */
export const mainsOf = (clips: readonly BenchClip[], role?: Role): readonly BenchClip[] =>
  clips.filter((c) => c.join === null && (role === undefined || c.trial.clip.role === role));

/** One memory for each clip, so that a change of one leaves the others alone. */
function forEachClip<F>(make: () => F): (clipId: string) => F {
  const made = new Map<string, F>();
  return (clipId) => {
    if (!made.has(clipId)) made.set(clipId, make());
    return made.get(clipId)!;
  };
}

/**
 * Frame positions, in another camera's clip, of the moments marked in the first camera's; they are as sure as there.
 */
export function eventsThrough(map: SyncMap, main: Trial, times: Float64Array): KeyEvents {
  const marks = Object.fromEntries(
    Object.entries(main.marks).map(([id, frame]) => [
      id,
      Math.min(times.length - 1, Math.max(0, frameAtTime(times, map.map(timeAtFrame(main.times, frame))))),
    ]),
  );
  return { marks, timing: main.timing };
}

type Prepared = ReturnType<typeof prepareTrack>;

function place(
  ready: Prepared,
  marks: Session['marks'][string],
  checks: Session['checks'][string],
  id: string,
  styleKey: StyleKey,
  main: Trial | null,
  names: Readonly<Record<string, string>>,
): BenchClip {
  const map = main && syncMap(main.clip, ready.clip, ready.clip.sync!.pairs);
  return {
    id,
    styleKey,
    trial: { ...ready, ...(map ? eventsThrough(map, main, ready.times) : eventsOfMarks(marks)), names, checks },
    join: map && { mainId: main.clip.id, map },
  };
}

/** Marking a moment does not smooth the points again. */
const prepareOf = forEachClip(() => rememberLast(prepareTrack));
const placeOf = forEachClip(() => rememberLast(place));

const rememberedNames = rememberLast(namesOf);

const partneredOf = forEachClip(() =>
  rememberLast((own: Track, points: Movement['points'], clip: Clip | null, track: Track) =>
    withPartner(own, points, clip && { clip, track }),
  ),
);

export function benchClips(
  session: Session,
  { moments, points }: Pick<Movement, 'moments' | 'points'>,
): readonly BenchClip[] {
  const isOfTwo = points.some(({ partner }) => partner);
  const done = new Map<string, Trial>();
  return slotsOf(session.clips).map(({ clip, id, styleKey, main }) => {
    const partner = isOfTwo ? partnerOf(session.clips, clip) : null;
    const ready = prepareOf(clip.id)(
      clip,
      partneredOf(clip.id)(
        session.tracks[clip.id] ?? NO_TRACK,
        points,
        partner,
        (partner && session.tracks[partner.id]) ?? NO_TRACK,
      ),
      session.cutoff,
      session.spatial[clip.id],
    );
    const placed = placeOf(clip.id)(
      ready,
      session.marks[clip.id] ?? NO_MARKS,
      session.checks[clip.id] ?? NO_CHECKS,
      id,
      styleKey,
      main === clip ? null : done.get(main.id)!,
      rememberedNames(moments),
    );
    done.set(clip.id, placed.trial);
    return placed;
  });
}
