import { create } from 'zustand';
import type { Vec2 } from '../../core/geometry/vec2';
import { LIMITS } from '../../core/model/limits';
import type { TalkSection } from '../../core/model/talk';
import { SectionRecorder, type CutPart } from '../../core/talk/section-recorder';
import { writeWav } from '../../core/sound/wav';
import { openMicrophone, type Microphone } from '../../media/microphone';
import { ShownPanes } from '../../rendering/shown-panes';
import { storeMedia } from '../../storage/media';
import { useDocument } from '../stores/document-store';
import { notify } from '../stores/notices';
import { addSection, removeSection } from './talk-sections';
import { setUnderway } from './talk-underway';
import { mayWrite } from '../stores/windows';
import { TEXT } from '../../text/application/talk';

interface TalkState {
  /** Whether the talk bar is shown. */
  readonly open: boolean;
  readonly phase: 'idle' | 'opening' | 'recording' | 'ending';
  /** Length of the section under way, seconds. */
  readonly seconds: number;
  /** Loudness of the last moment, 0 to 1; null without a microphone. */
  readonly level: number | null;
}

export const useTalk = create<TalkState>(() => ({ open: false, phase: 'idle', seconds: 0, level: null }));
export const toggleTalk = (): void => useTalk.setState(({ open }) => ({ open: !open }));

/** What the panes of the bench show; each tells when it paints. */
export const shownPanes = new ShownPanes();

/** Length of a part, seconds: what a crash can cost. */
const PART_SECONDS = 15;
/** How long sound may be on its way when a part ends, seconds. */
const SOUND_LATE = 0.5;
/** How often the time is shown anew, seconds. */
const SHOWN_EVERY = 0.2;

/** A section under way. */
interface Recording {
  readonly recorder: SectionRecorder;
  readonly microphone: Microphone | null;
  readonly sessionId: string;
  /** The page's time at which it began, ms. */
  readonly zero: number;
  readonly stop: AbortController;
  section: Omit<TalkSection, 'from' | 'to'>;
  /** Which section it becomes; null is the last. */
  readonly place: number | null;
  cutAt: number;
  storing: Promise<void>;
}
let recording: Recording | null = null;
let pointer: Vec2 | null = null;
let moment: string | null = null;

/** The moment of the movement that the bench has reached. */
export const setTalkEvent = (id: string | null): void => {
  moment = id;
};

const now = ({ zero }: Recording): number => (performance.now() - zero) / 1000;

function look(under: Recording): void {
  const shown = shownPanes.screen(pointer);
  if (shown) under.recorder.see(now(under), { ...shown, moment });
}

/** Stores a part; the section has it once it is stored. */
async function store(under: Recording, { at, pictures, sound }: CutPart, end: number): Promise<void> {
  if (pictures.pictures.length === 0) return;
  const ids = { pictures: crypto.randomUUID(), sound: sound ? crypto.randomUUID() : null };
  const name = TEXT.talkingCount(under.section.parts.length + 1);
  const text = new Blob([JSON.stringify(pictures)], { type: 'application/json' });
  const stored = await storeMedia(ids.pictures, `${name}.json`, text);
  const wav = sound && new Blob([writeWav({ samples: sound, rate: under.microphone!.rate })], { type: 'audio/wav' });
  const heard = wav ? await storeMedia(ids.sound!, `${name}.wav`, wav) : stored;
  for (const result of [stored, heard]) {
    if (result.ok) continue;
    notify('error', result.issue.message);
    under.stop.abort();
    return;
  }
  under.section = { ...under.section, seconds: end, parts: [...under.section.parts, { at, ...ids }] };
  setUnderway(under.sessionId, { ...under.section, from: 0, to: end });
}

function cut(under: Recording, at: number): void {
  const part = under.recorder.cut(at);
  under.storing = under.storing.then(() => store(under, part, at));
}

const soundIsIn = ({ recorder, microphone }: Recording, at: number): boolean =>
  microphone === null || recorder.heard >= at;

