import { standing, standingBody } from '../../../tests/fixtures/standing-body';
import { stickTrial, BODY } from '../../../tests/fixtures/stick-trial';
import { readMeasure } from '../../../tests/fixtures/measure';
import { evaluateMeasure } from '../measures';
import type { SpatialTrack } from '../tracks/marker-map';
import { bendsForward } from './bending';
import { degreesApart, headingOf, viewsOfBody } from './body-views';

const main = stickTrial(() => BODY, {});
const trackOf = ({ ids, points }: ReturnType<typeof standing>): SpatialTrack =>
  Object.fromEntries(
    ids.map((id, j) => {
      const along = (axis: number) =>
        Float64Array.from({ length: 41 }, (_, f) => points[3 * (f * ids.length + j) + axis]!);
      return [id, { x: along(0), y: along(1), z: along(2) }];
    }),
  );

describe('straight ahead', () => {
  const view = { kind: 'side', offPlaneDegrees: null } as const;

  it('is where somebody goes who goes on', () => {
    const heading = headingOf(trackOf(standing([2, 0, -0.5])), view);
    expect(heading.azimuthDegrees).toBeCloseTo((Math.atan2(0.5, 2) * 180) / Math.PI, 8);
    expect(heading.sdDegrees).toBeLessThan(3);
  });

  it('is what the view says of somebody who stays, or who goes elsewhere', () => {
    for (const way of [
      [0, 0, 0],
      [0, 0, 2],
    ] as const)
      expect(headingOf(trackOf(standing(way)), view)).toEqual({ azimuthDegrees: 0, sdDegrees: 7 });
  });
});

test('views of a body follow its main clip: a length that is drawn later gives metres', () => {
  const body = standingBody();
  expect(viewsOfBody(body, main).map(({ clip }) => clip.view.kind)).toEqual(['side', 'front', 'overhead']);
  expect(viewsOfBody(body, main)[0]!.smoothed).toBe(viewsOfBody(body, main)[0]!.smoothed);
  expect(viewsOfBody(body, main)[0]!.clip.scale).toBeNull();
  const scaled = { ...main, clip: { ...main.clip, scale: { pixels: 100, metres: 1 } } };
  expect(viewsOfBody(body, scaled)[0]!.clip.scale).not.toBeNull();
});

test('views of a body call its moments by their names', () => {
  const named = { ...main, names: { contact: 'Contact or release' } };
  const measure = readMeasure({
    ...{ id: 'p', name: 'Plane', region: 'arms', plane: 'any', importance: 0.5, cost: 'weeks' },
    ...{ kind: 'path-plane', point: 'dominant-wrist', from: 'contact', to: 'contact' },
  });
  for (const view of viewsOfBody(standingBody(), named))
    expect(evaluateMeasure(measure, view)).toMatchObject({
      reason: 'moment-missing',
      message: expect.stringContaining('Contact or release'),
    });
});

test('knees that bend ahead are a body\u2019s, backward those of its mirror image', () => {
  const { ids, points } = standing();
  expect(bendsForward(ids, points)).toBe(true);
  const mirrored = points.map((v, i) => (i % 3 === 0 ? -v : v));
  expect(bendsForward(ids, mirrored)).toBe(false);
});

test('how far two cameras stand apart', () => {
  const at = (azimuthDegrees: number, elevationDegrees = 0) => ({ azimuthDegrees, elevationDegrees });
  expect(degreesApart(at(0), at(90))).toBeCloseTo(90, 6);
  expect(degreesApart(at(170), at(-170))).toBeCloseTo(20, 6);
  expect(degreesApart(at(30), at(200, 90))).toBeCloseTo(90, 6);
});
