import { stickTrial } from '../../../tests/fixtures/stick-trial';
import type { Clip } from '../model/clip';
import { agrees, estimateOffPlane, viewAsEstimated } from './view-estimate';
import { cameraOffPlane } from '../calibration/view';

const RADIANS = Math.PI / 180;

/**
 * Somebody of 1000 pixels who is seen from `psi` degrees ahead of square, with a trunk that turns to and fro by `turn`
 * degrees: shoulders 210 and hips 100 pixels apart, the far one further on by the sine.
 */
const walker = (offPlane: number, turn = 0, change: Partial<Clip> = {}) => {
  const forward = change.travel === 'left' ? -1 : 1;
  const far = forward === 1 ? 'left' : 'right';
  const near = far === 'left' ? 'right' : 'left';
  return stickTrial(
    (f) => {
      const ahead = (width: number): number =>
        (width / 2) * Math.sin((offPlane + turn * Math.sin((2 * Math.PI * f) / 40)) * RADIANS);
      const at = (along: number, y: number): [number, number] => [500 + forward * (along + 2 * f), y];
      return {
        [`${far}-shoulder`]: at(ahead(210), -79),
        [`${near}-shoulder`]: at(-ahead(210), -79),
        [`${far}-hip`]: at(ahead(100), 209),
        [`${near}-hip`]: at(-ahead(100), 209),
        'left-knee': at(0, 454),
        'left-ankle': at(0, 700),
        'right-knee': at(0, 454),
        'right-ankle': at(0, 700),
      };
    },
    {},
    change,
  );
};
const degrees = (trial: ReturnType<typeof walker>): number => {
  const said = estimateOffPlane(trial);
  if (!said.ok) throw new Error(said.issue.message);
  return said.value.degrees;
};

test.each([0, 8, 20, -15])('a camera %d degrees ahead of square, whichever way the performer goes', (offPlane) => {
  expect(degrees(walker(offPlane))).toBeCloseTo(offPlane, 0);
  // Anticlockwise from above: ahead of somebody who goes to the left is the other way round.
  expect(degrees(walker(offPlane, 0, { travel: 'left' }))).toBeCloseTo(-offPlane, 0);
});

test('a trunk that turns to and fro takes nothing away but sureness', () => {
  const [still, turning] = [walker(12), walker(12, 20)].map((p) => estimateOffPlane(p));
  expect(turning!.ok && turning!.value.degrees).toBeCloseTo(12, 0);
  expect(turning!.ok && still!.ok && turning!.value.sdDegrees > still!.value.sdDegrees + 1).toBe(true);
});

test('a levelled picture is levelled first', () => {
  expect(degrees(walker(10, 0, { levelDegrees: 0 }))).toBeCloseTo(10, 0);
  // Turned by a quarter the line from shoulder to shoulder is no longer level: nothing of it lies along the way.
  expect(Math.abs(degrees(walker(10, 0, { levelDegrees: 90 })))).toBeLessThan(1);
});

test('it says why not: another view, too few frames, not from the side at all', () => {
  expect(estimateOffPlane(walker(5, 0, { view: { kind: 'front', offPlaneDegrees: null } }))).toMatchObject({
    ok: false,
    issue: { code: 'no-side-view' },
  });
  expect(estimateOffPlane(stickTrial(() => ({ 'left-hip': [500, 400] }), {}))).toMatchObject({
    ok: false,
    issue: { code: 'too-little', message: expect.stringContaining('20 frames') },
  });
  expect(estimateOffPlane(walker(70))).toMatchObject({ ok: false, issue: { code: 'too-oblique' } });
});

test('it agrees with what is known as far as both are sure', () => {
  const said = { degrees: 16, sdDegrees: 4 };
  // 1.96 sqrt(4 4 + 7 7) = 15.8 of nothing said; 1.96 sqrt(4 4 + 3 3) = 9.8 of what was stated.
  expect(agrees({ kind: 'side', offPlaneDegrees: null }, said)).toBe(false);
  expect(agrees({ kind: 'side', offPlaneDegrees: null }, { ...said, degrees: 15.7 })).toBe(true);
  expect(agrees({ kind: 'side', offPlaneDegrees: 6 }, said)).toBe(false);
  expect(agrees({ kind: 'side', offPlaneDegrees: 7 }, said)).toBe(true);
});

test('taken over, it is corrected for with its own error', () => {
  const view = viewAsEstimated({ kind: 'side', offPlaneDegrees: null }, { degrees: 18.4, sdDegrees: 5.27 });
  expect(view).toEqual({ kind: 'side', offPlaneDegrees: 18, offPlaneSdDegrees: 5.3 });
  expect(cameraOffPlane({ view })).toEqual({ angle: 18 * RADIANS, sd: 5.3 * RADIANS });
});
