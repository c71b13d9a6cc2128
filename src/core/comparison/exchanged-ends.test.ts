import { readMeasure } from '../../../tests/fixtures/measure';
import { BODY, stickTrial } from '../../../tests/fixtures/stick-trial';
import { ORIGIN, type PointSeries, type Track } from '../tracks/track';
import type { Trial } from '../trial/trial';
import { fromSi } from '../units';
import { compareMeasure } from './compare';

const shoulderLine = readMeasure({
  id: 'shoulders',
  name: 'Shoulder line',
  kind: 'segment-angle',
  points: ['dominant-shoulder', 'opposite-shoulder'],
  against: 'forward',
  at: 'one',
  region: 'trunk',
  plane: 'sagittal',
  importance: 0.5,
  cost: 'weeks',
  target: { type: 'same-as-reference', tolerance: 10, source: 'test' },
});

/** Shoulders 150 pixels apart that rise forward by so many degrees, placed by hand. */
function shoulders(degrees: number): Trial {
  const [dx, dy] = [75 * Math.cos((degrees * Math.PI) / 180), 75 * Math.sin((degrees * Math.PI) / 180)];
  return stickTrial(
    () => ({ ...BODY, 'left-shoulder': [500 + dx, -79 - dy], 'right-shoulder': [500 - dx, -79 + dy] }),
    { one: 10 },
  );
}

/** The same as a detector would have it. */
const detected = (trial: Trial): Trial => {
  const asDetected = (track: Track): Track =>
    Object.fromEntries(
      Object.entries(track as Record<string, PointSeries>).map(([id, series]) => [
        id,
        { ...series, origin: series.origin.map(() => ORIGIN.detected) },
      ]),
    );
  return { ...trial, raw: asDetected(trial.raw), smoothed: asDetected(trial.smoothed) };
};

describe('directions of a line from side to side', () => {
  const compared = (athlete: Trial, reference: Trial) => compareMeasure(shoulderLine, [[athlete]], [[reference]]);

  it('are not compared where a detector has both face opposite ways', () => {
    const found = compared(detected(shoulders(-167)), detected(shoulders(10)));
    expect(found).toMatchObject({
      athlete: { measurable: false, reason: 'sides-exchanged', remedy: expect.stringContaining('exchange left and') },
      difference: null,
      plusMinus: null,
    });
    // One whose sides a person named does not vouch for the other.
    expect(compared(shoulders(-167), detected(shoulders(10))).athlete.measurable).toBe(false);
  });

  it('are compared where they face nearly the same way, or a person named the sides of both', () => {
    const near = compared(detected(shoulders(-20)), detected(shoulders(10)));
    expect(fromSi(near.difference!, 'deg')).toBeCloseTo(-30, 6);
    const seen = compared(shoulders(-167), shoulders(10));
    expect(fromSi(seen.difference!, 'deg')).toBeCloseTo(-177, 6);
  });
});
