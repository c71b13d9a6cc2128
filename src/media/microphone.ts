import { fail, ok, type Issue, type Result } from '../core/result';
import workletAddress from './microphone-worklet.ts?worker&url';
import type { MicrophoneBlock } from './microphone-worklet';

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
    ? fail('not-allowed', 'This page may not use the microphone. Allow it beside the address of the page.')
    : fail('no-microphone', `No microphone can be opened (${message}). Plug one in and try again.`);
}

/**
 * Opens the microphone. The clips are silent while one talks, so that no echo is cancelled. A block comes to the page
 * some time after its last sample was heard; the least time by which one ever came later than the sound's clock says
 * is how far the two clocks lie apart.
 */
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
    let apart = Infinity;
    await new Promise<void>((resolve, reject) => {
      let blocks = 0;
      setTimeout(() => reject(new Error('it sends nothing')), PATIENCE);
      listener.port.onmessage = ({ data: { at, samples } }: MessageEvent<MicrophoneBlock>) => {
        // Held once it is listened to: blocks that are moved against each other would click.
        if (!take) apart = Math.min(apart, performance.now() - 1000 * (at + samples.length / rate));
        if (++blocks === SETTLED) resolve();
        take?.(apart + 1000 * (at - latency), samples);
      };
    });
    return ok({ rate, listen: (to) => (take = to), close });
  } catch (error) {
    close();
    return issueOf(error);
  }
}
