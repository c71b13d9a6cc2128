import fc from 'fast-check';
import { stickClip } from '../../../tests/fixtures/stick-trial';
import { timeAtFrame, realTimes } from './clip-time';
import { syncMap } from './sync-map';

const first = stickClip({ id: 'first', frameTimes: Float64Array.from({ length: 1201 }, (_, i) => i * 10_000) });
const other = stickClip({
  id: 'other',
  frameTimes: Float64Array.from({ length: 801 }, (_, i) => i * 20_000),
  fileRate: 50,
  captureRate: 50,
});

describe('another camera of a performance', () => {
  it('begins with the first where nothing is known', () => {
    expect(syncMap(first, other, []).map(1.5)).toBe(1.5);
  });

  it('is joined by one instant, between frames too', () => {
    const map = syncMap(first, other, [{ own: 40.5, other: 100 }]);
    expect(map.offset).toBeCloseTo(0.81 - 1, 12);
    expect(map.map(2)).toBeCloseTo(1.81, 12);
    expect(map.rateAt(0)).toBe(1);
  });

  it('finds offset and drift of a clock from two instants, and back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.double({ min: -0.01, max: 0.01, noNaN: true }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        (offset, drift, t) => {
          const pairs = [200, 1000].map((frame) => ({
            other: frame,
            own: (offset + (1 + drift) * timeAtFrame(realTimes(first), frame)) / 0.02,
          }));
          const map = syncMap(first, other, pairs);
          expect(map.offset).toBeCloseTo(offset, 8);
          expect(map.drift).toBeCloseTo(drift, 8);
          expect(map.inverse(map.map(t))).toBeCloseTo(t, 9);
          expect(map.misfit).toBeLessThan(1e-8);
        },
      ),
      { seed: 9 },
    );
  });

  it('says how well three instants agree', () => {
    const map = syncMap(first, other, [
      { own: 0, other: 0 },
      { own: 250.5, other: 500 },
      { own: 500, other: 1000 },
    ]);
    expect(map.misfit).toBeCloseTo((0.01 * 2) / 3, 6);
  });
});
