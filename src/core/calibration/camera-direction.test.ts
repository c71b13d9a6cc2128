import type { Clip } from '../model/clip';
import { directionOf, measuresByPlane, readableFrom, viewFrom } from './camera-direction';

const said = (direction: number): readonly unknown[] => {
  const { view, travel } = viewFrom(direction);
  return [view.kind, view.offPlaneDegrees, travel];
};

test('a camera’s place round the performer is a view, degrees off it anticlockwise from above, and a way of travel', () => {
  expect([90, 70, 270, 290, 0, 350, 180, 200, 45, 44].map(said)).toEqual([
    ['side', 0, 'right'],
    // Ahead of somebody who goes to the right is towards the front ...
    ['side', 20, 'right'],
    ['side', 0, 'left'],
    // ... and of somebody who goes to the left the other way round.
    ['side', -20, 'left'],
    ['front', 0, 'right'],
    ['front', 10, 'right'],
    ['back', 0, 'right'],
    ['back', -20, 'right'],
    ['front', -45, 'right'],
    ['front', -44, 'right'],
  ]);
});

test('the place comes back from the view', () => {
  for (let direction = 0; direction < 360; direction++) expect(directionOf(viewFrom(direction))).toBe(direction);
  const above: Pick<Clip, 'view' | 'travel'> = { view: { kind: 'overhead', offPlaneDegrees: 3 }, travel: 'left' };
  expect(directionOf(above)).toBeNull();
  expect(directionOf({ view: { kind: 'side', offPlaneDegrees: null }, travel: 'left' })).toBe(270);
});

test('what can be read from a place: measures of its plane and of any, and of a place too far off the square none', () => {
  const counts = measuresByPlane(
    (['sagittal', 'sagittal', 'frontal', 'transverse', 'any'] as const).map((plane) => ({ plane })),
  );
  const from = (direction: number): number => readableFrom(viewFrom(direction).view, counts);
  expect([from(90), from(61), from(59), from(50), from(30), from(0), from(180), from(270)]).toEqual([
    3, 3, 1, 1, 2, 2, 2, 3,
  ]);
  expect(readableFrom({ kind: 'overhead', offPlaneDegrees: null }, counts)).toBe(2);
});
