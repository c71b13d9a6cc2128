import type { ReactNode } from 'react';
import type { Vec2 } from '../../core/geometry/vec2';
import type { StyleKey } from '../../core/model/slots';
import type { Primitive } from '../../core/geometry/primitives';
import type { GesturePhase } from './drawing-gesture';
import type { Painted } from '../../rendering/shown-panes';
import { type Focus, type Showing, type Size } from '../../rendering/viewport';

/** Takes a picture with the rotation that it still needs to stand upright. */
export type PanePainter = (
  frame: VideoFrame | ImageBitmap,
  index: number,
  rotation: PaneProps['picture']['rotation'],
) => void;

export interface HandlePoint extends Vec2 {
  readonly id: string;
}

export interface PaneProps {
  /** The clip's place, unique on the bench, and what it looks like. */
  readonly id: string;
  readonly styleKey: StyleKey;
  readonly picture: Size &
    Showing & { readonly rotation: 0 | 90 | 180 | 270; readonly brightness: number; readonly contrast: number };
  /** What is drawn over a frame, and where its performer is. */
  readonly sceneAt: (frame: number) => readonly Primitive[];
  readonly focusAt: (frame: number) => Focus | null;
  /** Points that can be dragged at a frame; empty when points are not being edited. */
  readonly handlesAt: (frame: number) => readonly HandlePoint[];
  /** The point that acts act on, shown among the others. */
  readonly chosen: string | null;
  readonly onChoosePoint: (id: string) => void;
  /** A point to be placed by the next press, or by the key E where the pointer is; or null. */
  readonly placing: string | null;
  readonly active: boolean;
  readonly followBody: boolean;
  /** Laid over another pane: how much of the picture is seen; null for a pane of its own. */
  readonly ghost: number | null;
  /** Only the outlines of the picture. */
  readonly edges: boolean;
  /** Panes under this one where they are laid over each other. */
  readonly below: number;
  readonly label: string;
  readonly caption: ReactNode;
  /** Buttons of the pane, in its lower corner. */
  readonly acts: ReactNode;
  /** Registers the function that shows a decoded frame. */
  readonly attach: (painter: PanePainter) => () => void;
  /** Told at which part of its width and height a picture looks whole here. */
  readonly onDetail: (detail: number) => void;
  /** Told what was painted; null when the pane goes. */
  readonly onPainted: (canvas: HTMLCanvasElement, painted: Painted | null) => void;
  readonly onActivate: () => void;
  readonly onMovePoint: (id: string, frame: number, at: Vec2) => void;
  readonly onViewportByHand: () => void;
  /** Takes presses and drags in picture pixels instead of panning; null when nothing is being drawn. */
  readonly onDraw: ((at: Vec2, phase: GesturePhase, frame: number) => void) | null;
}
