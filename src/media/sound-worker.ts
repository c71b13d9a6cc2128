import { transfer } from 'comlink';
import { ALL_FORMATS, AudioSampleSink, BlobSource, Input } from 'mediabunny';
import { ok, type Issue, type Result } from '../core/result';
import type { SoundOffset } from '../core/sound/sound-offset';
import { levelsOf, type SoundWave } from '../core/sound/sound-wave';
import { alignSounds } from './align-sounds';
import { exposeWorker } from './expose-worker';
import { openTrack, type IntakeIssue } from './frame-index';
import { oneChannel } from './one-channel';
import type { VideoFile } from './video-file';

/** A clip's sound and how loud it is along the time. */
export interface ClipSound {
  readonly wave: SoundWave;
  readonly levels: Float32Array;
}

/** More sound than this is not held, seconds: 10 minutes are 115 MB. */
const LONGEST = 600;

/** All channels of a stretch of sound as one. */
async function decoded(sink: AudioSampleSink, from: number, to: number): Promise<SoundWave | null> {
  let rate = 0;
  let samples = new Float32Array(0);
  for await (const sample of sink.samples(from, to)) {
    if (rate === 0) {
      rate = sample.sampleRate;
      samples = new Float32Array(Math.ceil((to - from) * rate));
    }
    const one = oneChannel(sample);
    // What is missing between two pieces stays silent, at its time.
    const first = Math.round((sample.timestamp - from) * rate);
    for (let i = Math.max(0, -first); i < one.length && first + i < samples.length; i++) samples[first + i] = one[i]!;
    sample.close();
  }
  return rate === 0 ? null : { rate, samples };
}

/** The sound of clips, decoded and compared away from the page. */
const soundWorker = {
  /** The sound while a clip's frames last; null where the file has none that can be decoded here. */
  async read(video: VideoFile): Promise<Result<ClipSound | null, IntakeIssue>> {
    const track = await openTrack(video);
    if (!track.ok) return track;
    const { origin, frameTimes } = track.value.index;
    track.value.dispose();
    const input = new Input({ source: new BlobSource(video.blob), formats: ALL_FORMATS });
    try {
      const audio = await input.getPrimaryAudioTrack();
      if (!audio || !(await audio.canDecode())) return ok(null);
      const from = origin * 1e-6;
      const lasts = Math.min(LONGEST, frameTimes[frameTimes.length - 1]! * 1e-6 + 1);
      const wave = await decoded(new AudioSampleSink(audio), from, from + lasts);
      if (!wave) return ok(null);
      const levels = levelsOf(wave);
      return ok(transfer({ wave, levels }, [wave.samples.buffer, levels.buffer]));
    } finally {
      input.dispose();
    }
  },
  align: (first: SoundWave, second: SoundWave): Promise<Result<SoundOffset, Issue<'unsure'>>> =>
    Promise.resolve(alignSounds(first, second)),
};

export type SoundWorker = typeof soundWorker;
exposeWorker(soundWorker);
