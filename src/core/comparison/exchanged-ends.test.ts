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

const degreesOf = (si: number | null): number => fromSi(si!, 'deg');

describe('directions of a line from side to side', () => {
  const compared = (athlete: Trial, ...references: Trial[]) =>
    compareMeasure(
      shoulderLine,
      [[athlete]],
      references.map((r) => [r]),
    );
  const exchanged = {
    measurable: false,
    reason: 'sides-exchanged',
    remedy: expect.stringContaining('exchange left and'),
  };

  it('are not compared where a detector has both face opposite ways', () => {
    expect(compared(detected(shoulders(-167)), detected(shoulders(10)))).toMatchObject({
      athlete: exchanged,
      reference: exchanged,
      difference: null,
      plusMinus: null,
    });
    // One whose sides a person named does not vouch for the other.
    expect(compared(shoulders(-167), detected(shoulders(10)))).toMatchObject({
      reference: exchanged,
      difference: null,
    });
  });

  it('are left out where one of several faces the other way than the rest', () => {
    const [ten, eleven, turned] = [10, 11, -168].map((d) => detected(shoulders(d))) as [Trial, Trial, Trial];
    expect(degreesOf(compared(ten, eleven, turned).difference)).toBeCloseTo(-1, 6);
    expect(compared(turned, ten, eleven)).toMatchObject({ athlete: exchanged, reference: { measurable: true } });
  });

  it('are compared where they face nearly the same way, or a person named the sides', () => {
    expect(degreesOf(compared(detected(shoulders(-20)), detected(shoulders(10))).difference)).toBeCloseTo(-30, 6);
    expect(degreesOf(compared(shoulders(-167), shoulders(10)).difference)).toBeCloseTo(-177, 6);
  });
});
