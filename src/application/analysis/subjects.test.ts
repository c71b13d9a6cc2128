import { movementSchema } from '../../core/model/movement';
import { newSession, type Session } from '../../core/model/session';
import { sessionJson } from '../../formats/session-json/session-json';
import { chooseCounterpart, compareWith, judgeAthlete, markCriterion } from '../comparison/comparison-use-cases';
import { decide, reorder, workOnNote } from '../findings/finding-use-cases';
import { setSession, undoEdit, useDocument } from '../stores/document-store';
import { removeClip } from '../clips/clip-use-cases';
import { passStages } from '../season/practice-use-cases';
import { settle } from '../season/follow-up-use-cases';
import { derive, type Derived } from './derived';
import { sessionJudgedAs } from './judged-as';
import { resultOf } from './session-result';
import { hasCounterparts, performersOf } from './subjects';
import { stickTrial } from '../../../tests/fixtures/stick-trial';

const knee = (id: string, at: string) => ({
  id,
  name: `Knee, ${at}`,
  kind: 'value',
  of: { type: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] },
  region: 'legs',
  plane: 'sagittal',
  at,
  importance: 0.8,
  cost: 'weeks',
  target: { type: 'same-as-reference', tolerance: 5, source: 'test' },
});
const movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'crew',
  name: 'Crew',
  sport: 'Test',
  moments: [
    { id: 'catch', name: 'Catch', key: '1', hint: '' },
    { id: 'finish', name: 'Finish', key: '2', hint: '' },
  ],
  phases: [{ from: 'catch', to: 'finish', name: 'Drive' }],
  measures: [knee('at-catch', 'catch'), knee('at-finish', 'finish')],
  causes: [],
  cautions: [],
});

const marks = { catch: 8, finish: 32 };
/** Somebody whose knee is bent by so much at the catch and at the finish, degrees. */
const rower = (id: string, name: string, role: 'athlete' | 'reference', atCatch: number, atFinish: number) => {
  const bend = (f: number): number => ((atCatch + ((atFinish - atCatch) * (f - 8)) / 24) * Math.PI) / 180;
  const { clip, raw } = stickTrial(
    (f) => ({
      'left-shoulder': [500, 212],
      'left-hip': [500, 500],
      'left-knee': [500, 745],
      'left-ankle': [500 - 246 * Math.sin(bend(f)), 745 + 246 * Math.cos(bend(f))],
    }),
    marks,
  );
  return { clip: { ...clip, id, role, performer: { ...clip.performer, name } }, raw };
};

/** Two crews of two seats: the seats differ by 40 degrees, and the second of the athletes is 18 off at the catch. */
const boats = [
  rower('a1', 'Bow of ours', 'athlete', 60, 10),
  rower('a2', 'Stroke of ours', 'athlete', 118, 51),
  rower('r1', 'Bow of theirs', 'reference', 61, 11),
  rower('r2', 'Stroke of theirs', 'reference', 100, 50),
];
const crews: Session = {
  ...newSession('s', 'Crews', 'crew', '2026-01-01T00:00:00Z'),
  ownMovement: movement,
  clips: boats.map(({ clip }) => clip),
  tracks: Object.fromEntries(boats.map(({ clip, raw }) => [clip.id, raw])) as Session['tracks'],
  marks: Object.fromEntries(
    boats.map(({ clip }) => [
      clip.id,
      Object.fromEntries(Object.entries(marks).map(([id, frame]) => [id, { frame, proposed: null }])),
    ]),
  ),
};

const now = (): Derived => derive(useDocument.getState().session!);
const states = (): Record<string, readonly string[]> =>
  Object.fromEntries(
    performersOf(now()).subjects.map(({ clip, judged }) => [clip.trial.clip.id, judged.map(({ state }) => state)]),
  );
const pairs = (): Record<string, string | undefined> =>
  Object.fromEntries(
    performersOf(now()).subjects.map(({ clip, counterpart }) => [clip.trial.clip.id, counterpart?.trial.clip.id]),
  );

