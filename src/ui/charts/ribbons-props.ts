import type { StyleKey } from '../../core/model/slots';
import type { Thread } from './ribbon-threads';

/** One trial on the common time axis; positions are seconds on that axis. */
export interface RibbonClip {
  readonly id: string;
  readonly styleKey: StyleKey;
  readonly label: string;
  readonly start: number;
  readonly end: number;
  readonly pins: readonly { readonly moment: string; readonly name: string; readonly at: number }[];
  readonly playhead: number | null;
  readonly thumbnails: readonly { readonly at: number; readonly address: string }[];
  /** Times of frames that cannot be shown. */
  readonly gaps: readonly number[];
  /** What a camera that moves does from when to when. */
  readonly camera: readonly CameraStrip[];
  /** How loud the clip is, from its first frame on, and the clip's time at a place of the axis; null is silent. */
  readonly sound: { readonly levels: Float32Array; readonly timeAt: (at: number) => number } | null;
}

export interface CameraStrip {
  readonly from: number;
  readonly to: number;
  /** How much it moves, 0 to 1; null where the background gives no hold. */
  readonly strength: number | null;
  readonly words: string;
}

/** A pin that is being dragged or has the keyboard. */
export interface HeldPin {
  readonly clipId: string;
  readonly moment: string;
  /** On the time axis, and in pixels from the left. */
  readonly at: number;
  readonly x: number;
}

export interface RibbonsProps {
  readonly clips: readonly RibbonClip[];
  readonly phases: readonly { readonly from: string; readonly to: string; readonly name: string }[];
  readonly threads: readonly Thread[];
  readonly currentEvent: string | null;
  /** The part of the axis that is shown. */
  readonly domain: readonly [number, number];
  readonly thumbnailHeight: number;
  readonly onDomain: (domain: readonly [number, number]) => void;
  readonly onScrub: (clipId: string, at: number) => void;
  readonly onPinMove: (clipId: string, moment: string, at: number) => void;
  readonly onPinSelect: (clipId: string, moment: string) => void;
  /** Moves a pin by frames of its clip, or takes it away. */
  readonly onPinStep: (clipId: string, moment: string, frames: number) => void;
  readonly onPinRemove: (clipId: string, moment: string) => void;
  readonly onPinHeld: (pin: HeldPin | null) => void;
}
