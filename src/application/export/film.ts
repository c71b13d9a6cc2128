import type { Primitive } from '../../core/geometry/primitives';
import { clipScene } from '../../core/scene/clip-scene';
import { eventTimes } from '../../core/trial/key-events';
import type { Trial } from '../../core/trial/trial';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { nearestFrame, timeAtFrame } from '../../core/timing/clip-time';
import { planFilm, type FilmPicture } from '../../core/timing/film-plan';
import { framesWith, timeMapOf } from '../../core/timing/synchronise';
import type { CrashIssue } from '../../media/worker-client';
import { focusOf } from '../../rendering/focus';
import { fitPicture, followBody } from '../../rendering/viewport';
import type { BenchClip } from '../bench/bench-clips';
import type { Derived } from '../analysis/derived';
import { FILM_RATE, FILM_SIZE, filmPanes, type FilmFormat } from './film-layout';
import { asFilm, filmCancelled } from './film-maker';
import type { FilmPart } from './film-worker';
import { synchronyOf } from '../bench/synchrony';
import { useView } from '../stores/view-store';
import { TEXT } from '../../text/application/export';

export interface FilmSettings {
  readonly format: FilmFormat;
  /** Seconds of the movement for one second of the film. */
  readonly speed: number;
  /** Moments between which it runs; null is the clip's own end. */
  readonly from: string | null;
  readonly to: string | null;
  /** Seconds for which it stands still at every moment, with that moment's measures; 0 runs through. */
  readonly stopSeconds: number;
  readonly lines: boolean;
}

/** Whether this browser can write MP4, which plays on every phone; it depends on how it was built. */
export async function canFilmMp4(): Promise<boolean> {
  if (typeof VideoEncoder === 'undefined') return false;
  const { supported } = await VideoEncoder.isConfigSupported({
    codec: 'avc1.640028',
    ...FILM_SIZE,
    framerate: FILM_RATE,
  }).catch(() => ({ supported: false }));
  return supported === true;
}
/** When the film begins and ends on the leading trial's clock. */
function stretchOf(lead: Trial, { from, to }: FilmSettings): { readonly from: number; readonly to: number } {
  const times = eventTimes(lead);
  const end = lead.times[lead.times.length - 1]!;
  return { from: (from === null ? undefined : times[from]) ?? 0, to: (to === null ? undefined : times[to]) ?? end };
}

/** The pictures that a film of these settings has; an issue where its end is not after its beginning. */
export function filmPlan(
  derived: Derived,
  lead: Trial,
  settings: FilmSettings,
): Result<readonly FilmPicture[], Issue<'no-stretch'>> {
  const { from, to } = stretchOf(lead, settings);
  if (to <= from) return fail('no-stretch', TEXT.filmWouldEndBeforeIt);
  const times = eventTimes(lead);
  const stops =
    settings.stopSeconds > 0
      ? derived.movement.moments.flatMap((m) => (times[m.id] === undefined ? [] : [{ id: m.id, at: times[m.id]! }]))
      : [];
  return ok(planFilm({ from, to, speed: settings.speed, rate: FILM_RATE, stops, stopSeconds: settings.stopSeconds }));
}

/** Where in the movement a time lies: the last moment before it. */
function wordsAt(derived: Derived, lead: Trial, { at, stop }: FilmPicture): string {
  const times = eventTimes(lead);
  if (stop !== null) return derived.movement.moments.find((m) => m.id === stop)!.name;
  const before = derived.movement.moments.filter((m) => times[m.id] !== undefined && times[m.id]! <= at).at(-1);
  return before ? TEXT.nameAtMs(before.name, Math.round((at - times[before.id]!) * 1000)) : '';
}

/**
 * Films what the bench shows: its panes, matched as they are matched there, with lines and drawings. Decoding runs in a
 * worker for each clip, painting and encoding in one more.
 */
export async function makeFilm(derived: Derived, settings: FilmSettings): Promise<Result<Blob, Issue | CrashIssue>> {
  const { session, movement, judged } = derived;
  const clips = derived.panes;
  const lead = clips[0]?.trial;
  if (!lead) return fail('no-clips', TEXT.thereIsNoClipTo);
  const plan = filmPlan(derived, lead, settings);
  if (!plan.ok) return plan;
  // The bench goes on while a film is made: what it shows later is no part of this one.
  const view = useView.getState();
  const synchrony = synchronyOf({ movement, clips: derived.clips }, view);
  const loose = clips
    .filter((on) => timeMapOf(synchrony, on.trial.clip.id) === null)
    .map((on) => on.trial.clip.performer.name);
  if (loose.length > 0)
    return fail('not-matched', TEXT.nothingTiesLooseToName(loose.join(TEXT.and), lead.clip.performer.name));
  return asFilm(async (maker) => {
    const panes = filmPanes(clips);
    const begun = await maker.open(
      { format: settings.format, title: session.name, soundRate: null },
      clips.map((on) => on.trial.clip),
    );
    if (!begun.ok) return begun;
    const { selectedMeasure, sizeBy } = view;
    const focus = clips.map(({ trial }) => focusOf(trial, sizeBy));
    const sceneOf = (on: BenchClip, frame: number): readonly Primitive[] => {
      const { trial } = on;
      const drawings = session.drawings.filter((d) => d.clipId === trial.clip.id);
      const beside = on.join === null && on.id !== trial.clip.role;
      return clipScene({ movement, judged, trial, beside, drawings }, frame, {
        body: settings.lines,
        selected: selectedMeasure,
        measures: settings.stopSeconds > 0,
        lit: null,
      });
    };
    let shown = '';
    for (const [n, picture] of plan.value.entries()) {
      if (maker.job.signal.aborted) return filmCancelled();
      const frames = framesWith(synchrony, lead.clip.id, nearestFrame(lead.times, picture.at));
      const wanted = clips.map(({ trial: { clip } }) => ({ clipId: clip.id, frame: frames[clip.id] ?? 0 }));
      const line = wordsAt(derived, lead, picture);
      const next = JSON.stringify([wanted, line]);
      const same = next === shown;
      shown = next;
      const decoded = same ? ok([]) : await maker.decode(wanted);
      if (!decoded.ok) return decoded;
      const parts = decoded.value.map((decodedPicture, i): FilmPart => {
        const [on, pane] = [clips[i]!, panes[i]!];
        const { frame } = wanted[i]!;
        const at = focus[i]!(frame);
        return {
          pane,
          opacity: 1,
          edges: false,
          frame: decodedPicture,
          viewport: at ? followBody(at, pane, pane.picture) : fitPicture(pane.picture, pane, pane.picture),
          scene: sceneOf(on, frame),
          time: TEXT.timeAtFrameMs(Math.round(timeAtFrame(on.trial.times, frame) * 1000)),
        };
      });
      const added = await (same
        ? maker.again()
        : maker.add({ parts, line, still: picture.stop !== null, pointer: null }));
      if (!added.ok) return added;
      maker.job.progress(n + 1, plan.value.length);
    }
    return maker.end();
  });
}
