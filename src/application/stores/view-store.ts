import { create } from 'zustand';
import type { Gaps } from '../../core/timing/frame-gaps';
import type { Drawing, DrawingKind } from '../../core/model/drawing';
import type { PointId } from '../../core/anatomy/body-points';
import type { FigureCamera } from '../../core/tracks/spatial-view';
import type { Vec2 } from '../../core/geometry/vec2';
import type { PersonBox } from '../../core/model/kept-detections';
import type { MatchMode } from '../../core/timing/time-map';

export const SPEEDS = [0.0625, 0.125, 0.25, 0.5, 1, 2] as const;
export type Speed = (typeof SPEEDS)[number];

/** What is on the screen right now; none of it is part of the document or of its history. */
export interface ViewState {
  /** Clip id -> frame that its pane shows; written only when the pictures are there. */
  readonly shown: Readonly<Record<string, number>>;
  /** The clip that keys act on; null is the first. */
  readonly activeClip: string | null;
  /** Clips whose lines are hidden. */
  readonly plain: readonly string[];
  readonly mode: MatchMode;
  /** Moment at which the clips are together in locked mode. */
  readonly lockEvent: string | null;
  /** Clip id -> its time minus the leading clip's, seconds, where the clips are locked as they stand. */
  readonly offsets: Readonly<Record<string, number>>;
  /** Part of the time axis that the ribbons show, seconds; null shows all. */
  readonly ribbonSpan: { readonly from: number; readonly to: number } | null;
  readonly thumbnails: boolean;
  /** Whether the sound of the clips is drawn along the time, and whether the chosen clip's is heard. */
  readonly waves: boolean;
  readonly sound: boolean;
  readonly playing: boolean;
  /** Moments between which it plays; null plays the whole clip. */
  readonly region: { readonly from: string; readonly to: string } | null;
  readonly loop: boolean;
  /** Clip id -> frames that cannot be decoded, as far as they were asked for. */
  readonly gaps: Gaps;
  readonly speed: Speed;
  readonly overlays: boolean;
  readonly followBody: boolean;
  /** Where a camera moved, panes that follow hold its ground still instead. */
  readonly holdGround: boolean;
  readonly selectedMeasure: string | null;
  /** What a press in a picture does. */
  readonly tool: 'move' | 'points' | 'draw' | 'level' | 'scale' | 'person' | 'ground' | 'tie';
  /** The place that stands still which is being pressed in one frame after the other. */
  readonly tied: { readonly clipId: string; readonly id: string } | null;
  /** Four corners of a rectangle on the ground, waiting for its size. */
  readonly markedGround: {
    readonly clipId: string;
    readonly corners: readonly Vec2[];
    readonly frame: number;
  } | null;
  /** Clip id -> a box round the person whose points are to be found. */
  readonly persons: Readonly<Record<string, PersonBox>>;
  /** How points are detected. */
  readonly findSetting: 'fast' | 'accurate';
  /** Placing points by hand. */
  readonly pointWork: PointWork;
  /** What makes pictures that follow the body equal in size. */
  readonly sizeBy: 'body' | 'length';
  /** A line that was drawn along a known length, waiting for its metres. */
  readonly measuredLine: {
    readonly clipId: string;
    readonly pixels: number;
    readonly alongDegrees: number;
    readonly frame: number;
  } | null;
  readonly drawing: { readonly kind: DrawingKind; readonly span: Drawing['span']; readonly anchor: Drawing['anchor'] };
  /** Body region of the pass under way. */
  readonly pass: string | null;
  /** A note that was just made: its field takes the keys once. */
  readonly freshNote: string | null;
  readonly helpOpen: boolean;
  readonly layout: Layout;
  /** Whether the body in space has a pane, and from where it is seen. */
  readonly space: { readonly shown: boolean; readonly camera: FigureCamera };
  /** How the reference is laid over the athlete. */
  readonly ghost: {
    readonly opacity: number;
    readonly show: 'picture' | 'edges' | 'lines';
    readonly anchor: GhostAnchor;
  };
}

/** What comes after a point is placed: nothing, the same point on the next frame, or the next point of the order. */
export type AfterPlacing = 'stay' | 'next-frame' | 'next-point';

export interface PointWork {
  readonly id: PointId;
  /** Whether the next press in the picture places the point. */
  readonly placing: boolean;
  readonly after: AfterPlacing;
  /** Half the side of the square that is compared while a point is followed, picture pixels. */
  readonly trackingRadius: number;
  /** How far a detected point was moved last, to be carried on. */
  readonly shift: {
    readonly clipId: string;
    readonly id: PointId;
    readonly frame: number;
    readonly x: number;
    readonly y: number;
  } | null;
  /** Where left and right begin to be exchanged. */
  readonly swapFrom: { readonly clipId: string; readonly frame: number } | null;
}

export const LAYOUTS = ['columns', 'rows', 'grid', 'large', 'over'] as const;
export type Layout = (typeof LAYOUTS)[number];
/** Points at which two bodies can be laid on each other. */
export const GHOST_ANCHORS = ['mid-hip', 'opposite-ankle', 'dominant-ankle', 'mid-shoulder'] as const;
export type GhostAnchor = (typeof GHOST_ANCHORS)[number];

export const useView = create<ViewState>(() => ({
  shown: {},
  activeClip: null,
  plain: [],
  mode: 'matched',
  lockEvent: null,
  offsets: {},
  ribbonSpan: null,
  thumbnails: false,
  waves: true,
  sound: false,
  playing: false,
  region: null,
  loop: false,
  gaps: {},
  speed: 0.25,
  overlays: true,
  followBody: true,
  holdGround: false,
  selectedMeasure: null,
  tool: 'move',
  persons: {},
  findSetting: 'accurate',
  markedGround: null,
  tied: null,
  pointWork: { id: 'left-knee', placing: false, after: 'stay', trackingRadius: 12, shift: null, swapFrom: null },
  sizeBy: 'body',
  measuredLine: null,
  drawing: { kind: 'line', span: 'frame', anchor: null },
  pass: null,
  freshNote: null,
  helpOpen: false,
  layout: 'columns',
  space: { shown: false, camera: { azimuthDegrees: 40, elevationDegrees: 15 } },
  ghost: { opacity: 0.5, show: 'picture', anchor: 'mid-hip' },
}));

export const setView = (patch: Partial<ViewState>): void => useView.setState(patch);

export const setPointWork = (patch: Partial<PointWork>): void =>
  useView.setState((state) => ({ pointWork: { ...state.pointWork, ...patch } }));

/** Shows or hides the lines of one clip. */
export function togglePlain(clipId: string): void {
  const { plain } = useView.getState();
  setView({ plain: plain.includes(clipId) ? plain.filter((id) => id !== clipId) : [...plain, clipId] });
}

/** Panes hold the ground of a camera that moved still, or follow the body again. */
export const toggleGround = (): void => setView({ holdGround: !useView.getState().holdGround, followBody: true });

/** Changes what is shown of the body in space. */
export const setSpace = (patch: Partial<ViewState['space']>): void =>
  useView.setState((state) => ({ space: { ...state.space, ...patch } }));
