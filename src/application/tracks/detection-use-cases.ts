import { follow, followAgain, followOn, type Following } from '../../core/detections/following';
import { framePlan, type KnownSoFar } from '../../core/detections/frame-plan';
import type { Detections } from '../../core/detections/fuse-detections';
import { unseenText } from '../../core/detections/hard-pictures';
import {
  deriveTrack,
  packDetections,
  RULES,
  unpackDetections,
  type DetectionRun,
} from '../../core/detections/kept-detections';
import { proposeTrial, repeatedEvents } from '../../core/events/repetitions';
import type { Clip } from '../../core/model/clip';
import type { DetectorSetting, KeptDetections, PersonBox } from '../../core/model/kept-detections';
import type { Session } from '../../core/model/session';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { realTimes } from '../../core/timing/clip-time';
import type { Track } from '../../core/tracks/track';
import { prepareTrial } from '../../core/trial/trial';
import { detectPoints, type FindIssue } from '../../media/detect-points';
import { observeCameraBeside } from '../clips/camera-motion-use-cases';
import { baseOf } from '../analysis/derived';
import { edit, inSameStep, useDocument } from '../stores/document-store';
import { startJob } from '../stores/jobs';
import { notify } from '../stores/notices';
import { asMarks } from '../events/proposals';
import { videoOf } from '../files/stored-clips';
import { TEXT } from '../../text/application/tracks';

/** What detecting came to. */
export interface Detected {
  /** Frames on which somebody was seen. */
  readonly seen: number;
  /** Frames that were looked at; the others are interpolated. */
  readonly detected: number;
  /** The last pass was not done: what was there stands. */
  readonly stopped: boolean;
  /** What to know of points that the detectors have not seen, though each says so; empty where there are none. */
  readonly unseen: string;
}

type DetectionIssue = FindIssue | Issue<'no-media'>;
type Marks = Session['marks'][string];
type Kept = Session['detections'][string];

function putDerived(clipId: string, track: Track, kept: KeptDetections): void {
  edit((draft) => {
    draft.tracks[clipId] = track as never;
    draft.detections[clipId] = kept as never;
  });
}

/** Whether the points of a clip were derived from its detections by rules that are no longer today's. */
export const hasEarlierRules = (session: Session, clip: Clip): boolean =>
  (session.detections[clip.id]?.rules ?? RULES) !== RULES;

/**
 * Derives the points of a clip from its detections by today's rules, without looking at its video; what was placed and
 * changed by hand stays. One undoable step.
 */
export function deriveAgain(clip: Clip): void {
  const { session } = useDocument.getState();
  const before = session?.detections[clip.id];
  if (!session || !before) return;
  const { track, kept } = deriveTrack(session.tracks[clip.id] ?? {}, realTimes(clip), before, before);
  putDerived(clip.id, track, kept);
}

const GONE = TEXT.detectingPointsHasEndedIts;

/** What was detected of a clip in a run that was stopped, and that can go on; undefined where there is none. */
export function stoppedRun(session: Session, clip: Clip): Kept | undefined {
  const kept = session.detections[clip.id];
  return kept && !kept.complete ? kept : undefined;
}

/**
 * What comes out of the detectors, pass after pass, as one undoable step of the session: the detections, the points
 * that they make, and where nobody has marked a key event, its proposals. What is edited meanwhile stays; taking the
 * step back ends it.
 */
class Arriving {
  /** What the points in the session were derived from; undefined where what was detected before is to go. */
  private kept: Kept | undefined;
  private before: Track | undefined;
  private proposed: Marks | null = null;
  private readonly goesOn: boolean;
  private hasArrived = false;
  /** Why nothing can be put into the session any more, in words; null while it can. */
  ended: string | null = null;

  constructor(
    private readonly clip: Clip,
    private readonly run: DetectionRun,
    private readonly times: Float64Array,
    goesOnFrom: Kept | undefined,
  ) {
    this.kept = goesOnFrom;
    this.goesOn = goesOnFrom !== undefined;
  }

  /** Whether anything of this run stands in the session. */
  get arrived(): boolean {
    return this.hasArrived;
  }

  /** The session as long as what arrives belongs into it; null, and why, where it was taken back or the clip is gone. */
  private open(): Session | null {
    const { session } = useDocument.getState();
    if (!session?.clips.some(({ id }) => id === this.clip.id)) this.ended = GONE;
    else if (this.hasArrived && session.tracks[this.clip.id] === this.before)
      this.ended = TEXT.detectingPointsWasUndoneAnd;
    return this.ended === null ? session : null;
  }

  /** Puts the points that are known now into the session. */
  take(detections: Detections): void {
    const session = this.open();
    if (!session) return;
    const { id } = this.clip;
    const now = session.tracks[id];
    if (!this.hasArrived) this.before = now;
    const packed = packDetections(detections, this.run);
    const { track, kept } = deriveTrack(now ?? {}, this.times, packed, this.kept ?? null);
    const change = (): void => putDerived(id, track, kept);
    if (this.hasArrived) inSameStep(change);
    else change();
    this.kept = kept;
    this.hasArrived = true;
  }

  /** Notes that there is nothing left to look at. */
  finish(): void {
    if (!this.open()) return;
    inSameStep(() => {
      edit((draft) => {
        const kept = draft.detections[this.clip.id];
        if (kept) kept.complete = true;
      });
    });
  }

