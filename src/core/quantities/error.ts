import { depthLinks } from '../anatomy/depth';
import { TABLE_SD_SHARE } from '../anatomy/centre-of-mass';
import { steadyOf } from '../calibration/steady';
import { cameraOffPlane, unforeshorten } from '../calibration/view';
import type { PointRef } from '../model/quantity';
import type { Trial } from '../trial/trial';
import { partsAt, type PartAt } from '../trial/places';
import type { Vec2 } from '../geometry/vec2';
import type { Vec3 } from '../geometry/vec3';

/** How a number changes with each of the points that it is made of, per pixel of movement coordinates. */
export type Slopes = readonly Vec2[];

export interface PointsError {
  /** Standard deviation that the points' own errors give, the alike part included. */
  readonly sd: number;
  readonly systematic: number;
  /** What the points' unknown depths give, seen from beside the plane's normal. */
  readonly depth: number;
}

/**
 * A usual lens sees this much of its distance across the picture (common practice: a phone's main camera, 1.2 picture
 * widths to the focal length).
 */
const FOCAL_WIDTHS = 1.2;

interface Source {
  readonly part: PartAt;
  x: number;
  y: number;
}

/** Slopes by body point: a point that several references share counts once, with the sum of what it does. */
function bySource(trial: Trial, refs: readonly PointRef[], frame: number, slopes: Slopes): ReadonlyMap<string, Source> {
  const sources = new Map<string, Source>();
  refs.forEach((ref, k) => {
    for (const part of partsAt(trial, ref, frame) ?? []) {
      const source = sources.get(part.id) ?? { part, x: 0, y: 0 };
      source.x += part.weight * slopes[k]!.x;
      source.y += part.weight * slopes[k]!.y;
      sources.set(part.id, source);
    }
  });
  return sources;
}

/** Variance of a number from the errors of its points; joints of both sides may err together or against each other. */
function variance(sources: ReadonlyMap<string, Source>, of: 'sd' | 'systematic', stretch: number): number {
  let sum = 0;
  for (const [id, { part, x, y }] of sources) {
    sum += part[of] ** 2 * ((x * stretch) ** 2 + y ** 2);
    const other = part.ofSides !== 0 && id.startsWith('left') ? sources.get(id.replace('left', 'right')) : undefined;
    if (!other) continue;
    const correlation = Math.abs(part.ofSides) < Math.abs(other.part.ofSides) ? part.ofSides : other.part.ofSides;
    sum += 2 * correlation * part[of] * other.part[of] * (x * other.x * stretch ** 2 + y * other.y);
  }
  return Math.max(0, sum);
}

/**
 * What unknown depths do to a number, first order. A point that lies z behind the plane is seen z tan(psi) further
 * along by a camera that stands psi beside the plane's normal, and beside the picture's middle as much more as it is
 * off the lens's axis. Depths are taken from the chain of the body, so that neighbours on it share most of theirs.
 */
function depthVariance({ clip, bodyHeight }: Trial, sources: ReadonlyMap<string, Source>): number {
  if (Number.isNaN(bodyHeight)) return 0;
  const { angle, sd } = cameraOffPlane(clip);
  const focal = steadyOf(clip)?.focal ?? FOCAL_WIDTHS * clip.width;
  const tangent = Math.hypot(Math.tan(angle), Math.tan(sd));
  const links = new Map<string, { sd: number; slope: number }>();
  for (const [id, { part, x, y }] of sources) {
    const drawn = clip.codec === 'points';
    const [offX, offY] = drawn ? [0, 0] : [(part.x - clip.width / 2) / focal, (part.y - clip.height / 2) / focal];
    const seen = Math.hypot(x * Math.hypot(tangent, offX), y * offY) * Math.sign(x || y);
    for (const link of depthLinks(id as never)) {
      const known = links.get(link.id) ?? { sd: link.sd * bodyHeight, slope: 0 };
      known.slope += seen;
      links.set(link.id, known);
    }
  }
  return [...links.values()].reduce((sum, link) => sum + (link.sd * link.slope) ** 2, 0);
}

/**
 * Error of a number that is made of points, by first-order propagation (JCGM 100:2008, 5.2.2, correlated inputs).
 * @param slopes how the number changes with each reference, per pixel
 */
export function pointsError(trial: Trial, refs: readonly PointRef[], frame: number, slopes: Slopes): PointsError {
  const stretch = unforeshorten(1, cameraOffPlane(trial.clip).angle);
  const sources = bySource(trial, refs, frame, slopes);
  // A body's mass lies beside the table's in the same way at every frame.
  const table = refs.reduce(
    (sum, ref, k) =>
      ref === 'centre-of-mass' && !Number.isNaN(trial.bodyHeight)
        ? sum + (TABLE_SD_SHARE * trial.bodyHeight * Math.hypot(slopes[k]!.x * stretch, slopes[k]!.y)) ** 2
        : sum,
    0,
  );
  return {
    sd: Math.sqrt(variance(sources, 'sd', stretch) + table),
    systematic: Math.sqrt(variance(sources, 'systematic', stretch)),
    depth: Math.sqrt(depthVariance(trial, sources)),
  };
}

/**
 * The same of a number from points in space: every coordinate is as wrong as the picture's, and nothing is hidden in
 * its depth.
 * @param slopes how the number changes with each reference, per unit of the space
 * @param pixelsPerUnit of the picture in which the points' errors are stated
 */
export function spatialError(
  trial: Trial,
  refs: readonly PointRef[],
  frame: number,
  slopes: readonly Vec3[],
  pixelsPerUnit: number,
): PointsError {
  const flat = ['x', 'y', 'z'].map((axis) =>
    bySource(
      trial,
      refs,
      frame,
      slopes.map((s) => ({ x: s[axis as keyof Vec3] / pixelsPerUnit, y: 0 })),
    ),
  );
  const all = (of: 'sd' | 'systematic'): number =>
    Math.sqrt(flat.reduce((sum, sources) => sum + variance(sources, of, 1), 0));
  return { sd: all('sd'), systematic: all('systematic'), depth: 0 };
}
