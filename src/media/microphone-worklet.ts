/** What an audio worklet's own scope has; the page's types do not know it. */
declare const registerProcessor: (name: string, processor: unknown) => void;
declare const currentTime: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}

/** Samples handed over at once: about 40 ms, in which a level meter still looks alive. */
const BLOCK = 2048;

export interface MicrophoneBlock {
  /** Time of the first sample on the audio context's clock, seconds. */
  readonly at: number;
  /** The machine's time at which the block was complete, ms; a page that is busy gets it later. */
  readonly whole: number;
  readonly samples: Float32Array;
}

/** Hands the microphone's samples, mixed to one channel, to the page. */
class Listener extends AudioWorkletProcessor {
  private block = new Float32Array(BLOCK);
  private filled = 0;
  private begun = 0;

  process([channels]: readonly (readonly Float32Array[])[]): boolean {
    const first = channels?.[0];
    if (!first) return true;
    if (this.filled === 0) this.begun = currentTime;
    for (let i = 0; i < first.length; i++)
      this.block[this.filled + i] = channels.reduce((sum, channel) => sum + channel[i]!, 0) / channels.length;
    this.filled += first.length;
    if (this.filled >= BLOCK) {
      const block: MicrophoneBlock = { at: this.begun, whole: Date.now(), samples: this.block };
      this.port.postMessage(block, [this.block.buffer]);
      this.block = new Float32Array(BLOCK);
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor('listener', Listener);
