import { prioritise } from '../../src/core/judgement/priority';
import { judge, type Judged } from '../../src/core/judgement/state';
import { draftCorrection } from '../../src/core/coaching/correction';
import { compareMeasure } from '../../src/core/comparison/compare';
import { movementSchema, type Movement } from '../../src/core/model/movement';
import type { Decision } from '../../src/core/model/session';
import type { Trial } from '../../src/core/trial/trial';
import { stickTrial } from '../fixtures/stick-trial';

/** Judgements that practitioners make (common practice), made by the whole chain from points to priorities. */
const radians = (degrees: number): number => (degrees * Math.PI) / 180;

const movement: Movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'practice',
  name: 'Practice',
  sport: 'Any',
  moments: [
    { id: 'early', name: 'Early', key: '1', hint: '' },
    { id: 'late', name: 'Late', key: '2', hint: '' },
  ],
  phases: [{ from: 'early', to: 'late', name: 'Phase' }],
  measures: [
    {
      id: 'tilt',
      name: 'Shoulder tilt',
      kind: 'segment-angle',
      region: 'trunk',
      plane: 'sagittal',
      points: ['opposite-hip', 'opposite-shoulder'],
      against: 'up',
      at: 'early',
      target: { type: 'at-least', value: 20, source: 'common practice' },
      margin: 2,
      importance: 0.8,
      cost: 'weeks',
      risk: 'spine',
    },
    {
      id: 'held',
      name: 'Back held',
      kind: 'range',
      region: 'trunk',
      plane: 'sagittal',
      of: { type: 'segment-angle', points: ['opposite-hip', 'opposite-shoulder'], against: 'up' },
      from: 'early',
      to: 'late',
      target: { type: 'constant', within: 8, source: 'common practice' },
      margin: 2,
      importance: 0.6,
      cost: 'weeks',
    },
    {
      id: 'arm',
      name: 'Arm',
      kind: 'segment-angle',
      region: 'arms',
      plane: 'sagittal',
      points: ['opposite-elbow', 'opposite-wrist'],
      against: 'up',
      at: 'late',
      target: { type: 'same-as-reference', tolerance: 5, source: 'reference performers' },
      better: 'lower',
      margin: 2,
      importance: 0.7,
      cost: 'minutes',
    },
  ],
  causes: [{ cause: 'tilt', effect: 'arm', share: 0.5, because: 'the arm hangs on the shoulders' }],
  cautions: [{ id: 'spine', text: 'Stop on back pain.', always: false }],
});

/** A trunk that leans so much early and late, and an arm; lines of 500 px, placed by hand. */
function performer(early: number, late: number, arm: number): Trial {
  const end = (degrees: number): readonly [number, number] => [
    300 + 500 * Math.sin(radians(degrees)),
    700 - 500 * Math.cos(radians(degrees)),
  ];
  return stickTrial(
    (f) => {
      const u = Math.min(1, Math.max(0, (f - 10) / 20));
      return {
        'left-hip': [300, 700],
        'left-shoulder': end(early + u * (late - early)),
        'left-elbow': [300, 700],
        'left-wrist': end(arm),
      };
    },
    { early: 10, late: 30 },
  );
}

function judgeAll(
  athlete: Trial,
  reference: Trial,
  decisions: readonly Decision[] = [],
): Readonly<Record<string, Judged>> {
  return Object.fromEntries(
    movement.measures.map((m) => [
      m.id,
      judge(
        compareMeasure(m, [[athlete]], [[reference]]),
        decisions.find((d) => d.measureId === m.id),
      ),
    ]),
  );
}
const good = performer(26, 26, 40);

test('a one-sided limit: too little is a fault, any more is not', () => {
  expect(judgeAll(performer(8, 8, 40), good)['tilt']!.state).toBe('gap');
  expect(judgeAll(performer(60, 60, 40), good)['tilt']!.state).toBe('strength');
});

test('an angle that is to be held: whatever it is, it stays', () => {
  expect(judgeAll(performer(26, 28, 40), good)['held']!.state).toBe('on-target');
  expect(judgeAll(performer(26, 48, 40), good)['held']!.state).toBe('gap');
  expect(judgeAll(performer(48, 26, 40), good)['held']!.state).toBe('gap');
});

test('a phase in which the athlete is better than the reference is a strength, not a difference to be mended', () => {
  expect(judgeAll(performer(26, 26, 20), good)['arm']!.state).toBe('strength');
  expect(judgeAll(performer(26, 26, 60), good)['arm']!.state).toBe('gap');
});

test('the reference itself is held against a guideline, and may fail it where the athlete does not', () => {
  const judged = judgeAll(performer(26, 26, 40), performer(5, 5, 40));
  expect(judged['tilt']).toMatchObject({ state: 'strength', referenceState: 'gap' });
  expect(judgeAll(performer(26, 26, 40), good)['tilt']!.referenceState).toBe('strength');
});

test('what is somebody\u2019s own style is named and left alone', () => {
  const judged = judgeAll(performer(8, 8, 60), good, [
    { measureId: 'tilt', verdict: 'style', reason: 'has always stood upright' },
  ]);
  expect(judged['tilt']!.state).toBe('style');
  const { proposed } = prioritise(movement, Object.values(judged), {
    decisions: [],
    order: [],
    daysToCompetition: null,
  });
  // Its cause left alone, the arm is worked on for itself.
  expect(proposed.map((g) => g.judged.measure.id)).toEqual(['arm']);
});

test('the early cause is corrected and the late consequence follows; a late cause of something early is refused', () => {
  const judged = Object.values(judgeAll(performer(8, 8, 60), good));
  const { proposed } = prioritise(movement, judged, { decisions: [], order: [], daysToCompetition: null });
  expect(proposed.map((g) => [g.judged.measure.id, g.willFollow.map((f) => f.judged.measure.id)])).toEqual([
    ['tilt', ['arm']],
  ]);
  const turned = movementSchema.safeParse({
    ...movement,
    causes: [{ cause: 'arm', effect: 'tilt', share: 0.5, because: 'x' }],
  });
  expect(turned.error!.issues[0]!.message).toBe(
    '“arm” comes after “tilt” and cannot be its cause; turn the link round or take it out.',
  );
});

test('what can injure comes first whatever its score, and is not parked before a competition; youth changes load and words', () => {
  const judged = Object.values(judgeAll(performer(14, 14, 90), good));
  const { proposed, parked } = prioritise({ ...movement, causes: [] }, judged, {
    decisions: [],
    order: [],
    daysToCompetition: 3,
  });
  expect(proposed[0]!.judged.measure.id).toBe('tilt');
  expect(parked.map((p) => p.gap.judged.measure.id)).not.toContain('tilt');
  const [grown, young] = [false, true].map((minor) => draftCorrection(movement, proposed[0]!, minor));
  expect(grown!.caution).toBe('Stop on back pain.');
  expect(young!.caution).toContain('under age');
  expect(young!.load).not.toBe(grown!.load);
  expect(young!.load).toContain('guardian');
});