describe('performers of a session beside each other', () => {
  beforeEach(() => setSession(crews));

  it('two crews of two seats: four readings of each measure, and the fault of the second seat is its own', () => {
    const { subjects, references } = performersOf(now());
    const bent = (value: unknown): number => 180 - ((value as number) * 180) / Math.PI;
    const read = [
      ...subjects.map(({ judged }) => judged[0]!.athlete),
      ...references.map(({ readings }) => readings[0]!),
    ].map((reading) => (reading.measurable ? Math.round(bent(reading.value)) : null));
    expect(read).toEqual([60, 118, 61, 100]);
    expect(pairs()).toEqual({ a1: 'r1', a2: 'r2' });
    expect(states()['a1']).toEqual(expect.not.arrayContaining(['gap']));
    expect(states()['a2']![0]).toBe('gap');
    expect(states()['a2']![1]).not.toBe('gap');
    expect(subjects.map(({ gaps }) => gaps.map(({ judged }) => judged.measure.id))).toEqual([[], ['at-catch']]);
    // Against the other crew's bow, which is no counterpart, it would be 58 degrees off.
    expect(subjects[1]!.gaps[0]!.judged.excess).toBeCloseTo((-13 * Math.PI) / 180, 1);
  });

  it('another counterpart is chosen, others keep theirs, and it is one step back', () => {
    chooseCounterpart(now(), 'a2', 'r1');
    expect(pairs()).toEqual({ a1: 'r1', a2: 'r1' });
    undoEdit();
    chooseCounterpart(now(), 'a1', 'r2');
    expect(pairs()).toEqual({ a1: 'r2', a2: 'r2' });
    // The judged athlete's is the one that the bench shows and the report compares with.
    expect(now().reference!.clip.id).toBe('r2');
    undoEdit();
    expect(pairs()).toEqual({ a1: 'r1', a2: 'r2' });
  });

  it('another seat is judged with its own counterpart, and the first stays with its own', () => {
    judgeAthlete(now(), 'a2');
    expect([now().athlete!.clip.id, now().reference!.clip.id]).toEqual(['a2', 'r2']);
    expect(now().priorities.proposed.map(({ judged }) => judged.measure.id)).toEqual(['at-catch']);
    expect(pairs()).toEqual({ a2: 'r2', a1: 'r1' });
    compareWith(now(), 'r1');
    expect([pairs()['a2'], now().reference!.clip.id]).toEqual(['r1', 'r1']);
  });

  it('what is decided about one seat is not decided about the other', () => {
    judgeAthlete(now(), 'a2');
    decide('at-catch', { verdict: 'style', reason: 'long shanks' });
    expect(now().judged[0]!.state).toBe('style');
    judgeAthlete(now(), 'a1');
    expect(now().judged[0]!.state).not.toBe('style');
    decide('at-catch', { verdict: 'drop', reason: 'not now' });
    expect(now().decisions.map(({ reason }) => reason)).toEqual(['not now']);
    judgeAthlete(now(), 'a2');
    expect(now().judged[0]!.state).toBe('style');
    decide('at-catch', null);
    expect(now().session.decisions.map(({ reason }) => reason)).toEqual(['not now']);
  });

  it('criteria by eye, verdicts, practice and order of one seat are not those of the other, and are there again', () => {
    const said = () => {
      const { criteria, correctionVerdicts, practice, order } = now().session;
      return [Object.keys(criteria), Object.keys(correctionVerdicts), Object.keys(practice.passed), order];
    };
    const nothing = [[], [], [], []];
    markCriterion('long', { met: 'no', reason: 'hurries' });
    settle('at-catch', { verdict: 'closed', reason: 'seen twice' });
    passStages('at-catch', 1, '2026-03-01');
    reorder(['at-catch']);
    const first = said();
    expect(first.slice(0, 3)).toEqual([['long'], ['at-catch'], ['at-catch']]);
    judgeAthlete(now(), 'a2');
    expect(said()).toEqual(nothing);
    markCriterion('quick', { met: 'yes', reason: 'early' });
    judgeAthlete(now(), 'a1');
    expect(said()).toEqual(first);
    judgeAthlete(now(), 'a2');
    expect(said()).toEqual([['quick'], [], [], []]);
    undoEdit();
    expect(said()).toEqual(first);
    // The file holds both.
    const read = sessionJson.read(sessionJson.write(now().session), 'crews.json');
    expect(read.ok && read.value.setAside).toEqual(now().session.setAside);
  });

  it('what was said of one who is taken out is not said of the next', () => {
    markCriterion('long', { met: 'no', reason: 'hurries' });
    removeClip('a1');
    expect([now().athlete!.clip.id, now().session.criteria]).toEqual(['a2', {}]);
    undoEdit();
    expect(Object.keys(now().session.criteria)).toEqual(['long']);
    removeClip('a2');
    expect(Object.keys(now().session.criteria)).toEqual(['long']);
  });

  it('a session is measured for each of its athletes, as it would be if they were judged', () => {
    const found = (performer: string) => resultOf(derive(sessionJudgedAs(now(), performer)));
    expect(found('name:stroke of ours').asked.map(({ id }) => id)).toEqual(['at-catch']);
    expect(found('name:bow of ours').asked).toEqual([]);
    expect(sessionJudgedAs(now(), 'name:bow of ours')).toBe(now().session);
    expect(sessionJudgedAs(now(), 'name:nobody')).toBe(now().session);
    // Nothing of the session itself has changed.
    expect(now().athlete!.clip.id).toBe('a1');
  });

  it('a correction made of what was seen of one seat is no correction of the other', () => {
    const note = {
      id: 'n',
      kind: 'work-on' as const,
      text: 'Late catch',
      clipId: 'a2',
      frame: 8,
      region: null,
      panes: {},
      measureId: null,
      voice: null,
    };
    setSession({ ...crews, notes: [note] });
    workOnNote(now(), note);
    expect(now().plan.items.filter(({ own }) => own)).toEqual([]);
    judgeAthlete(now(), 'a2');
    expect(now().plan.items.filter(({ own }) => own)).toHaveLength(1);
  });

  it('each is judged by the technique that was measured of them', () => {
    const [, atFinish] = movement.measures;
    const way = (id: string, from: number, to: number) => ({
      id,
      name: id,
      because: '',
      targets: { 'at-finish': { ...atFinish!.target!, source: 'test' } },
      when: { measure: 'at-catch', from, to },
    });
    setSession({ ...crews, ownMovement: { ...movement, schools: [way('shallow', 100, 150), way('deep', 30, 90)] } });
    const { subjects } = performersOf(now());
    expect(subjects.map(({ technique }) => technique?.school?.id)).toEqual(['shallow', 'deep']);
    expect(subjects.map(({ judged }) => judged[1]!.measure.target!.source)).toEqual(['shallow: test', 'deep: test']);
    expect(subjects.map(({ movement: own }) => own.measures[1]!.target!.source)).toEqual([
      'shallow: test',
      'deep: test',
    ]);
  });

  it('where some phases have another reference it is everybody’s', () => {
    const referenceModel = { ...crews.referenceModel, kind: 'phases' as const, phases: { catch: 'r2' } };
    setSession({ ...crews, referenceModel });
    expect(hasCounterparts(now())).toBe(false);
    const files = performersOf(now()).subjects.map(({ judged }) =>
      judged.map(({ reference }) => reference.measurable && reference.provenance.clipId),
    );
    expect(files[1]).toEqual(files[0]);
    expect(files[0]).toEqual(['r2', 'r2']);
  });

  it('attempts of one athlete are all compared with the first reference, and several references with all', () => {
    const clips = crews.clips.map((clip) =>
      clip.id === 'a2' ? { ...clip, performer: { ...clip.performer, name: 'bow  of OURS' } } : clip,
    );
    setSession({ ...crews, clips });
    expect(pairs()).toEqual({ a1: 'r1', a2: 'r1' });
    setSession({ ...crews, referenceModel: { ...crews.referenceModel, kind: 'several' } });
    expect(hasCounterparts(now())).toBe(false);
    expect(performersOf(now()).subjects[1]!.judged[0]!.spread.reference!.n).toBe(2);
    setSession({
      ...crews,
      referenceModel: { ...crews.referenceModel, kind: 'own', own: { clipId: 'a2', repetition: 0 } },
    });
    const [first, own] = performersOf(now()).subjects;
    expect(first!.judged[0]!.reference.measurable).toBe(true);
    expect(own!.judged[0]!.reference).toMatchObject({ reason: 'no-reference' });
  });
});