  /**
   * Proposes the key events of a clip on which none was marked but by proposals of this run, or of that which it goes on
   * from, from its points and what its camera did; null where there is nothing to go on with.
   */
  propose(): KnownSoFar | null {
    const session = this.open();
    const clip = session?.clips.find(({ id }) => id === this.clip.id);
    if (!session || !clip) return null;
    const track = session.tracks[clip.id] ?? {};
    const marks = session.marks[clip.id] ?? {};
    const unconfirmed = Object.values(marks).every(({ proposed }) => proposed !== null);
    const untouched = Object.keys(marks).length === 0 || marks === this.proposed || (this.goesOn && unconfirmed);
    let repeated: readonly number[] = [];
    if (untouched && clip.sync === null && !clip.pictures) {
      const [movement, trial] = [baseOf(session), prepareTrial(clip, track, {}, session.cutoff)];
      const proposals = proposeTrial(movement, trial);
      repeated = repeatedEvents(movement, trial);
      inSameStep(() => {
        edit((draft) => {
          draft.marks[clip.id] = asMarks(proposals, clip.frameTimes.length - 1);
        });
      });
      this.proposed = useDocument.getState().session!.marks[clip.id]!;
    }
    const known = useDocument.getState().session!.marks[clip.id] ?? {};
    return { track, events: [...Object.values(known).map(({ frame }) => frame), ...repeated] };
  }
}

/**
 * Detects the points of a clip, with progress and cancel; one undoable step. A first answer stands within seconds and
 * gets better pass after pass, while one works; what was there when it was cancelled stays.
 */
export const detectPointsOf = (
  clip: Clip,
  setting: DetectorSetting,
  person: PersonBox | null = null,
): Promise<Result<Detected, DetectionIssue>> =>
  detect(clip, { setting, person, again: [], complete: false }, person && follow(person, clip.frameTimes.length));

/** Goes on detecting where a run was stopped, with its setting; one undoable step of its own. */
export function goOnDetecting(clip: Clip): Promise<Result<Detected, DetectionIssue>> {
  const stopped = stoppedRun(useDocument.getState().session!, clip);
  if (!stopped) return detectPointsOf(clip, 'accurate');
  const { person } = stopped;
  const on = person && followOn(person, unpackDetections(stopped), clip.frameTimes.length);
  return detect(clip, stopped, on, stopped);
}

/**
 * Follows the person of a clip again from a box, drawn where they had been lost or somebody else was taken for them: as
 * far as that is so, with the setting of what was detected before. One undoable step.
 */
export function followAgainFrom(clip: Clip, box: PersonBox): Promise<Result<Detected, DetectionIssue>> {
  const kept = useDocument.getState().session?.detections[clip.id];
  if (!kept) return detectPointsOf(clip, 'accurate', box);
  const run = { ...kept, again: [...kept.again, box] };
  return detect(clip, run, followAgain(box, realTimes(clip)), kept);
}

async function detect(
  clip: Clip,
  { setting, person, again, complete }: DetectionRun,
  following: Following | null,
  before?: Kept,
): Promise<Result<Detected, DetectionIssue>> {
  const video = await videoOf(clip);
  if (!video.ok) return video;
  const times = realTimes(clip);
  const known = before ? unpackDetections(before) : new Map<number, never>();
  const arriving = new Arriving(clip, { setting, person, again, complete }, times, before);
  const plan = framePlan(times, known.keys());
  const job = startJob(`points-${clip.id}`, TEXT.detectingPointsName(clip.performer.name));
  let detections: Detections = known;
  const result = (isStopped: boolean): Result<Detected, never> =>
    ok({
      seen: [...detections.values()].filter((seen) => seen.length > 0).length,
      detected: detections.size,
      stopped: isStopped,
      unseen: unseenText(detections, setting),
    });
  // Only a part of what was detected is looked at again: whether all else was looked at stays as it was.
  const mends = following !== null && following.untilMet !== null;
  let isFirst = true;
  const next = async (): Promise<readonly number[]> => {
    if (detections.size === 0) return clip.pictures ? Array.from(times.keys()) : plan.next(null);
    arriving.take(detections);
    if (clip.pictures) return [];
    // What a camera does is taken out before anything is proposed: people are left out of its background by now.
    if (isFirst && !mends && arriving.ended === null) await tellCamera(clip);
    isFirst = false;
    const soFar = arriving.propose();
    return soFar ? plan.next(soFar) : [];
  };
  try {
    const expected = following || clip.pictures ? times.length : plan.expected;
    const found = await detectPoints(video.value, {
      setting,
      following,
      known,
      signal: job.signal,
      onProgress: (done) => job.progress(done, Math.max(done, expected)),
      next: (now) => {
        detections = now;
        return next();
      },
      onFollowed: (now) => {
        detections = now;
        arriving.take(now);
      },
    });
    const isCancelled = !found.ok && found.issue.code === 'cancelled';
    if (!found.ok && !(isCancelled && arriving.arrived)) return found;
    if (isCancelled) arriving.take(detections);
    else if (!mends) arriving.finish();
    return arriving.ended === null ? result(isCancelled) : fail('cancelled', arriving.ended);
  } finally {
    job.end();
  }
}

/** Points are there whether or not the camera can be told. */
async function tellCamera(clip: Clip): Promise<void> {
  const observed = await observeCameraBeside(clip);
  if (!observed.ok && observed.issue.code !== 'cancelled')
    notify('error', TEXT.whetherCameraMovesIsNot(observed.issue.message));
}

/** What detecting came to, in words. */
export function detectedText({ performer, frameTimes }: Clip, { seen, detected, stopped, unseen }: Detected): string {
  const all = frameTimes.length;
  const between = detected < all ? TEXT.detectedWereLookedAtPoints(detected) : '';
  return stopped
    ? TEXT.detectingWasStoppedWhatWas(detected, all, performer.name)
    : (detected < all ? TEXT.pointsDetectedOnAllFrames(all) : TEXT.pointsDetectedOnSeenOf(seen, all)) +
        `${performer.name}.${between}${unseen === '' ? '' : ` ${unseen}`}`;
}
