import {
  BODY_POINTS,
  BONES,
  isOwnPoint,
  sideOf,
  type BodyPoint,
  type PointId,
  type Side,
} from '../anatomy/body-points';
import { pictureAxes, type FigureCamera } from '../tracks/spatial-view';
import type { Triple } from '../trial/space';
import type { Trial } from '../trial/trial';

/**
 * A body in space at one frame, and the movement's own points beside it: x ahead, y up, z to its right, in standing
 * heights from the middle of the hips.
 */
export type SpaceFigure = ReadonlyMap<PointId, Triple>;

const RADIANS = Math.PI / 180;

/** A trial's body in space at a frame; null where it is not known there. */
export function spaceFigureAt({ space, bodyHeight }: Trial, frame: number): SpaceFigure | null {
  if (!space || space.azimuthDegrees === undefined) return null;
  const at = (id: PointId): Triple | null => {
    const series = space.points[id];
    const x = series?.x[frame];
    return series && x !== undefined && !Number.isNaN(x) ? [x, series.y[frame]!, series.z[frame]!] : null;
  };
  const [left, right] = [at('left-hip'), at('right-hip')];
  if (!left || !right) return null;
  const size = space.pixelsPerUnit / bodyHeight;
  const [c, s] = [Math.cos(space.azimuthDegrees * RADIANS), Math.sin(space.azimuthDegrees * RADIANS)];
  const figure = new Map<PointId, Triple>();
  for (const id of [...BODY_POINTS, ...Object.keys(space.points).filter(isOwnPoint)]) {
    const point = at(id);
    if (!point) continue;
    const [x, y, z] = point.map((v, i) => (v - (left[i]! + right[i]!) / 2) * size) as [number, number, number];
    figure.set(id, [c * x - s * z, y, s * x + c * z]);
  }
  return figure;
}

/** One line of a body as a camera far away sees it: x to the right, y down, standing heights. */
export interface SpaceLine {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly side: Side | null;
  /** Whether it goes across the body: hips and shoulders, whose turn it shows. */
  readonly across: boolean;
  /** How far its middle lies towards the camera. */
  readonly near: number;
}

const ACROSS: readonly (readonly [BodyPoint, BodyPoint])[] = [
  ['left-hip', 'right-hip'],
  ['left-shoulder', 'right-shoulder'],
];

/** Where a point lies in the picture of a camera far away, and how near it is. */
export function seenPoint(point: Triple, camera: FigureCamera): readonly [x: number, y: number, near: number] {
  const { right, up } = pictureAxes(camera);
  const along = (d: Triple): number => d[0] * point[0] + d[1] * point[1] + d[2] * point[2];
  const towards: Triple = [
    right[1] * up[2] - right[2] * up[1],
    right[2] * up[0] - right[0] * up[2],
    right[0] * up[1] - right[1] * up[0],
  ];
  return [along(right), -along(up), along(towards)];
}

/** Middle of the head and where the neck begins, as a camera sees them; null where the face or a shoulder is not known. */
export function headOf(
  figure: SpaceFigure,
  camera: FigureCamera,
): { readonly head: readonly [number, number, number]; readonly neck: readonly [number, number, number] } | null {
  const [nose, left, right] = [figure.get('nose'), figure.get('left-shoulder'), figure.get('right-shoulder')];
  if (!nose || !left || !right) return null;
  const neck = left.map((v, i) => (v + right[i]!) / 2) as unknown as Triple;
  return { head: seenPoint(nose, camera), neck: seenPoint(neck, camera) };
}

/** The lines of a body, the farthest first, so that the nearest is drawn over them. */
export function linesOfFigure(figure: SpaceFigure, camera: FigureCamera): readonly SpaceLine[] {
  const lines = [...BONES, ...ACROSS].flatMap(([a, b]): SpaceLine[] => {
    const [p, q] = [figure.get(a), figure.get(b)];
    if (!p || !q) return [];
    const [from, to] = [seenPoint(p, camera), seenPoint(q, camera)];
    const side = sideOf(a) === sideOf(b) ? sideOf(a) : null;
    return [
      {
        from: [from[0], from[1]],
        to: [to[0], to[1]],
        side,
        across: side === null,
        near: (from[2] + to[2]) / 2,
      },
    ];
  });
  return lines.sort((a, b) => a.near - b.near);
}

/** The movement's own points, an implement's or an animal's, as a camera sees them. */
export const besideFigure = (
  figure: SpaceFigure,
  camera: FigureCamera,
): readonly (readonly [number, number, number])[] =>
  [...figure].filter(([id]) => isOwnPoint(id)).map(([, point]) => seenPoint(point, camera));
