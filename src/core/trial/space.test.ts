import { stickClip } from '../../../tests/fixtures/stick-trial';
import { readMeasure } from '../../../tests/fixtures/measure';
import { evaluateMeasure } from '../measures';
import { seenFrom } from '../tracks/spatial-view';
import type { SpatialSeries, SpatialTrack } from '../tracks/marker-map';
import { prepareTrial, type Trial } from './trial';

/** A leg bent by 43 degrees at the knee, of a performer who turns once round while the camera stays. */
function turning(): Trial {
  const n = 121;
  const at = (point: (turn: number) => readonly [number, number, number]): SpatialSeries => {
    const all = Array.from({ length: n }, (_, i) => point((i / (n - 1)) * 2 * Math.PI));
    return {
      x: Float64Array.from(all, (p) => p[0]),
      y: Float64Array.from(all, (p) => p[1]),
      z: Float64Array.from(all, (p) => p[2]),
    };
  };
  const bend = (43 * Math.PI) / 180;
  const points: SpatialTrack = {
    'left-shoulder': at(() => [0, 1.4, 0]),
    'left-hip': at(() => [0, 0.9, 0]),
    'left-knee': at((turn) => [0.4 * Math.cos(turn), 0.75, -0.4 * Math.sin(turn)]),
    // The shank turns back in the plane of the thigh by the bend.
    'left-ankle': at((turn) => {
      const thigh = Math.atan2(-0.15, 0.4);
      return [
        (0.4 + 0.42 * Math.cos(thigh - bend)) * Math.cos(turn),
        0.75 + 0.42 * Math.sin(thigh - bend),
        -(0.4 + 0.42 * Math.cos(thigh - bend)) * Math.sin(turn),
      ];
    }),
  };
  const { track, pixelsPerMetre } = seenFrom(
    points,
    { azimuthDegrees: 0, elevationDegrees: 0 },
    { width: 1280, height: 720 },
  );
  const clip = stickClip({
    codec: 'points',
    frameTimes: Float64Array.from({ length: n }, (_, i) => (i * 1e6) / 60),
    fileRate: 60,
    captureRate: 60,
    scale: { pixels: pixelsPerMetre, metres: 1, alongDegrees: 90 },
  });
  return prepareTrial(clip, track, { side: { frame: 0 }, away: { frame: 25 }, front: { frame: 30 } }, 20, {}, points);
}

const common = { name: 'x', region: 'legs', plane: 'sagittal', importance: 0.5, cost: 'weeks' } as const;

test.each(['side', 'away', 'front'])(
  'a knee from points in space is what it is, however the performer stands (%s)',
  (at) => {
    const knee = readMeasure({
      id: 'k',
      ...common,
      kind: 'joint-angle',
      points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'],
      at,
    });
    const reading = evaluateMeasure(knee, turning());
    if (!reading.measurable) throw new Error(reading.message);
    expect((reading.value * 180) / Math.PI).toBeCloseTo(137, 0);
    expect((1.96 * reading.sd * 180) / Math.PI).toBeLessThan(8);
  },
);

test('a distance in space is in metres as it is, too', () => {
  const thigh = readMeasure({
    id: 'd',
    ...common,
    kind: 'value',
    of: { type: 'distance', points: ['opposite-hip', 'opposite-knee'] },
    lengthIn: 'm',
    at: 'front',
  });
  const reading = evaluateMeasure(thigh, turning());
  expect(reading.measurable && reading.value).toBeCloseTo(Math.hypot(0.4, 0.15), 2);
});
