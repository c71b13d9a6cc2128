import type { Primitive } from '../geometry/primitives';
import { asInt16 } from '../sound/wav';
import { keptScene, type TalkPane, type TalkPart, type TalkPicture } from './talk-part';

/** What the screen shows at an instant. */
export interface Screen extends Omit<TalkPicture, 'at' | 'panes'> {
  readonly panes: readonly (Omit<TalkPane, 'scene'> & { readonly scene: readonly Primitive[] })[];
}

/** One part as it is kept. */
export interface CutPart {
  /** When it begins, seconds of the section. */
  readonly at: number;
  readonly pictures: TalkPart;
  /** Mono samples from its beginning to its end; null where no microphone was open. */
  readonly sound: Int16Array<ArrayBuffer> | null;
}

/** Thousandths of a pixel and of a radian are finer than any screen. */
const rounded = (_key: string, value: unknown): unknown =>
  typeof value === 'number' ? Math.round(value * 1000) / 1000 : value;

/** Samples by which two blocks of a microphone may lie apart and still be one after the other. */
const SEAM = 2;

/**
 * Collects a section while it is recorded: what the screen showed, whenever that changed, and what was said. All times
 * are seconds from the beginning of the section. No clock and no browser: whoever records tells it both.
 */
export class SectionRecorder {
  private begun = 0;
  private scenes = new Map<string, number>();
  /** Scenes that were seen already: the screen is looked at far more often than it changes. */
  private seen = new WeakMap<readonly Primitive[], number>();
  private pictures: TalkPicture[] = [];
  private notes: { at: number; id: string }[] = [];
  private last: { readonly screen: Screen; readonly text: string } | null = null;
  private blocks: { at: number; readonly samples: Float32Array }[] = [];
  private heardTo = 0;

  /** @param rate samples a second of the microphone; null without one */
  constructor(private readonly rate: number | null) {}

  /** Until when sound has come, seconds. */
  get heard(): number {
    return this.heardTo;
  }

  private sceneNumber(scene: readonly Primitive[]): number {
    const before = this.seen.get(scene);
    if (before !== undefined) return before;
    const text = JSON.stringify(keptScene(scene), rounded);
    const number = this.scenes.get(text) ?? this.scenes.size;
    this.scenes.set(text, number);
    this.seen.set(scene, number);
    return number;
  }

  /** The screen from an instant on; the same screen once more is no picture of its own. */
  see(at: number, screen: Screen): void {
    const panes = screen.panes.map((pane) => ({ ...pane, scene: this.sceneNumber(pane.scene) }));
    const text = JSON.stringify({ ...screen, panes }, rounded);
    if (text === this.last?.text) return;
    this.last = { screen, text };
    this.pictures.push({ at, ...(JSON.parse(text) as Omit<TalkPicture, 'at'>) });
  }

  note(at: number, id: string): void {
    this.notes.push({ at, id });
  }

  /** A block of sound, and when its first sample was heard; what was heard before the section began is left out. */
  hear(at: number, samples: Float32Array): void {
    if (this.rate === null) return;
    // Blocks follow each other without a gap; the clock that says when is not as exact as they are.
    const begin = Math.abs(at - this.heardTo) * this.rate <= SEAM ? this.heardTo : at;
    this.heardTo = begin + samples.length / this.rate;
    if (this.heardTo > this.begun) this.blocks.push({ at: begin, samples });
  }

  /** Ends a part and begins the next with the same screen. */
  cut(at: number): CutPart {
    const pictures: TalkPart = {
      scenes: [...this.scenes.keys()].map((text) => JSON.parse(text) as Primitive[] as TalkPart['scenes'][number]),
      pictures: this.pictures,
      notes: this.notes,
    };
    const cut = { at: this.begun, pictures, sound: this.soundTo(at) };
    const { last } = this;
    this.begun = at;
    this.scenes = new Map();
    this.seen = new WeakMap();
    this.pictures = [];
    this.notes = [];
    this.last = null;
    if (last) this.see(at, last.screen);
    return cut;
  }

  private soundTo(end: number): Int16Array<ArrayBuffer> | null {
    const { rate, begun } = this;
    if (rate === null) return null;
    const sound = new Int16Array(Math.max(0, Math.round(end * rate) - Math.round(begun * rate)));
    for (const { at, samples } of this.blocks) {
      const from = Math.round(at * rate) - Math.round(begun * rate);
      for (let i = Math.max(0, -from); i < samples.length && from + i < sound.length; i++)
        sound[from + i] = asInt16(samples[i]!);
    }
    this.blocks = this.blocks.filter(({ at, samples }) => at + samples.length / rate > end);
    return sound;
  }
}
