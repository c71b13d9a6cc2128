import { framePlan } from '../core/detections/frame-plan';
import type { Detections } from '../core/detections/fuse-detections';
import type { PersonBox } from '../core/detections/person-box';
import { trackFromDetections, type DetectorSetting } from '../core/detections/track-from-detections';
import { proposeTrial } from '../core/events/repetitions';
import type { Clip } from '../core/model/clip';
import type { Session } from '../core/model/session';
import { fail, ok, type Issue, type Result } from '../core/result';
import { realTimes } from '../core/timing/clip-time';
import { keepEdits, type Track } from '../core/tracks/track';
import { prepareTrial } from '../core/trial/trial';
import { detectPoints, type FindIssue } from '../media/detect-points';
import { observeCameraBeside } from './camera-motion-use-cases';
import { baseOf } from './derived';
import { edit, inSameStep, useDocument } from './document-store';
import { startJob } from './jobs';
import { notify } from './notices';
import { asMarks } from './proposals';
import { videoOf } from './stored-clips';

/** What detecting came to. */
export interface Detected {
  /** Frames on which somebody was seen. */
  readonly seen: number;
  /** Frames that were looked at; the others are interpolated. */
  readonly detected: number;
  /** The last pass was not done: what was there stands. */
  readonly stopped: boolean;
}

type Marks = Session['marks'][string];

const GONE = 'Detecting points has ended: its session is open no more. What was detected so far is kept in it.';

/**
 * What comes out of the detectors, pass after pass, as one undoable step of the session: the points, and where nobody
 * has marked a key event, its proposals. What is edited meanwhile stays; taking the step back ends it.
 */
class Arriving {
  /** As it was derived and put into the session last, null before. */
  private put: { readonly derived: Track; readonly marks: Marks | null } | null = null;
  private before: Track | undefined;
  /** Why nothing can be put into the session any more, in words; null while it can. */
  ended: string | null = null;

  constructor(
    private readonly clip: Clip,
    private readonly setting: DetectorSetting,
    private readonly times: Float64Array,
  ) {}

  /** Whether anything stands in the session. */
  get arrived(): boolean {
    return this.put !== null;
  }

  /** Puts what is known now into the session; null where it was taken back, or the clip is gone. */
  take(detections: Detections): { readonly track: Track; readonly events: readonly number[] } | null {
    const { session } = useDocument.getState();
    const now = session?.tracks[this.clip.id];
    if (!this.put) this.before = now;
    if (!session?.clips.some(({ id }) => id === this.clip.id)) this.ended = GONE;
    else if (this.put && now === this.before) this.ended = 'Detecting points was undone, and has ended.';
    if (!session || this.ended !== null) return null;
    const derived = trackFromDetections(this.before ?? {}, this.times, detections, this.setting);
    const track = this.put && now ? keepEdits(this.put.derived, now, derived) : derived;
    const marks = this.proposals(session, track);
    const change = (): void => {
      edit((draft) => {
        draft.tracks[this.clip.id] = track as never;
        if (marks) draft.marks[this.clip.id] = marks;
      });
    };
    if (this.put) inSameStep(change);
    else change();
    const kept = useDocument.getState().session!;
    this.put = { derived, marks: marks ? kept.marks[this.clip.id]! : null };
    return { track, events: Object.values(kept.marks[this.clip.id] ?? {}).map(({ frame }) => frame) };
  }

  /** Key events of a clip on which none was marked but by proposals of this run; null where somebody did. */
  private proposals(session: Session, track: Track): Marks | null {
    const { clip } = this;
    const marks = session.marks[clip.id];
    const untouched = !marks || Object.keys(marks).length === 0 || marks === this.put?.marks;
    if (clip.sync !== null || clip.pictures || !untouched) return null;
    const trial = prepareTrial(clip, track, {}, session.cutoff);
    return asMarks(proposeTrial(baseOf(session), trial), clip.frameTimes.length - 1);
  }
}

/**
 * Detects the points of a clip, with progress and cancel; one undoable step. A first answer stands within seconds and
 * gets better pass after pass, while one works; what was there when it was cancelled stays.
 */
export async function detectPointsOf(
  clip: Clip,
  setting: DetectorSetting,
  person: PersonBox | null = null,
): Promise<Result<Detected, FindIssue | Issue<'no-media'>>> {
  const video = await videoOf(clip);
  if (!video.ok) return video;
  const times = realTimes(clip);
  const arriving = new Arriving(clip, setting, times);
  const plan = framePlan(times);
  const job = startJob(`points-${clip.id}`, `Detecting points: ${clip.performer.name}`);
  let detections: Detections = new Map();
  const result = (stopped: boolean): Result<Detected, never> =>
    ok({ seen: [...detections.values()].filter((seen) => seen.length > 0).length, detected: detections.size, stopped });
  try {
    const expected = person || clip.pictures ? times.length : plan.expected;
    const found = await detectPoints(video.value, {
      setting,
      person,
      signal: job.signal,
      onProgress: (done) => job.progress(done, Math.max(done, expected)),
      next: (now) => {
        detections = new Map(now);
        if (now.size === 0) return clip.pictures ? Array.from(times.keys()) : plan.next(null);
        const known = arriving.take(detections);
        return known && !clip.pictures ? plan.next(known) : [];
      },
    });
    if (!found.ok) return found.issue.code === 'cancelled' && arriving.arrived ? result(true) : found;
    job.end();
    if (arriving.ended !== null) return fail('cancelled', arriving.ended);
    // Points are there whether or not the camera can be told; where they are, people are left out of its background.
    if (clip.pictures || !arriving.arrived) return result(false);
    const observed = await observeCameraBeside(clip);
    if (!observed.ok && observed.issue.code !== 'cancelled')
      notify('error', `Whether the camera moves is not known: ${observed.issue.message}`);
    return result(false);
  } finally {
    job.end();
  }
}

/** What detecting came to, in words. */
export function detectedText({ performer, frameTimes }: Clip, { seen, detected, stopped }: Detected): string {
  const all = frameTimes.length;
  const between = detected < all ? ` ${detected} were looked at; the points between are interpolated.` : '';
  return stopped
    ? `Detecting was stopped. What was detected on ${detected} of ${all} frames of ${performer.name} is kept.`
    : `Points detected on ${detected < all ? `${all} frames` : `${seen} of ${all} frames`} of ${performer.name}.${between}`;
}
