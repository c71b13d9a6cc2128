import { create } from 'zustand';
import type { Note } from '../../core/model/session';
import { SectionRecorder } from '../../core/talk/section-recorder';
import { writeWav } from '../../core/sound/wav';
import { openMicrophone } from '../../media/microphone';
import { loadMedia, storeMedia } from '../../storage/media';
import { changeNote } from './finding-use-cases';
import { notify } from '../stores/notices';
import { mayWrite } from '../stores/windows';
import { TEXT } from '../../text/application/findings';

interface VoiceState {
  /** The note that is being spoken; null where none is. */
  readonly noteId: string | null;
  /** Whether the microphone is open. */
  readonly recording: boolean;
}

export const useVoice = create<VoiceState>(() => ({ noteId: null, recording: false }));

/** A note is short: what is longer is a talk-through, seconds. */
const MOST = 60;
/** How long sound is on its way when one stops, ms. */
const LATE = 250;

let stop: (() => void) | null = null;

/** Ends the note that is being spoken, also while its microphone is still being opened. */
export const stopVoice = (): void => stop?.();

/** Records what is said to a finding, until `stopVoice` or a minute is over. */
export async function recordVoice(noteId: string): Promise<void> {
  if (useVoice.getState().noteId !== null || !mayWrite()) return;
  useVoice.setState({ noteId, recording: false });
  const stopped = new Promise<void>((resolve) => {
    stop = resolve;
  });
  let early = false;
  void stopped.then(() => (early = true));
  try {
    const opened = await openMicrophone();
    if (!opened.ok) return notify('error', opened.issue.message);
    const microphone = opened.value;
    if (early) return microphone.close();
    const recorder = new SectionRecorder(microphone.rate);
    const zero = performance.now();
    microphone.listen((at, samples) => recorder.hear((at - zero) / 1000, samples));
    useVoice.setState({ recording: true });
    await Promise.race([stopped, new Promise((resolve) => setTimeout(resolve, 1000 * MOST))]);
    const seconds = (performance.now() - zero) / 1000;
    await new Promise((resolve) => setTimeout(resolve, LATE));
    microphone.close();
    const samples = recorder.cut(seconds).sound!;
    const mediaId = crypto.randomUUID();
    const wav = new Blob([writeWav({ samples, rate: microphone.rate })], { type: 'audio/wav' });
    const stored = await storeMedia(mediaId, TEXT.voiceNoteWav, wav);
    if (!stored.ok) return notify('error', stored.issue.message);
    changeNote(noteId, { voice: { mediaId, seconds } });
  } finally {
    stop = null;
    useVoice.setState({ noteId: null, recording: false });
  }
}

/** What was said; undefined where it is not in this browser. */
export const voiceOf = ({ voice }: Note): Promise<Blob | undefined> =>
  voice ? loadMedia(voice.mediaId) : Promise.resolve(undefined);
