import { stickTrial } from '../../../tests/fixtures/stick-trial';
import type { Quantity } from '../model/quantity';
import { drawQuantity } from './draw';
import { QUANTITIES } from '.';

const POINTS = {
  'left-shoulder': [500, -79],
  'left-hip': [500, 209],
  'left-knee': [500, 454],
  'left-ankle': [500, 690],
  'left-heel': [480, 700],
  'left-foot-index': [560, 700],
  'own-ball': [300, 300],
} as const;
const EXAMPLES: { readonly [Q in Quantity['type']]: Extract<Quantity, { type: Q }> } = {
  'joint-angle': { type: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] },
  'segment-angle': { type: 'segment-angle', points: ['opposite-hip', 'opposite-shoulder'], against: 'up' },
  'line-separation': {
    type: 'line-separation',
    points: ['opposite-hip', 'own-ball'],
    from: ['opposite-heel', 'opposite-foot-index'],
  },
  facing: { type: 'facing', points: ['opposite-hip', 'own-ball'] },
  distance: { type: 'distance', points: ['opposite-heel', 'opposite-foot-index'] },
  'ground-distance': { type: 'ground-distance', points: ['opposite-heel', 'opposite-foot-index'] },
  offset: { type: 'offset', points: ['own-ball', 'opposite-hip'], axis: 'forward', line: null },
  'position-on-axes': {
    type: 'position-on-axes',
    point: 'own-ball',
    axes: ['opposite-hip', 'opposite-shoulder', 'opposite-heel'],
    along: 'up',
  },
  'direction-on-axes': {
    type: 'direction-on-axes',
    points: ['own-ball', 'opposite-knee'],
    axes: ['opposite-hip', 'opposite-shoulder', 'opposite-heel'],
    angle: 'azimuth',
  },
  height: { type: 'height', point: 'own-ball' },
  box: { type: 'box', points: ['own-ball', 'opposite-heel', 'opposite-hip'], side: 'height' },
  alignment: { type: 'alignment', points: ['opposite-shoulder', 'opposite-hip', 'opposite-ankle'] },
  'relative-inertia': {
    type: 'relative-inertia',
    points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'],
    limb: 'leg',
  },
};
const seen = (level = 0) => stickTrial(() => POINTS, { here: 5 }, { levelDegrees: level });

test.each(Object.keys(QUANTITIES) as Quantity['type'][])(
  '%s draws lines where its points are, and nothing where one is missing',
  (q) => {
    expect(drawQuantity(EXAMPLES[q], seen(), 5, '%BH').length).toBeGreaterThan(1);
    expect(
      drawQuantity(
        EXAMPLES[q],
        stickTrial(() => ({}), {}),
        5,
        '%BH',
      ),
    ).toEqual([]);
  },
);

test('a height is drawn down to the ground, with its value beside it', () => {
  const [line, label] = drawQuantity(EXAMPLES.height, seen(), 5, '%BH');
  if (line?.shape !== 'segment') throw new Error('no line');
  expect(line.from.x).toBeCloseTo(300, 6);
  expect(line.from.y).toBeCloseTo(300, 6);
  expect(line.to.x).toBeCloseTo(300, 6);
  expect(line.to.y).toBeCloseTo(700, 6);
  expect(label).toMatchObject({ shape: 'label', text: expect.stringMatching(/^4\d %ht$/) });
});

test('an offset is drawn along its axis of the levelled picture', () => {
  const [along] = drawQuantity(EXAMPLES.offset, seen(10), 5, '%BH');
  if (along?.shape !== 'segment') throw new Error('no line');
  // Forward in a picture turned by ten degrees is ten degrees off the picture's own rows.
  const slope = Math.atan2(along.to.y - along.from.y, along.to.x - along.from.x);
  expect(Math.abs(Math.tan(slope))).toBeCloseTo(Math.tan((10 * Math.PI) / 180), 6);
});
