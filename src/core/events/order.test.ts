import { stickClip } from '../../../tests/fixtures/stick-trial';
import { movementSchema } from '../model/movement';
import { orderProblem } from './order';

const movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'm',
  name: 'M',
  sport: 'S',
  phases: [],
  measures: [],
  causes: [],
  cautions: [],
  moments: ['land', 'fire', 'release'].map((id, i) => ({ id, name: id, key: String(i + 1), hint: '' })),
});
const clip = stickClip();

test('moments in order, or not all marked, are no problem', () => {
  expect(orderProblem(movement, { clip, marks: {} })).toBeNull();
  expect(orderProblem(movement, { clip, marks: { land: 3, release: 9 } })).toBeNull();
  expect(orderProblem(movement, { clip, marks: { land: 3, fire: 3.5, release: 9 } })).toBeNull();
});

test('two that clash are named with their frames, also across one that is not marked', () => {
  expect(orderProblem(movement, { clip, marks: { land: 12, release: 9 } })).toBe(
    'Stick: \u201crelease\u201d is marked at frame 10, not after \u201cland\u201d at frame 13. Nothing that needs both is measured until one of them is moved.',
  );
  expect(orderProblem(movement, { clip, marks: { land: 1, fire: 5, release: 5 } })).toContain(
    '\u201crelease\u201d is marked at frame 6, not after \u201cfire\u201d',
  );
});