/** Looks at the screen at every picture that the browser shows. */
function watch(under: Recording): void {
  let shownAt = -Infinity;
  const tick = (): void => {
    if (under.stop.signal.aborted) return void stopTalking();
    if (recording !== under) return;
    look(under);
    const seconds = now(under);
    if (seconds - shownAt >= SHOWN_EVERY) {
      shownAt = seconds;
      useTalk.setState({ seconds });
    }
    if (seconds >= under.cutAt && (soundIsIn(under, under.cutAt) || seconds >= under.cutAt + SOUND_LATE)) {
      cut(under, under.cutAt);
      under.cutAt += PART_SECONDS;
    }
    if (seconds >= LIMITS.talkSeconds) return void stopTalking();
    requestAnimationFrame(tick);
  };
  tick();
}

const followPointer = (signal: AbortSignal): void => {
  const at = ({ clientX, clientY }: PointerEvent): void => {
    pointer = { x: clientX, y: clientY };
  };
  window.addEventListener('pointermove', at, { signal });
  window.addEventListener('pointerdown', at, { signal });
  document.addEventListener('pointerleave', () => (pointer = null), { signal });
};

/** Notes that are made meanwhile become captions. */
const followNotes = (under: Recording): void => {
  const stop = useDocument.subscribe(({ session }, before) => {
    const known = new Set(before.session?.notes.map(({ id }) => id));
    for (const { id } of session?.notes ?? []) if (!known.has(id)) under.recorder.note(now(under), id);
  });
  under.stop.signal.addEventListener('abort', stop);
};

const loudness = (samples: Float32Array): number =>
  Math.sqrt(samples.reduce((sum, s) => sum + s * s, 0) / samples.length);

/**
 * Records everything that the bench shows and what is said, until `stopTalking`.
 * @param place which section it becomes; null is the last
 */
export async function startTalking(place: number | null = null): Promise<void> {
  const { session } = useDocument.getState();
  if (!session || useTalk.getState().phase !== 'idle' || !mayWrite()) return;
  useTalk.setState({ open: true, phase: 'opening', seconds: 0, level: null });
  const opened = await openMicrophone();
  if (!opened.ok) notify('info', TEXT.messageItIsRecordedWithout(opened.issue.message));
  const microphone = opened.ok ? opened.value : null;
  // Whoever left the bench meanwhile does not want to be heard.
  if (!shownPanes.screen(null)) {
    microphone?.close();
    return useTalk.setState({ phase: 'idle' });
  }
  const under: Recording = {
    recorder: new SectionRecorder(microphone?.rate ?? null),
    microphone,
    sessionId: session.id,
    zero: performance.now(),
    stop: new AbortController(),
    section: { id: crypto.randomUUID(), seconds: 0, parts: [] },
    place,
    cutAt: PART_SECONDS,
    storing: Promise.resolve(),
  };
  microphone?.listen((at, samples) => {
    under.recorder.hear((at - under.zero) / 1000, samples);
    useTalk.setState({ level: Math.min(1, 4 * loudness(samples)) });
  });
  recording = under;
  followPointer(under.stop.signal);
  followNotes(under);
  useTalk.setState({ phase: 'recording', level: microphone ? 0 : null });
  watch(under);
}

/** Records a section again in the place of the one that there is. */
export function recordAnew(id: string): void {
  const place = useDocument.getState().session?.talk.findIndex((section) => section.id === id) ?? -1;
  if (place < 0) return;
  removeSection(id);
  void startTalking(place);
}

/** Resolves when the sound up to a time is in, or is not to be expected any more. */
async function untilHeard(under: Recording, at: number): Promise<void> {
  const late = now(under) + SOUND_LATE;
  while (!soundIsIn(under, at) && now(under) < late) await new Promise(requestAnimationFrame);
}

/** Ends the section; it belongs to its session from then on. */
export async function stopTalking(): Promise<void> {
  const under = recording;
  if (!under || useTalk.getState().phase !== 'recording') return;
  look(under);
  const end = now(under);
  recording = null;
  useTalk.setState({ phase: 'ending', seconds: end });
  await untilHeard(under, end);
  under.stop.abort();
  under.microphone?.close();
  cut(under, end);
  await under.storing;
  const { section, place } = under;
  const here = useDocument.getState().session?.id === under.sessionId;
  // Elsewhere it waits until its session is opened again.
  if (here && section.parts.length > 0 && addSection({ ...section, from: 0, to: section.seconds }, place))
    setUnderway(under.sessionId, null);
  useTalk.setState({ phase: 'idle', level: null });
}
