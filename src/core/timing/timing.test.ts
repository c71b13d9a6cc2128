import fc from 'fast-check';
import { clipSchema } from '../model/clip';
import {
  captureRateAt,
  frameAtTime,
  frameInterval,
  nearestFrame,
  realTimes,
  timeAtFrame,
  unknownTimes,
  withFirstRate,
} from './clip-time';
import { lockedMap, matchedMap } from './time-map';

const clip = (frameTimes: number[], fileRate: number, captureRate: number) => ({
  frameTimes: Float64Array.from(frameTimes),
  fileRate,
  captureRate,
});

const rateChangesSchema = clipSchema.shape.rateChanges;

describe('time of a clip', () => {
  it('is file time times file rate over capture rate', () => {
    // Ten seconds of file at 30 per second that was taken at 240 per second last 1.25 s in life.
    const slow = clip([0, 5e6, 10e6], 30, 240);
    expect(realTimes(slow)[2]).toBeCloseTo(1.25, 12);
    expect(frameInterval(slow)).toBeCloseTo(0.625, 12);
  });

  it('goes by each stretch where the capture rate changes within the clip, and says where it is not known', () => {
    // A telephone's file: 30 a second, then 240 that play at 30, then 30 again.
    const ramp = {
      ...clip(
        Array.from({ length: 31 }, (_, i) => (i * 1e6) / 30),
        30,
        30,
      ),
      rateChanges: [
        { from: 10, captureRate: 240 },
        { from: 20, captureRate: 30 },
      ],
    };
    const times = realTimes(ramp);
    expect([10, 20, 30].map((frame) => times[frame])).toEqual([
      expect.closeTo(10 / 30, 9),
      expect.closeTo(10 / 30 + 10 / 240, 9),
      expect.closeTo(20 / 30 + 10 / 240, 9),
    ]);
    expect([9, 10, 19, 20].map((frame) => captureRateAt(ramp, frame))).toEqual([30, 240, 240, 30]);
    expect(unknownTimes(ramp)).toEqual([]);
    const unknown = { ...ramp, rateChanges: [{ from: 10, captureRate: null }, ramp.rateChanges[1]!] };
    expect(unknownTimes(unknown)).toEqual([[10, 20]]);
    expect(unknownTimes({ ...ramp, rateChanges: [{ from: 25, captureRate: null }] })).toEqual([[25, 30]]);
    const fromTheFirst = { ...ramp, rateChanges: [{ from: 0, captureRate: null }, ...ramp.rateChanges] };
    expect(unknownTimes(fromTheFirst)[0]).toEqual([0, ramp.rateChanges[0]!.from]);
    expect(realTimes(fromTheFirst)).toEqual(realTimes(ramp));
    expect(captureRateAt(fromTheFirst, 0)).toBeNull();
    expect(withFirstRate(ramp, null).rateChanges).toEqual(fromTheFirst.rateChanges);
    expect(withFirstRate(fromTheFirst, 60)).toEqual({ captureRate: 60, rateChanges: ramp.rateChanges });
    expect(rateChangesSchema.safeParse(fromTheFirst.rateChanges).success).toBe(true);
    expect(rateChangesSchema.safeParse([{ from: 0, captureRate: 240 }]).success).toBe(false);
    expect(realTimes({ ...ramp, rateChanges: [{ from: 99, captureRate: 240 }] })[30]).toBeCloseTo(1, 9);
  });

  it('reads frames of a variable rate by their own times', () => {
    const times = realTimes(clip([0, 33000, 50000, 120000], 30, 30));
    expect(timeAtFrame(times, 1.5)).toBeCloseTo(0.0415, 12);
    expect(nearestFrame(times, 0.07)).toBe(2);
    expect(nearestFrame(times, 0.09)).toBe(3);
    expect(nearestFrame(times, -5)).toBe(0);
    expect(nearestFrame(times, 99)).toBe(3);
  });

  it('finds the frame of a time and the time of a frame back', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 90000 }), { minLength: 3, maxLength: 40 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (steps, u) => {
          let t = 0;
          const times = realTimes(clip([0, ...steps.map((s) => (t += s))], 30, 30));
          const frame = u * (times.length - 1);
          expect(frameAtTime(times, timeAtFrame(times, frame))).toBeCloseTo(frame, 6);
        },
      ),
      { seed: 2 },
    );
  });
});

