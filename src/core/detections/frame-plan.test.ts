import type { PointId } from '../anatomy/body-points';
import { emptySeries, ORIGIN, type PointSeries, type Track } from '../tracks/track';
import { fillBetween, interpolationResiduals } from './fill-between';
import { detectionStep, framePlan } from './frame-plan';

const timesAt = (rate: number, seconds: number): Float64Array =>
  Float64Array.from({ length: Math.round(rate * seconds) }, (_, i) => i / rate);

type Path = (time: number) => readonly [x: number, y: number];
/** A person 300 px tall whose wrist goes its own way; only the frames that were detected are known. */
function seenOn(frames: readonly number[], times: Float64Array, wrist: Path): Track {
  const at: Readonly<Record<string, Path>> = {
    'left-shoulder': (t) => [100 + 50 * t, 100],
    'left-hip': (t) => [100 + 50 * t, 190],
    'left-knee': (t) => [100 + 50 * t, 263],
    'left-ankle': (t) => [100 + 50 * t, 337],
    'left-wrist': wrist,
  };
  return Object.fromEntries(
    Object.entries(at).map(([id, path]) => {
      const series = emptySeries(times.length);
      for (const i of frames) {
        [series.x[i], series.y[i]] = path(times[i]!);
        series.confidence[i] = 0.9;
        series.origin[i] = ORIGIN.detected;
      }
      return [id, series];
    }),
  );
}
const swing: Path = (t) => [100 + 60 * Math.sin(2 * Math.PI * t), 200];
/** Still, but for a blow of 60 ms in the middle of a second. */
const blow: Path = (t) => [100 + (Math.abs(t - 0.5) < 0.03 ? 120 * Math.cos((Math.PI * (t - 0.5)) / 0.06) : 0), 200];

function planned(times: Float64Array, wrist: Path, events: readonly number[] = []): readonly (readonly number[])[] {
  const plan = framePlan(times);
  const [passes, asked]: [(readonly number[])[], number[]] = [[], []];
  for (let next = plan.next(null); next.length > 0;) {
    passes.push(next);
    asked.push(...next);
    asked.sort((a, b) => a - b);
    next = plan.next({ track: fillBetween(seenOn(asked, times, wrist), asked, times), events });
  }
  return passes;
}

describe('which frames are detected', () => {
  it('are as far apart in time at every rate, and all of them where a camera takes no more than that', () => {
    expect([25, 30, 50, 60, 120, 240].map((rate) => detectionStep(timesAt(rate, 1)))).toEqual([1, 1, 1, 2, 4, 8]);
    expect(planned(timesAt(30, 1), swing)).toEqual([Array.from({ length: 30 }, (_, i) => i)]);
  });

  it('are few where people move as they usually do: a fifth at 240 frames a second, the first pass half of it', () => {
    const times = timesAt(240, 2);
    const passes = planned(times, swing);
    expect(passes.map((p) => p.length)).toEqual([31, 30]);
    expect(passes[0]!.slice(0, 3)).toEqual([0, 16, 32]);
    expect(passes[0]!.at(-1)).toBe(times.length - 1);
  });

  it('lie close where a limb is too fast to be interpolated, and only there', () => {
    const times = timesAt(120, 1);
    const all = planned(times, blow).flat();
    const share = (from: number, to: number): number => all.filter((i) => i >= from && i < to).length / (to - from);
    expect(share(54, 67)).toBeGreaterThan(0.7);
    expect(share(0, 40)).toBeLessThan(0.3);
    expect(new Set(all).size).toBe(all.length);
  });

  it('are those round the key events before the rest of a pass, and nothing is refined far from them', () => {
    const times = timesAt(120, 1);
    const passes = planned(times, blow, [10, 30.4]);
    expect(passes[1]).toEqual([7, 9, 10, 11, 12, 13, 27, 28, 29, 30, 31, 33]);
    const middle = passes.flat().filter((i) => i > 48 && i < 72);
    expect(middle.sort((a, b) => a - b)).toEqual([52, 56, 60, 64, 68]);
  });
});

describe('frames between detected ones', () => {
  const times = timesAt(120, 1);
  const every4 = [...Array.from({ length: 30 }, (_, k) => 4 * k), 119];
  const filled = fillBetween(seenOn(every4, times, swing), every4, times)['left-wrist']!;

  it('are filled along the path, and say so', () => {
    for (const [i, time] of times.entries()) expect(Math.abs(filled.x[i]! - swing(time)[0])).toBeLessThan(0.1);
    expect([filled.origin[4], filled.origin[5]]).toEqual([ORIGIN.detected, ORIGIN.filled]);
  });

  it('are less sure where the cubic does not hold, and as sure as their neighbours where it does', () => {
    expect(filled.confidence[61]).toBeGreaterThan(0.89);
    const wild = fillBetween(seenOn(every4, times, blow), every4, times)['left-wrist']!;
    expect(wild.confidence[61]).toBeLessThan(0.7);
  });

  it('stay empty where they were looked at and nobody was there, and over a long absence', () => {
    const seen = every4.filter((i) => i < 40 || i > 60);
    const gap = fillBetween(seenOn(seen, times, swing), every4, times)['left-wrist']!;
    expect(gap.x.slice(37, 64).every(Number.isNaN)).toBe(true);
    const one = every4.filter((i) => i !== 40);
    const passedOver = fillBetween(seenOn(one, times, swing), every4, times)['left-wrist']!;
    expect([passedOver.x[40], Number.isNaN(passedOver.x[39]!)]).toEqual([NaN, false]);
  });

  it('leave points of other origins alone', () => {
    const track = seenOn(every4, times, swing);
    const wrist = track['left-wrist']!;
    const byHand: PointSeries = { ...wrist, x: wrist.x.slice(), y: wrist.y.slice(), origin: wrist.origin.slice() };
    [byHand.x[5], byHand.y[5], byHand.origin[5]] = [7, 8, ORIGIN.hand];
    const out = fillBetween({ ...track, ['left-wrist' as PointId]: byHand }, every4, times)['left-wrist']!;
    expect([out.x[5], out.y[5], out.origin[5], out.origin[6]]).toEqual([7, 8, ORIGIN.hand, ORIGIN.filled]);
  });

  it('tell by how far a cubic through the frames beside is off: of a quartic by what the fourth difference says', () => {
    const quartic: Path = (t) => [1e4 * t ** 4, 0];
    const residuals = interpolationResiduals(seenOn(every4, times, quartic)['left-wrist']!, every4, times);
    // At the middle of nodes -2, -1, 1, 2 of spacing h the cubic is off by f''''/24 times 4 h^4.
    expect(residuals[10]).toBeCloseTo(1e4 * 4 * (4 / 120) ** 4, 9);
  });
});
