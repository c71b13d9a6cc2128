import { create } from 'zustand';
import type { Drawing, DrawingKind } from '../core/model/drawing';
import type { MatchMode } from '../core/timing/time-map';

export const SPEEDS = [0.0625, 0.125, 0.25, 0.5, 1, 2] as const;
export type Speed = (typeof SPEEDS)[number];

/** What is on the screen right now; none of it is part of the document or of its history. */
export interface ViewState {
  /** Clip id -> frame that its pane shows; written only when the pictures are there. */
  readonly shown: Readonly<Record<string, number>>;
  readonly activeRole: 'athlete' | 'reference';
  readonly mode: MatchMode;
  /** Moment at which the clips are together in locked mode. */
  readonly lockMoment: string | null;
  /** Reference time minus athlete time, seconds, where the clips are locked as they stand. */
  readonly offset: number;
  readonly playing: boolean;
  /** Moments between which it plays; null plays the whole clip. */
  readonly region: { readonly from: string; readonly to: string } | null;
  readonly loop: boolean;
  readonly speed: Speed;
  readonly overlays: boolean;
  readonly followBody: boolean;
  readonly selectedMeasure: string | null;
  /** What a press in a picture does. */
  readonly tool: 'move' | 'points' | 'draw' | 'level';
  readonly drawing: { readonly kind: DrawingKind; readonly span: Drawing['span']; readonly anchor: Drawing['anchor'] };
  /** Body region of the pass under way. */
  readonly pass: string | null;
  readonly helpOpen: boolean;
  readonly layout: Layout;
  /** How the reference is laid over the athlete. */
  readonly ghost: { readonly opacity: number; readonly linesOnly: boolean; readonly anchor: GhostAnchor };
}

export const LAYOUTS = ['columns', 'rows', 'large', 'over'] as const;
export type Layout = (typeof LAYOUTS)[number];
/** Points at which two bodies can be laid on each other. */
export const GHOST_ANCHORS = ['mid-hip', 'opposite-ankle', 'dominant-ankle', 'mid-shoulder'] as const;
export type GhostAnchor = (typeof GHOST_ANCHORS)[number];

export const useView = create<ViewState>(() => ({
  shown: {},
  activeRole: 'athlete',
  mode: 'matched',
  lockMoment: null,
  offset: 0,
  playing: false,
  region: null,
  loop: false,
  speed: 0.25,
  overlays: true,
  followBody: true,
  selectedMeasure: null,
  tool: 'move',
  drawing: { kind: 'line', span: 'frame', anchor: null },
  pass: null,
  helpOpen: false,
  layout: 'columns',
  ghost: { opacity: 0.5, linesOnly: false, anchor: 'mid-hip' },
}));

export const setView = (patch: Partial<ViewState>): void => useView.setState(patch);
