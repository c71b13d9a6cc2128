import type { Clip } from '../model/clip';
import type { OwnPointOfMovement } from '../model/movement';
import { ORIGIN, type PointSeries, type Track } from '../tracks/track';
import { partsOf } from './places';

const isPlaced = (series: PointSeries | undefined): boolean =>
  series?.origin.some((o) => o !== ORIGIN.missing) ?? false;

/** A point of somebody else as a series of its own: the mean of its parts, as sure as the least sure of them. */
function seriesOf(
  ref: NonNullable<OwnPointOfMovement['partner']>,
  track: Track,
  { performer }: Pick<Clip, 'performer'>,
): PointSeries | null {
  const parts = partsOf(ref, performer, track).map(({ id, weight }) => ({ weight, series: track[id] }));
  if (parts.length === 0 || parts.some(({ series }) => !series)) return null;
  const [first] = parts as [{ weight: number; series: PointSeries }];
  const sum = (axis: 'x' | 'y'): Float64Array =>
    first.series.x.map((_, i) => parts.reduce((total, { weight, series }) => total + weight * series![axis][i]!, 0));
  return {
    x: sum('x'),
    y: sum('y'),
    confidence: first.series.confidence.map((_, i) => Math.min(...parts.map(({ series }) => series!.confidence[i]!))),
    origin: first.series.origin,
  };
}

/**
 * A performer's points with those of a movement that are another person's of the same picture. What was placed by hand
 * on the performer's own clip stays.
 */
export function withPartner(
  track: Track,
  points: readonly OwnPointOfMovement[],
  partner: { readonly clip: Clip; readonly track: Track } | null,
): Track {
  if (!partner) return track;
  const frames = Object.values(track)[0]?.x.length;
  const followed = points.flatMap(({ id, partner: ref }): [string, PointSeries][] => {
    if (!ref || isPlaced(track[id])) return [];
    const series = seriesOf(ref, partner.track, partner.clip);
    return series && (frames === undefined || series.x.length === frames) ? [[id, series]] : [];
  });
  return followed.length === 0 ? track : { ...track, ...Object.fromEntries(followed) };
}
