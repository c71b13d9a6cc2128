import type { Reading } from '../reading';
import { COVERAGE_95 } from '../statistics/normal';
import { evaluateMeasure, refsOfMeasure, seriesOfMeasure } from './index';
import { make, value, METRES, on, ball, during } from '../../../tests/fixtures/catalogue';
import { normals } from '../../../tests/fixtures/random';

const angle = (more: object) =>
  make({ kind: 'path-angle', point: 'own-ball', take: 'end', against: 'forward', ...during, ...more });
const degrees = (sd: number): number => (COVERAGE_95 * sd * 180) / Math.PI;

/**
 * A projectile without drag that leaves at (100, 600) at frame 10: x = v t cos, y = v t sin - g t^2 / 2 (closed form of
 * mechanics), pixels and frames.
 */
const SPEED = 12;
const GRAVITY = 0.35;
const thrown = (released: number) => {
  const [c, s] = [Math.cos(released), Math.sin(released)];
  return (f: number): [number, number] => {
    const t = f - 10;
    return [100 + SPEED * t * c, 600 - (SPEED * t * s - (GRAVITY * t * t) / 2)];
  };
};
/** Its direction after so many frames. */
const after = (released: number, t: number): number =>
  (Math.atan2(SPEED * Math.sin(released) - GRAVITY * t, SPEED * Math.cos(released)) * 180) / Math.PI;

describe('direction of the path of a point', () => {
  const released = (38 * Math.PI) / 180;
  const flight = on(ball(thrown(released)), METRES);

  it('of a projectile at release and at entry, against forward, up and down', () => {
    const marked = { ...flight, marks: { ...flight.marks, start: 10, end: 35 } };
    expect(value(evaluateMeasure(angle({ take: 'start' }), marked))).toBeCloseTo(38, 1);
    expect(value(evaluateMeasure(angle({}), marked))).toBeCloseTo(after(released, 25), 1);
    expect(value(evaluateMeasure(angle({ take: 'start', against: 'up' }), marked))).toBeCloseTo(52, 1);
    expect(value(evaluateMeasure(angle({ take: 'start', against: 'down' }), marked))).toBeCloseTo(128, 1);
  });

  it('between two frames, and as a curve', () => {
    const marked = { ...flight, marks: { ...flight.marks, end: 22.5 } };
    expect(value(evaluateMeasure(angle({}), marked))).toBeCloseTo(after(released, 12.5), 1);
    const curve = seriesOfMeasure(angle({}), flight)!;
    expect((curve[20]! * 180) / Math.PI).toBeCloseTo(after(released, 10), 1);
  });

  it('needs no scale', () => {
    const bare = { ...flight, bodyHeight: NaN, clip: { ...flight.clip, scale: null } };
    expect(value(evaluateMeasure(angle({}), bare))).toBeCloseTo(after(released, 25), 1);
  });

  it('goes round: straight back against straight back from the other side is a small difference', () => {
    const back = (slope: number): Reading =>
      evaluateMeasure(angle({}), on(ball((f) => [700 - 10 * f, 400 + slope * f])));
    expect(value(back(-0.5))).toBeCloseTo(177.1, 0);
    expect(value(back(0.5))).toBeCloseTo(-177.1, 0);
  });

  it('of a whole swing: the line that its path lies nearest to, from its beginning on', () => {
    // 30 degrees steep and bent a little, down and forward.
    const swing = (f: number): [number, number] => {
      const [along, across] = [12 * (f - 20), 20 * Math.cos((f - 20) / 8)];
      const [c, s] = [Math.cos(Math.PI / 6), Math.sin(Math.PI / 6)];
      return [400 + along * c - across * s, 300 + along * s + across * c];
    };
    const whole = on(ball(swing));
    expect(value(evaluateMeasure(angle({ take: 'whole' }), whole))).toBeCloseTo(-30, 0);
  });

  it('has none where a point stands, and as a whole none where it goes round', () => {
    expect(evaluateMeasure(angle({}), on(ball(() => [300, 300])))).toMatchObject({ reason: 'too-uncertain' });
    const round = on(ball((f) => [400 + 100 * Math.cos(f / 4), 300 + 100 * Math.sin(f / 4)]));
    expect(evaluateMeasure(angle({ take: 'whole' }), round)).toMatchObject({
      reason: 'too-uncertain',
      message: expect.stringContaining('as wide as long'),
    });
  });

  it('as a whole none where it comes back to where it began: neither way is its own', () => {
    const back = on(ball((f) => [300 + 200 * Math.sin(((f - 5) * Math.PI) / 30), 300 + 0.2 * f]));
    expect(evaluateMeasure(angle({ take: 'whole' }), back)).toMatchObject({
      reason: 'too-uncertain',
      message: expect.stringContaining('comes back'),
    });
  });

  it('on axes that turn along: what goes along a craft goes along it, whichever way the craft turns', () => {
    const tilt = (f: number): number => 0.4 * Math.sin(f / 9);
    const place = (f: number, ahead: number, above: number): [number, number] => {
      const [c, s] = [Math.cos(tilt(f)), Math.sin(tilt(f))];
      return [200 + 4 * f + ahead * c - above * s, 500 - (ahead * s + above * c)];
    };
    const craft = on((f) => ({
      'left-elbow': place(f, -100, 0),
      'left-wrist': place(f, 100, 0),
      'own-ball': place(f, 150 - 4 * f, 60 + 4 * f),
    }));
    const along = angle({ line: ['opposite-elbow', 'opposite-wrist'] });
    expect(value(evaluateMeasure(along, craft))).toBeCloseTo(135, 0);
    expect(refsOfMeasure(along)).toEqual(['own-ball', 'opposite-elbow', 'opposite-wrist']);
  });

  it.each([
    ['at its end', { take: 'end' }, (r: number) => after(r, 25)],
    ['at its beginning', { take: 'start' }, (r: number) => after(r, 0)],
  ])('%s, with points that are off by what is stated: its interval holds the truth', (_, more, truth) => {
    let [held, width] = [0, 0];
    const runs = 60;
    const random = normals(11);
    for (let i = 0; i < runs; i++) {
      const angleOf = ((20 + i) * Math.PI) / 180;
      const place = thrown(angleOf);
      const noisy = on(
        ball((f) => {
          const [x, y] = place(f);
          return [x + 1.5 * random(), y + 1.5 * random()];
        }),
        METRES,
      );
      const reading = evaluateMeasure(angle(more), { ...noisy, marks: { ...noisy.marks, start: 10, end: 35 } });
      if (!reading.measurable) throw new Error(reading.message);
      const half = degrees(reading.sd);
      width += half / runs;
      if (Math.abs(value(reading) - truth(angleOf)) <= half) held++;
    }
    expect(held / runs).toBeGreaterThanOrEqual(0.9);
    // No wider than needed: a pixel and a half against a speed of twelve a frame.
    expect(width).toBeLessThan(20);
  });
});
