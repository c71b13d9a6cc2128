import { movementDocumentSchema, type Movement } from '../../src/core/model/movement';
import { CAPTURED_MOMENTS } from '../../tests/fixtures/captured';
import { more } from './measures';

/** Nothing but a phase and every kind of measure over it. */
export const CAPTURED_MOVEMENT: Movement = movementDocumentSchema.parse({
  schemaVersion: 1,
  id: 'captured',
  name: 'Captured',
  sport: 'Any sport',
  moments: CAPTURED_MOMENTS.map((id, i) => ({ id, name: id, key: String(i + 1), hint: '' })),
  phases: [{ from: CAPTURED_MOMENTS[0], to: CAPTURED_MOMENTS[1], name: 'Phase' }],
  measures: [...more(...CAPTURED_MOMENTS)],
  causes: [],
  cautions: [],
});
