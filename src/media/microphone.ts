import { SoundClock } from '../core/sound/sound-clock';
import { fail, ok, type Issue, type Result } from '../core/result';
import workletAddress from './microphone-worklet.ts?worker&url';
import type { MicrophoneBlock } from './microphone-worklet';
import { TEXT } from '../text/media';

export interface Microphone {
  /** Samples a second. */
  readonly rate: number;
  /** Has blocks of sound handed over from now on, each with the page's time of its first sample, ms. */
  readonly listen: (take: (at: number, samples: Float32Array) => void) => void;
  readonly close: () => void;
}

export type MicrophoneIssue = Issue<'no-microphone' | 'not-allowed'>;

/** Blocks after which it is known how the sound's clock lies to the page's. */
const SETTLED = 12;
/** A device that sends nothing in this time is not there, ms. */
const PATIENCE = 5000;

function issueOf(error: unknown): Result<never, MicrophoneIssue> {
  const { name, message } = error instanceof Error ? error : new Error(String(error));
  return name === 'NotAllowedError' || name === 'SecurityError'
    ? fail('not-allowed', TEXT.thisPageMayNotUse)
    : fail('no-microphone', TEXT.noMicrophoneCanBeOpened(message));
}

/** Opens the microphone. The clips are silent while one talks, so that no echo is cancelled. */
export async function openMicrophone(): Promise<Result<Microphone, MicrophoneIssue>> {
  let stream: MediaStream;
  try {
    stream = await navigator.mediaDevices.getUserMedia({
      audio: { echoCancellation: false, noiseSuppression: true, autoGainControl: true },
    });
  } catch (error) {
    return issueOf(error);
  }
  const context = new AudioContext();
  const close = (): void => {
    stream.getTracks().forEach((track) => track.stop());
    void context.close();
  };
  try {
    await context.audioWorklet.addModule(workletAddress);
    await context.resume();
    const listener = new AudioWorkletNode(context, 'listener', { numberOfOutputs: 0 });
    context.createMediaStreamSource(stream).connect(listener);
    const rate = context.sampleRate;
    // Sound is on its way through the device for a while before the context has it.
    const { latency = 0 } = stream.getAudioTracks()[0]!.getSettings() as { latency?: number };
    let take: ((at: number, samples: Float32Array) => void) | null = null;
    const clock = new SoundClock();
    await new Promise<void>((resolve, reject) => {
      let blocks = 0;
      setTimeout(() => reject(new Error(TEXT.itSendsNothing)), PATIENCE);
      listener.port.onmessage = ({ data: { at, whole, samples } }: MessageEvent<MicrophoneBlock>) => {
        const pageTime = whole - (Date.now() - performance.now());
        const heard = clock.place(1000 * at, (1000 * samples.length) / rate, pageTime);
        if (++blocks === SETTLED) resolve();
        take?.(heard - 1000 * latency, samples);
      };
    });
    const listen = (to: typeof take): void => {
      clock.hold();
      take = to;
    };
    return ok({ rate, listen, close });
  } catch (error) {
    close();
    return issueOf(error);
  }
}
