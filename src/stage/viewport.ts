import type { Vec2 } from '../core/geometry/vec2';

/** Which part of the picture a pane shows: the picture position at the pane's middle and pane pixels per picture pixel. */
export interface Viewport {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
  readonly mirrored: boolean;
}

export interface Size {
  readonly width: number;
  readonly height: number;
}

export const toPane = (v: Viewport, pane: Size, p: Vec2): Vec2 => ({
  x: pane.width / 2 + (v.mirrored ? -1 : 1) * (p.x - v.x) * v.scale,
  y: pane.height / 2 + (p.y - v.y) * v.scale,
});

export const toPicture = (v: Viewport, pane: Size, p: Vec2): Vec2 => ({
  x: v.x + ((v.mirrored ? -1 : 1) * (p.x - pane.width / 2)) / v.scale,
  y: v.y + (p.y - pane.height / 2) / v.scale,
});

/** The whole picture, as large as it fits. */
export function fitPicture(picture: Size, pane: Size, mirrored: boolean): Viewport {
  return {
    x: picture.width / 2,
    y: picture.height / 2,
    scale: Math.min(pane.width / picture.width, pane.height / picture.height),
    mirrored,
  };
}

/** Where the performer is and how tall, picture pixels. */
export interface Focus extends Vec2 {
  readonly height: number;
}

/** Share of the pane's height that the performer's standing height takes: raised arms and strides still fit. */
const BODY_SHARE = 0.62;
/** Widest reach of a body, arms and stride, in standing heights. */
const BODY_REACH = 1.15;

/** The performer in the middle at the same size in every pane, whatever the camera's distance. */
export function followBody(focus: Focus, pane: Size, mirrored: boolean): Viewport {
  const scale = Math.min((BODY_SHARE * pane.height) / focus.height, pane.width / (BODY_REACH * focus.height));
  return { x: focus.x, y: focus.y, scale, mirrored };
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
  return { ...v, x: v.x - ((v.mirrored ? -1 : 1) * dx) / v.scale, y: v.y - dy / v.scale };
}