describe('matched in every phase', () => {
  const order = ['a', 'b', 'c', 'd'].map((id) => ({ id }));
  const map = (first: Record<string, number>, second: Record<string, number>) => {
    const result = matchedMap(order, first, second);
    if (!result.ok) throw new Error(result.issue.message);
    return result.value;
  };

  it('puts every common moment on its counterpart and runs straight between them', () => {
    const m = map({ a: 0, b: 1, c: 3 }, { a: 10, b: 12, c: 13 });
    expect([0, 1, 3].map(m.map)).toEqual([10, 12, 13]);
    expect(m.map(2)).toBeCloseTo(12.5, 12);
    expect(m.rateAt(0.5)).toBeCloseTo(2, 12);
    expect(m.rateAt(2)).toBeCloseTo(0.5, 12);
    expect(m.map(-1)).toBe(9);
    expect(m.map(4)).toBe(14);
  });

  it('uses the common moments and says which it skips', () => {
    const m = map({ a: 0, b: 1, c: 3 }, { a: 10, c: 13, d: 20 });
    expect(m.through).toEqual(['a', 'c']);
    expect(m.skipped).toEqual(['b', 'd']);
  });

  it('is monotone and its inverse undoes it', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.double({ min: 0.01, max: 2, noNaN: true }), fc.double({ min: 0.01, max: 2, noNaN: true })),
          { minLength: 4, maxLength: 4 },
        ),
        fc.double({ min: -3, max: 10, noNaN: true }),
        fc.double({ min: 0.001, max: 2, noNaN: true }),
        (steps, t, ahead) => {
          let [x, y] = [0, 5];
          const first: Record<string, number> = {};
          const second: Record<string, number> = {};
          steps.forEach(([dx, dy], i) => {
            first[order[i]!.id] = x += dx;
            second[order[i]!.id] = y += dy;
          });
          const m = map(first, second);
          expect(m.map(t + ahead)).toBeGreaterThan(m.map(t));
          expect(m.inverse(m.map(t))).toBeCloseTo(t, 6);
        },
      ),
      { seed: 4, numRuns: 300 },
    );
  });

  it('is an error on the moment when they are out of order, and when there is none in common', () => {
    const wrong = matchedMap(order, { a: 1, b: 0.5 }, { a: 1, b: 2 }, { b: 'Letting go' });
    expect(wrong).toMatchObject({ ok: false, issue: { code: 'moments-out-of-order' } });
    expect(!wrong.ok && wrong.issue.message).toContain(
      '\u201cLetting go\u201d is marked at 0.500 s, not after \u201ca\u201d at 1.000 s',
    );
    expect(matchedMap(order, { a: 1 }, { b: 2 })).toMatchObject({ ok: false, issue: { code: 'no-common-moment' } });
  });
});

describe('locked at a moment', () => {
  it('runs both in real time from that moment', () => {
    const m = lockedMap('b', { a: 0, b: 1 }, { b: 12 });
    if (!m.ok) throw new Error(m.issue.message);
    expect(m.value.map(1)).toBe(12);
    expect(m.value.map(1.5)).toBe(12.5);
    expect(m.value.inverse(12.5)).toBe(1.5);
  });

  it('needs the moment in both', () => {
    expect(lockedMap('a', { a: 0 }, { b: 1 })).toMatchObject({ ok: false, issue: { code: 'no-common-moment' } });
  });
});

describe('the usual interval', () => {
  it('is the camera\u2019s, though a container rounds times to a millisecond', () => {
    const times = Float64Array.from({ length: 240 }, (_, i) => Math.round((i * 1000) / 120) * 1000);
    expect(frameInterval({ frameTimes: times, fileRate: 120, captureRate: 120 })).toBeCloseTo(1 / 120, 4);
  });

  it('is not stretched by a pause', () => {
    const times = Float64Array.from({ length: 100 }, (_, i) => i * 10_000 + (i > 50 ? 3_000_000 : 0));
    expect(frameInterval({ frameTimes: times, fileRate: 100, captureRate: 100 })).toBeCloseTo(0.01, 9);
  });
});
