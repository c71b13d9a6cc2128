import { framePlan, type KnownSoFar } from '../core/detections/frame-plan';
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
  /** As it was derived and put into the session last, and before the first time. */
  private derived: Track | null = null;
  private before: Track | undefined;
  private proposed: Marks | null = null;
  /** Why nothing can be put into the session any more, in words; null while it can. */
  ended: string | null = null;

  constructor(
    private readonly clip: Clip,
    private readonly setting: DetectorSetting,
    private readonly times: Float64Array,
  ) {}

  /** Whether anything stands in the session. */
  get arrived(): boolean {
    return this.derived !== null;
  }

  /** The session as long as what arrives belongs into it; null, and why, where it was taken back or the clip is gone. */
  private open(): Session | null {
    const { session } = useDocument.getState();
    if (!session?.clips.some(({ id }) => id === this.clip.id)) this.ended = GONE;
    else if (this.derived && session.tracks[this.clip.id] === this.before)
      this.ended = 'Detecting points was undone, and has ended.';
    return this.ended === null ? session : null;
  }

  /** Puts the points that are known now into the session. */
  take(detections: Detections): void {
    const session = this.open();
    if (!session) return;
    const now = session.tracks[this.clip.id];
    if (!this.derived) this.before = now;
    const derived = trackFromDetections(this.before ?? {}, this.times, detections, this.setting);
    const track = this.derived && now ? keepEdits(this.derived, now, derived) : derived;
    const change = (): void => {
      edit((draft) => {
        draft.tracks[this.clip.id] = track as never;
      });
    };
    if (this.derived) inSameStep(change);
    else change();
    this.derived = derived;
  }

  /**
   * Proposes the key events of a clip on which none was marked but by proposals of this run, from its points and what
   * its camera did; null where there is nothing to go on with.
   */
  propose(): KnownSoFar | null {
    const session = this.open();
    const clip = session?.clips.find(({ id }) => id === this.clip.id);
    if (!session || !clip) return null;
    const track = session.tracks[clip.id] ?? {};
    const marks = session.marks[clip.id] ?? {};
    const untouched = Object.keys(marks).length === 0 || marks === this.proposed;
    if (untouched && clip.sync === null && !clip.pictures) {
      const proposals = proposeTrial(baseOf(session), prepareTrial(clip, track, {}, session.cutoff));
      inSameStep(() => {
        edit((draft) => {
          draft.marks[clip.id] = asMarks(proposals, clip.frameTimes.length - 1);
        });
      });
      this.proposed = useDocument.getState().session!.marks[clip.id]!;
    }
    const known = useDocument.getState().session!.marks[clip.id] ?? {};
    return { track, events: Object.values(known).map(({ frame }) => frame) };
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
      next: async (now) => {
        const isFirst = detections.size === 0;
        detections = new Map(now);
        if (now.size === 0) return clip.pictures ? Array.from(times.keys()) : plan.next(null);
        arriving.take(detections);
        if (clip.pictures) return [];
        // What a camera does is taken out before anything is proposed: people are left out of its background by now.
        if (isFirst && arriving.ended === null) await tellCamera(clip);
        const known = arriving.propose();
        return known ? plan.next(known) : [];
      },
    });
    if (!found.ok) return found.issue.code === 'cancelled' && arriving.arrived ? result(true) : found;
    return arriving.ended === null ? result(false) : fail('cancelled', arriving.ended);
  } finally {
    job.end();
  }
}

/** Points are there whether or not the camera can be told. */
async function tellCamera(clip: Clip): Promise<void> {
  const observed = await observeCameraBeside(clip);
  if (!observed.ok && observed.issue.code !== 'cancelled')
    notify('error', `Whether the camera moves is not known: ${observed.issue.message}`);
}

/** What detecting came to, in words. */
export function detectedText({ performer, frameTimes }: Clip, { seen, detected, stopped }: Detected): string {
  const all = frameTimes.length;
  const between = detected < all ? ` ${detected} were looked at; the points between are interpolated.` : '';
  return stopped
    ? `Detecting was stopped. What was detected on ${detected} of ${all} frames of ${performer.name} is kept.`
    : `Points detected on ${detected < all ? `${all} frames` : `${seen} of ${all} frames`} of ` +
        `${performer.name}.${between}`;
}
