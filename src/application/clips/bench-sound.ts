import type { SoundWave } from '../../core/sound/sound-wave';
import { asInt16, writeWav } from '../../core/sound/wav';
import { isHeardAt } from './clip-sounds';

/** What is to be heard at an instant. */
export interface Heard {
  readonly wave: SoundWave;
  /** Real time of the clip, seconds. */
  readonly time: number;
  /** How fast the clip's time runs; its pitch is kept. */
  readonly rate: number;
}

/** The sound is set anew where it has run this far from its pictures, seconds. */
const APART = 0.06;

/** Plays the sound of one clip beside the pictures, which lead: where they wait, it waits. */
export class BenchSound {
  private element: HTMLAudioElement | null = null;
  private wave: SoundWave | null = null;

  private elementOf(wave: SoundWave): HTMLAudioElement {
    if (this.element && this.wave === wave) return this.element;
    this.stop();
    if (this.element) URL.revokeObjectURL(this.element.src);
    this.wave = wave;
    this.element = new Audio(
      URL.createObjectURL(
        new Blob([writeWav({ samples: Int16Array.from(wave.samples, asInt16), rate: wave.rate })], {
          type: 'audio/wav',
        }),
      ),
    );
    this.element.preservesPitch = true;
    return this.element;
  }

  follow({ wave, time: at, rate }: Heard): void {
    if (!isHeardAt(rate) || at < 0 || at > wave.samples.length / wave.rate) return this.stop();
    const element = this.elementOf(wave);
    element.playbackRate = rate;
    if (Math.abs(element.currentTime - at) > APART) element.currentTime = at;
    // Playing that is refused or broken off leaves the pictures without sound, and nothing to tell.
    if (element.paused) element.play().catch(() => undefined);
  }

  stop(): void {
    this.element?.pause();
  }

  /** Lets go of what was read. */
  close(): void {
    this.stop();
    if (this.element) URL.revokeObjectURL(this.element.src);
    this.element = null;
    this.wave = null;
  }
}
