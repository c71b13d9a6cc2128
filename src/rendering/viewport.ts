import { rotate, type Size, type Vec2 } from '../core/geometry/vec2';

/**
 * Which part of the picture a pane shows: the picture position at the pane's middle and pane pixels per picture pixel.
 */
export interface Viewport {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
  readonly mirrored: boolean;
  /** Radians by which the picture is turned clockwise, before it is mirrored. */
  readonly turn: number;
}

export type { Size };

export function toPane(v: Viewport, pane: Size, p: Vec2): Vec2 {
  const d = rotate({ x: p.x - v.x, y: p.y - v.y }, v.turn);
  return { x: pane.width / 2 + (v.mirrored ? -1 : 1) * d.x * v.scale, y: pane.height / 2 + d.y * v.scale };
}

/** A movement on the pane as a movement in the picture. */
const inPicture = (v: Viewport, d: Vec2): Vec2 =>
  rotate({ x: ((v.mirrored ? -1 : 1) * d.x) / v.scale, y: d.y / v.scale }, -v.turn);

export function toPicture(v: Viewport, pane: Size, p: Vec2): Vec2 {
  const d = inPicture(v, { x: p.x - pane.width / 2, y: p.y - pane.height / 2 });
  return { x: v.x + d.x, y: v.y + d.y };
}

/** How a clip is shown, whatever part of it. */
export interface Showing {
  readonly mirrored: boolean;
  readonly turn: number;
}

/** The whole picture, as large as it fits. */
export function fitPicture(picture: Size, pane: Size, { mirrored, turn }: Showing): Viewport {
  return {
    x: picture.width / 2,
    y: picture.height / 2,
    scale: Math.min(pane.width / picture.width, pane.height / picture.height),
    mirrored,
    turn,
  };
}

/** Parts of its width and height at which a picture may be held. */
const DETAILS = [0.25, 0.5] as const;

/**
 * The least part of its width and height at which a picture, shown at a scale (device pixels per picture pixel), looks
 * whole.
 */
export const detailFor = (scale: number): number => DETAILS.find((part) => part >= scale) ?? 1;

/** Where the performer is and how tall, picture pixels. */
export interface Focus extends Vec2 {
  readonly height: number;
}

/** Share of the pane's height that the performer's standing height takes: raised arms and strides still fit. */
const BODY_SHARE = 0.62;
/** Widest reach of a body, arms and stride, in standing heights. */
const BODY_REACH = 1.15;

/** The performer in the middle at the same size in every pane, whatever the camera's distance. */
export function followBody(focus: Focus, pane: Size, { mirrored, turn }: Showing): Viewport {
  const scale = Math.min((BODY_SHARE * pane.height) / focus.height, pane.width / (BODY_REACH * focus.height));
  return { x: focus.x, y: focus.y, scale, mirrored, turn };
}

const SMALLEST_SCALE = 0.1;
const LARGEST_SCALE = 24;

/** Zooms by a factor and keeps the picture position under the pointer where it is. */
export function zoomAt(v: Viewport, pane: Size, pointer: Vec2, factor: number): Viewport {
  const before = toPicture(v, pane, pointer);
  const scale = Math.min(LARGEST_SCALE, Math.max(SMALLEST_SCALE, v.scale * factor));
  const after = toPicture({ ...v, scale }, pane, pointer);
  return { ...v, scale, x: v.x + before.x - after.x, y: v.y + before.y - after.y };
}

export function panBy(v: Viewport, dx: number, dy: number): Viewport {
  const d = inPicture(v, { x: dx, y: dy });
  return { ...v, x: v.x - d.x, y: v.y - d.y };
}
