import { depthLinks } from '../anatomy/depth';
import { TABLE_SD_SHARE } from '../anatomy/centre-of-mass';
import { lensOf } from '../calibration/usual-camera';
import { axesOf, cameraAngles, cameraDown, cameraOffPlane, ontoPlane } from '../calibration/view';
import type { PointRef } from '../model/quantity';
import type { Trial } from '../trial/trial';
import { correlationOf } from '../tracks/point-error';
import { partsAt, type PartAt } from '../trial/places';
import type { Vec2 } from '../geometry/vec2';
import type { Vec3 } from '../geometry/vec3';

/** How a number changes with each of the points that it is made of, per pixel of movement coordinates. */
export type Slopes = readonly Vec2[];

export interface PointsError {
  /** Standard deviation that the points' own errors give, the alike part included. */
  readonly sd: number;
  readonly systematic: number;
  /** What the points' unknown depths give, seen from beside or above the plane's normal. */
  readonly depth: number;
  /** The part of it that does not hang on how far the camera looks down, where nobody knows. */
  readonly depthAlike: number;
}

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
function variance(sources: ReadonlyMap<string, Source>, of: 'sd' | 'systematic'): number {
  let sum = 0;
  for (const [id, { part, x, y }] of sources) {
    const own = part[of];
    sum += (own.x * x) ** 2 + (own.y * y) ** 2;
    const other = id.startsWith('left') ? sources.get(id.replace('left', 'right')) : undefined;
    if (!other) continue;
    const correlation = correlationOf(part, other.part);
    const its = other.part[of];
    sum += 2 * (correlation.x * own.x * x * its.x * other.x + correlation.y * own.y * y * its.y * other.y);
  }
  return Math.max(0, sum);
}

/** What each of some unknowns about the camera does to a number through the depth of a point, per pixel of depth. */
type ByDepth = readonly [known: number, beside: number, above: number];

/**
 * What unknown depths do to a number, first order. A point that lies z before the plane is seen z sin(psi) further back
 * along by a camera that stands psi beside the plane's normal, z cos(psi) sin(theta) lower by one that looks down by
 * theta, and beside the picture's middle as much farther out as it is off the lens's axis. Depths are taken from the
 * chain of the body, so that neighbours on it share most of theirs.
 */
function depthVariance(
  { clip, bodyHeight }: Trial,
  sources: ReadonlyMap<string, Source>,
): { readonly all: number; readonly alike: number } {
  if (Number.isNaN(bodyHeight)) return { all: 0, alike: 0 };
  const [psi, theta] = [cameraOffPlane(clip), cameraDown(clip)];
  const { focal } = lensOf(clip);
  const isDrawn = clip.codec === 'points';
  const [sinPsi, cosPsi, sinTheta] = [Math.sin(psi.angle), Math.cos(psi.angle), Math.sin(theta.angle)];
  const links = new Map<string, { readonly sd: number; slopes: ByDepth }>();
  for (const [id, { part, x, y }] of sources) {
    const right = isDrawn ? 0 : (part.x - clip.width / 2) / focal;
    const up = isDrawn ? 0 : (clip.height / 2 - part.y) / focal;
    const by: ByDepth = [
      x * (right - sinPsi) + y * (up - cosPsi * sinTheta),
      (y * sinPsi * sinTheta - x * cosPsi) * Math.tan(psi.sd),
      -y * cosPsi * Math.cos(theta.angle) * Math.tan(theta.sd),
    ];
    for (const link of depthLinks(id as never)) {
      const [known, beside, above] = links.get(link.id)?.slopes ?? [0, 0, 0];
      links.set(link.id, { sd: link.sd * bodyHeight, slopes: [known + by[0], beside + by[1], above + by[2]] });
    }
  }
  const sumOf = (count: (by: ByDepth) => number): number =>
    [...links.values()].reduce((sum, { sd, slopes }) => sum + sd ** 2 * count(slopes), 0);
  return {
    all: sumOf(([known, beside, above]) => known ** 2 + beside ** 2 + above ** 2),
    alike: sumOf(([known, beside]) => known ** 2 + beside ** 2),
  };
}

/** How a number changes with the places of its points in the levelled picture, x to the right and y up. */
function inPicture({ clip }: Trial, slopes: Slopes): Slopes {
  const plane = ontoPlane(cameraAngles(clip));
  const axes = axesOf(clip);
  return slopes.map(({ x, y }) => ({ x: axes.x * plane.x * x + axes.y * plane.lean * y, y: axes.y * plane.y * y }));
}

/**
 * Error of a number that is made of points, by first-order propagation (JCGM 100:2008, 5.2.2, correlated inputs).
 * @param slopes how the number changes with each reference, per pixel
 */
export function pointsError(trial: Trial, refs: readonly PointRef[], frame: number, slopes: Slopes): PointsError {
  const seen = inPicture(trial, slopes);
  const sources = bySource(trial, refs, frame, seen);
  // A body's mass lies beside the table's in the same way at every frame.
  const table = refs.reduce(
    (sum, ref, k) =>
      ref === 'centre-of-mass' && !Number.isNaN(trial.bodyHeight)
        ? sum + (TABLE_SD_SHARE * trial.bodyHeight * Math.hypot(seen[k]!.x, seen[k]!.y)) ** 2
        : sum,
    0,
  );
  const depth = depthVariance(trial, sources);
  return {
    sd: Math.sqrt(variance(sources, 'sd') + table),
    systematic: Math.sqrt(variance(sources, 'systematic')),
    depth: Math.sqrt(depth.all),
    depthAlike: Math.sqrt(depth.alike),
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
    Math.sqrt(flat.reduce((sum, sources) => sum + variance(sources, of), 0));
  return { sd: all('sd'), systematic: all('systematic'), depth: 0, depthAlike: 0 };
}
