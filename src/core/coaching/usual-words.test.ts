import { readMeasure } from '../../../tests/fixtures/measure';
import { movementSchema } from '../model/movement';
import { usualDrills } from './usual-words';

const movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'x',
  name: 'x',
  sport: 'x',
  moments: ['Plant', 'Top'].map((name, i) => ({ id: name.toLowerCase(), name, key: String(i), hint: '' })),
  phases: [],
  measures: [],
  causes: [],
  cautions: [],
});
const knee = readMeasure({
  id: 'knee',
  name: 'Knee',
  kind: 'value',
  of: { type: 'joint-angle', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'] },
  at: 'top',
  region: 'legs',
  plane: 'sagittal',
  importance: 0.5,
  cost: 'weeks',
});

test.each([
  ['162° to 172°', 'Hold the position of top with it at 162° to 172°, before a mirror or a camera'],
  ['at most 6°', 'Hold the position of top with it at most 6°, before a mirror or a camera'],
  ['as in the reference', 'Hold the position of top with it as in the reference, before a mirror or a camera'],
])('a drill for %s reads as a sentence', (range, drill) => {
  expect(usualDrills(movement, knee, range)[0]).toBe(drill);
});
