import { movementSchema, type Movement } from '../model/movement';
import { movementGaps } from './movement-gaps';

const words = { seenLow: 'Bent.', seenHigh: 'Straight.', why: 'It carries.', cue: 'Tall', drills: ['Hold'] };
const knee = {
  id: 'knee',
  name: 'Knee',
  kind: 'value' as const,
  region: 'legs' as const,
  plane: 'sagittal' as const,
  of: { type: 'joint-angle' as const, points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'] as never },
  at: 'a',
  target: { type: 'at-least' as const, value: 160, source: 'published: somewhere' },
  importance: 0.5,
  cost: 'weeks' as const,
  coaching: words,
};
const moment = (id: string, rule: object | null = null) => ({
  id,
  name: id.toUpperCase(),
  key: id,
  hint: 'See it.',
  rule,
});
const waits = (which: object) => ({ rule: 'peak-speed', point: 'dominant-wrist', ...which });
const complete = {
  schemaVersion: 1,
  id: 'm',
  name: 'M',
  sport: 'S',
  moments: [moment('a'), moment('b')],
  phases: [],
  measures: [knee],
  causes: [],
  cautions: [{ id: 'aid', text: 'Stop on pain.', always: true }],
};
const gapsOf = (change: object): readonly string[] =>
  movementGaps(movementSchema.parse({ ...complete, ...change }) as Movement).map(({ text }) => text);

describe('what a movement lacks before others use it', () => {
  it('is nothing where all is there', () => expect(gapsOf({})).toEqual([]));

  it('names the words that are missing, but not those that a target of one side never says', () => {
    expect(gapsOf({ measures: [{ ...knee, coaching: { ...words, seenLow: '', seenHigh: '', cue: ' ' } }] })).toEqual([
      '\u201cKnee\u201d does not say what is seen when it is too small, a cue',
    ]);
  });

  it('names targets without a source, measures without a name and movements that judge nothing', () => {
    const target = { ...knee.target, source: 'analyst\u2019s choice' };
    expect(gapsOf({ measures: [{ ...knee, target }] })).toEqual(['\u201cKnee\u201d has a target that names no source']);
    expect(gapsOf({ measures: [{ ...knee, name: 'New measure', target: undefined }] })).toEqual([
      '\u201cNew measure\u201d has no name of its own',
      'No measure has a target: nothing would be judged',
    ]);
  });

  it('names rules that wait for each other, also round a corner', () => {
    const moments = [moment('a', waits({ before: 'b' })), moment('b', waits({ after: 'a' })), moment('c')];
    expect(gapsOf({ moments })).toEqual([
      'The rule of \u201cA\u201d waits for one that waits for it',
      'The rule of \u201cB\u201d waits for one that waits for it',
    ]);
    // One that waits for somebody who waits for nobody is no such thing.
    expect(gapsOf({ moments: [moment('a', waits({})), moment('b', waits({ after: 'a' }))] })).toEqual([]);
  });

  it('names criteria that cannot be met, and reports without a caution', () => {
    const sheet = {
      name: 'Check',
      source: 's',
      criteria: [{ id: 'k', name: 'Knee', measure: 'stride', must: true, points: 1 }],
    };
    const stride = { ...knee, id: 'stride', name: 'Stride', target: undefined };
    expect(gapsOf({ measures: [knee, stride], sheet, cautions: [] })).toEqual([
      'The criterion \u201cKnee\u201d can never be met: its measure has no target',
      'No caution stands on every report',
    ]);
  });
});
