import type { PointRef } from '../model/quantity';
import { notMeasurable, type NotMeasurable, type Reading } from '../reading';
import { isFromDetector } from '../tracks/track';
import { partsAt } from './places';
import type { Trial } from './trial';
import { TEXT } from '../../text/core/trial';

/**
 * Least standing height of a body whose points are detected, pixels. Of bodies of 83 to 155 pixels the stated errors
 * hold but at the trunk; of 62 and 65 a detector takes other limbs or the ground for what it looks for, and no error says how far off
 * that is (the same clips made smaller, `npm run bench points`).
 */
export const LEAST_HEIGHT_PIXELS = 70;

/** Whether points were detected on a body too small for it. */
export const isTooSmall = ({ raw, space, bodyHeight }: Pick<Trial, 'raw' | 'space' | 'bodyHeight'>): boolean =>
  !space &&
  bodyHeight < LEAST_HEIGHT_PIXELS &&
  Object.values(raw).some((series) => series?.origin.some((origin) => isFromDetector(origin)));

/** Why nothing is read from points that were detected on a body this small; null where it is large enough. */
export function tooSmall(trial: Trial, reading: Reading): NotMeasurable | null {
  if (!reading.measurable || !isTooSmall(trial)) return null;
  const { frames, points } = reading.provenance;
  const detected = frames.some((frame) =>
    points.some((ref) =>
      partsAt(trial, ref as PointRef, Math.round(frame))?.some(({ id }) =>
        isFromDetector(trial.raw[id]?.origin[Math.round(frame)]),
      ),
    ),
  );
  return detected
    ? notMeasurable(
        'too-uncertain',
        TEXT.performerIsOnlyPixelsTall(Math.round(trial.bodyHeight)),
        TEXT.filmNearerZoomIn(LEAST_HEIGHT_PIXELS),
      )
    : null;
}
