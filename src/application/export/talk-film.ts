import type { Clip } from '../../core/model/clip';
import type { TalkSection } from '../../core/model/talk';
import { fail, ok, type Issue, type Result } from '../../core/result';
import {
  fitRoom,
  talkCaptions,
  talkChapters,
  talkPictures,
  talkSound,
  type FilmedPicture,
  type RecordedSection,
} from '../../core/talk/talk-film';
import { readTalkPart, type TalkPart } from '../../core/talk/talk-part';
import { readWav, writeWav, type Sound } from '../../core/sound/wav';
import { webVtt } from '../../core/talk/web-vtt';
import { timeAtFrame } from '../../core/timing/clip-time';
import { canEncodeSound } from '../../media/browser-features';
import type { CrashIssue } from '../../media/worker-client';
import { shownAs } from '../../rendering/focus';
import { loadMedia } from '../../storage/media';
import type { BenchClip } from '../bench/bench-clips';
import type { Derived } from '../analysis/derived';
import { canFilmMp4 } from './film';
import { FILM_RATE, FILM_SIZE, WORDS_HEIGHT, type FilmFormat } from './film-layout';
import { asFilm, filmCancelled } from './film-maker';
import type { FilmFrame, FilmPart } from './film-worker';
import { TEXT } from '../../text/application/export';

type DamagedIssue = Issue<'damaged'>;

const lost = (): Result<never, DamagedIssue> => fail('damaged', TEXT.partOfSectionIsNot);

async function soundOf(mediaId: string | null): Promise<Result<Sound | null, DamagedIssue>> {
  if (mediaId === null) return ok(null);
  const blob = await loadMedia(mediaId);
  return blob ? readWav(new Uint8Array(await blob.arrayBuffer())) : lost();
}

async function shownIn(mediaId: string): Promise<Result<TalkPart, DamagedIssue>> {
  const blob = await loadMedia(mediaId);
  return blob ? readTalkPart(await blob.text()) : lost();
}

/** Everything that belongs to the sections of a talk-through. */
async function recordedSections(
  talk: readonly Pick<TalkSection, 'from' | 'to' | 'parts'>[],
): Promise<Result<RecordedSection[], DamagedIssue>> {
  const sections: RecordedSection[] = [];
  for (const { from, to, parts } of talk) {
    const read: RecordedSection['parts'][number][] = [];
    for (const { at, pictures, sound: soundId } of parts) {
      const [shown, sound] = [await shownIn(pictures), await soundOf(soundId)];
      if (!shown.ok) return shown;
      if (!sound.ok) return sound;
      read.push({ at, shown: shown.value, sound: sound.value });
    }
    sections.push({ from, to, parts: read });
  }
  return ok(sections);
}

/** The whole of what was said in a section as one file; null where no microphone was open. */
export async function soundOfSection(
  parts: TalkSection['parts'],
  seconds: number,
): Promise<Result<Blob | null, DamagedIssue>> {
  const recorded = await recordedSections([{ from: 0, to: seconds, parts }]);
  if (!recorded.ok) return recorded;
  const sound = talkSound(recorded.value);
  return ok(sound && new Blob([writeWav(sound)], { type: 'audio/wav' }));
}

/** MP4 with AAC plays everywhere; where the browser writes only one of the two it is WebM. */
export async function talkFormat(): Promise<FilmFormat> {
  return (await canFilmMp4()) && (await canEncodeSound('mp4a.40.2')) ? 'mp4' : 'webm';
}

const PICTURES = { width: FILM_SIZE.width, height: FILM_SIZE.height - WORDS_HEIGHT };

/** Panes of a picture whose clips the session still has. */
const panesOf = ({ picture }: FilmedPicture, clips: ReadonlyMap<string, BenchClip>) =>
  picture.panes.flatMap((pane) => {
    const on = clips.get(pane.clipId);
    return on ? [{ pane, on }] : [];
  });
type KnownPane = ReturnType<typeof panesOf>[number];

