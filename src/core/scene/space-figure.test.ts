import { standingBody } from '../../../tests/fixtures/standing-body';
import { BODY, stickTrial } from '../../../tests/fixtures/stick-trial';
import { viewsOfBody } from '../reconstruction/body-views';
import { besideFigure, linesOfFigure, seenPoint, spaceFigureAt } from './space-figure';

test('a body in space is drawn about its hips, ahead to the right', () => {
  const [side] = viewsOfBody(
    standingBody(),
    stickTrial(() => BODY, {}),
  );
  const figure = spaceFigureAt(side!, 20)!;
  const knee = figure.get('left-knee')!;
  expect(knee[0]).toBeGreaterThan(0);
  expect(figure.get('right-hip')![2]).toBeGreaterThan(0);
  expect(seenPoint(knee, { azimuthDegrees: 0, elevationDegrees: 0 })[0]).toBeGreaterThan(0);
  // Seen from the front, ahead is towards the camera.
  expect(seenPoint([1, 0, 0], { azimuthDegrees: 90, elevationDegrees: 0 })[2]).toBeCloseTo(1, 8);
  const lines = linesOfFigure(figure, { azimuthDegrees: 0, elevationDegrees: 0 });
  expect(lines.filter(({ across }) => across)).toHaveLength(2);
  expect(lines.map(({ near }) => near)).toEqual(lines.map(({ near }) => near).sort((a, b) => a - b));
});

test('an implement is where its points are', () => {
  const [side] = viewsOfBody(
    standingBody(),
    stickTrial(() => BODY, {}),
  );
  const { points } = side!.space!;
  const held = { ...side!, space: { ...side!.space!, points: { ...points, 'own-tip': points['right-knee']! } } };
  const figure = spaceFigureAt(held, 20)!;
  const camera = { azimuthDegrees: 30, elevationDegrees: 10 };
  expect(besideFigure(figure, camera)).toEqual([seenPoint(figure.get('right-knee')!, camera)]);
});
