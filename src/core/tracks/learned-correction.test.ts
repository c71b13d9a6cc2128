import { normals } from '../../../tests/fixtures/random';
import { viewSchema } from '../model/clip';
import { HAND_SD_PIXELS } from '../statistics/hand-sd';
import { learnedCorrections } from './learned-correction';
import { emptySeries, ORIGIN, placePoint, type PointSeries, type Track } from './track';

const FRAMES = 240;
const TIMES = Float64Array.from({ length: FRAMES }, (_, i) => i / 120);
const HEIGHT = 600;
/** Square from the side. */
const SIDE_ON = viewSchema.parse({ kind: 'side', offPlaneDegrees: 0 });
const FROM = { times: TIMES, height: HEIGHT, clip: { view: SIDE_ON, travel: 'right' } } as const;

const seriesOf = (at: (i: number) => readonly [number, number]): PointSeries => ({
  x: Float64Array.from({ length: FRAMES }, (_, i) => at(i)[0]),
  y: Float64Array.from({ length: FRAMES }, (_, i) => at(i)[1]),
  confidence: new Float32Array(FRAMES).fill(0.9),
  origin: new Uint8Array(FRAMES).fill(ORIGIN.detected),
});

/** A shank that swings about a knee: along it, and across it. */
const angle = (i: number): number => 0.6 * Math.sin((2 * Math.PI * i) / 120);
const truth = (i: number): readonly [number, number] => [
  300 + 150 * Math.sin(angle(i)),
  400 + 150 * Math.cos(angle(i)),
];
/** The detector's ankle lies beside the true one, along and across the shank. */
const detectedAt =
  (along: (i: number) => number, across: (i: number) => number) =>
  (i: number): readonly [number, number] => {
    const [x, y] = truth(i);
    const [u, v] = [Math.sin(angle(i)), Math.cos(angle(i))];
    return [x + along(i) * u - across(i) * v, y + along(i) * v + across(i) * u];
  };
const trackWith = (ankle: PointSeries): Track => ({
  'right-knee': seriesOf(() => [300, 400]),
  'right-ankle': ankle,
  'left-ankle': emptySeries(FRAMES),
});
const corrected = (track: Track, frames: readonly number[]): Track =>
  frames.reduce((t, i) => placePoint(t, FRAMES, 'right-ankle', i, ...truth(i)), track);
const errorOf = (series: PointSeries): number => {
  const away = Array.from(TIMES.keys(), (i) => Math.hypot(series.x[i]! - truth(i)[0], series.y[i]! - truth(i)[1]));
  return away.sort((a, b) => a - b)[FRAMES >> 1]!;
};

describe('what corrections by hand tell of the other frames', () => {
  const biased = trackWith(
    seriesOf(
      detectedAt(
        () => -6,
        () => 4,
      ),
    ),
  );

  it('moves them by the offset in the frame of the segment, whichever way it points, and less with one than with three', () => {
    const three = learnedCorrections(corrected(biased, [30, 120, 210]), FROM).get('right-ankle')!;
    const one = learnedCorrections(corrected(biased, [120]), FROM).get('right-ankle')!;
    expect(errorOf(biased['right-ankle']!)).toBeCloseTo(Math.hypot(6, 4), 6);
    expect(errorOf(three.series)).toBeLessThan(0.35 * Math.hypot(6, 4));
    expect(errorOf(one.series)).toBeLessThan(0.75 * Math.hypot(6, 4));
    expect(errorOf(one.series)).toBeGreaterThan(errorOf(three.series));
    expect(three.corrected).toEqual([30, 120, 210]);
  });

  it('leaves what was placed by hand, what no detector placed, and every other point as they are', () => {
    const track = corrected(biased, [30, 120, 210]);
    const learned = learnedCorrections(track, FROM);
    expect([...learned.keys()]).toEqual(['right-ankle']);
    expect([learned.get('right-ankle')!.series.x[120]]).toEqual([track['right-ankle']!.x[120]]);
    expect(learnedCorrections(biased, FROM).size).toBe(0);
    expect(learnedCorrections(corrected(biased, [...TIMES.keys()]), FROM).size).toBe(0);
    expect(learnedCorrections(corrected(biased, [30]), { ...FROM, height: NaN }).size).toBe(0);
  });

  it('is told anew where the side that is turned away, or the rate, is said to be another', () => {
    // So near to the truth that the detector's usual error decides how much is made of it.
    const one = (): number => 1;
    const track = corrected(trackWith(seriesOf(detectedAt(one, one))), [120]);
    const sdOf = (from: Parameters<typeof learnedCorrections>[1]): number =>
      learnedCorrections(track, from).get('right-ankle')!.sd[60]!;
    const near = sdOf(FROM);
    expect(sdOf({ ...FROM, clip: { view: SIDE_ON, travel: 'left' } })).toBeGreaterThan(near);
    expect(sdOf({ ...FROM, times: TIMES.map((t) => t / 2) })).toBeLessThan(near);
    expect(sdOf(FROM)).toBe(near);
  });

  it('learns nothing from a single frame that was detected wrongly', () => {
    const right = seriesOf(truth);
    const wild: PointSeries = { ...right, x: right.x.map((x, i) => (i === 100 ? x + 90 : x)) };
    // The frames beside it were right, and say so.
    const single = learnedCorrections(corrected(trackWith(wild), [100]), FROM).get('right-ankle');
    expect(single?.moved ?? 0).toBeLessThan(0.05);
    const stretch: PointSeries = { ...right, x: right.x.map((x, i) => (i > 90 && i < 110 ? x + 90 : x)) };
    expect(learnedCorrections(corrected(trackWith(stretch), [100]), FROM).size).toBe(0);
  });

  it('says what is left: surest beside a correction, and the truth lies inside as often as stated', () => {
    // Offsets of the prior's own kind: a part that stays and one that is carried on for 0.15 s (drawn anew each time).
    const normal = normals(7);
    const sd = 0.0045 * HEIGHT;
    const drawn = (): ((i: number) => number) => {
      const stays = Math.sqrt(0.4) * sd * normal();
      const carried = new Float64Array(FRAMES);
      const keep = Math.exp(-1 / 120 / 0.15);
      carried[0] = normal();
      for (let i = 1; i < FRAMES; i++) carried[i] = keep * carried[i - 1]! + Math.sqrt(1 - keep ** 2) * normal();
      return (i) => stays + Math.sqrt(0.6) * sd * carried[i]!;
    };
    let [inside, all] = [0, 0];
    for (let n = 0; n < 60; n++) {
      let track = trackWith(seriesOf(detectedAt(drawn(), drawn())));
      for (const i of [30, 120, 210]) {
        const [x, y] = truth(i);
        track = placePoint(
          track,
          FRAMES,
          'right-ankle',
          i,
          x + HAND_SD_PIXELS * normal(),
          y + HAND_SD_PIXELS * normal(),
        );
      }
      const learned = learnedCorrections(track, FROM).get('right-ankle');
      if (!learned) continue;
      expect(learned.sd[122]!).toBeLessThan(learned.sd[75]!);
      for (let i = 5; i < FRAMES; i += 10) {
        if (learned.series.origin[i] === ORIGIN.hand) continue;
        all += 2;
        if (Math.abs(learned.series.x[i]! - truth(i)[0]) < 1.96 * learned.sd[i]!) inside++;
        if (Math.abs(learned.series.y[i]! - truth(i)[1]) < 1.96 * learned.sd[i]!) inside++;
      }
    }
    expect(inside / all).toBeGreaterThan(0.9);
    expect(inside / all).toBeLessThan(0.985);
  });
});