/** What a pane that stood on the screen is in the film: the same, as large as all of them fit. */
function partOf(
  { pane, on }: KnownPane,
  below: number,
  { scenes, picture: { room } }: FilmedPicture,
): Omit<FilmPart, 'frame'> {
  const { scale, place } = fitRoom(room, PICTURES);
  const { box, viewport } = pane;
  const { clip, times } = on.trial;
  return {
    pane: {
      ...place(box),
      width: box.width * scale,
      height: box.height * scale,
      styleKey: on.styleKey,
      name: clip.performer.name,
      picture: shownAs(clip),
      below,
    },
    viewport: { ...viewport, scale: viewport.scale * scale },
    scene: scenes[pane.scene]!,
    time: TEXT.timeAtFrameMs(Math.round(timeAtFrame(times, pane.frame) * 1000)),
    opacity: pane.opacity,
    edges: pane.edges,
  };
}

/** How many panes of those before it lie under a pane. */
const belowOf = (panes: readonly KnownPane[], i: number): number =>
  panes.slice(0, i).filter(({ pane: { box } }) => box.x === panes[i]!.pane.box.x && box.y === panes[i]!.pane.box.y)
    .length;

/** Name of a moment, and of what lies before the first. */
const eventName =
  ({ movement }: Derived) =>
  (id: string | null): string =>
    movement.moments.find((m) => m.id === id)?.name ?? TEXT.beforeFirstMoment;

export interface TalkFilm {
  readonly format: FilmFormat;
  readonly video: Blob;
  /** WebVTT files beside it. */
  readonly chapters: string;
  readonly captions: string;
}

/** The samples that are heard during one second of the film. */
const soundOfSecond = ({ samples, rate }: Sound, second: number): Int16Array<ArrayBuffer> =>
  samples.slice(second * rate, (second + 1) * rate);

/**
 * Makes the video of a talk-through: every picture anew from the videos at full quality, so that nothing stutters that
 * stuttered while it was recorded.
 */
export async function makeTalkFilm(derived: Derived): Promise<Result<TalkFilm, Issue | CrashIssue>> {
  const { session } = derived;
  const recorded = await recordedSections(session.talk);
  if (!recorded.ok) return recorded;
  const sections = recorded.value;
  const pictures = talkPictures(sections, FILM_RATE);
  if (pictures.length === 0) return fail('no-talk', TEXT.nothingIsRecordedYetPress);
  const sound = talkSound(sections);
  const format = await talkFormat();
  const clips = new Map(derived.clips.map((on) => [on.trial.clip.id, on]));
  const shown = new Set(pictures.flatMap((p) => panesOf(p, clips).map(({ pane }) => pane.clipId)));
  const wanted: Clip[] = [...shown].map((id) => clips.get(id)!.trial.clip);
  const nameOf = eventName(derived);
  const video = await asFilm(async (maker) => {
    const begun = await maker.open({ format, title: session.name, soundRate: sound?.rate ?? null }, wanted);
    if (!begun.ok) return begun;
    let before: FilmedPicture['picture'] | null = null;
    for (const [n, filmed] of pictures.entries()) {
      if (maker.job.signal.aborted) return filmCancelled();
      const { picture } = filmed;
      if (picture === before) {
        const again = await maker.again();
        if (!again.ok) return again;
      } else {
        before = picture;
        const panes = panesOf(filmed, clips);
        const decoded = await maker.decode(
          panes.map(({ pane, on }) => ({
            clipId: pane.clipId,
            frame: Math.min(pane.frame, on.trial.times.length - 1),
          })),
        );
        if (!decoded.ok) return decoded;
        const frame: FilmFrame = {
          parts: panes.map((known, i) => ({ ...partOf(known, belowOf(panes, i), filmed), frame: decoded.value[i]! })),
          line: nameOf(picture.moment),
          still: false,
          pointer: picture.pointer && fitRoom(picture.room, PICTURES).place(picture.pointer),
        };
        const added = await maker.add(frame);
        if (!added.ok) return added;
      }
      // Once a second: every message waits its turn among the pictures.
      if (sound && n % FILM_RATE === 0) {
        const heard = await maker.hear(soundOfSecond(sound, n / FILM_RATE));
        if (!heard.ok) return heard;
      }
      maker.job.progress(n + 1, pictures.length);
    }
    return maker.end();
  });
  if (!video.ok) return video;
  const words = new Map(session.notes.map(({ id, text }) => [id, text]));
  return ok({
    format,
    video: video.value,
    chapters: webVtt(talkChapters(sections, nameOf)),
    captions: webVtt(talkCaptions(sections, (id) => words.get(id) ?? '')),
  });
}
