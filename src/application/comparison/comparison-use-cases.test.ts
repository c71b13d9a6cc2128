import { readFileSync } from 'node:fs';
import path from 'node:path';
import { sessionJson } from '../../formats/session-json/session-json';
import {
  addRepetition,
  averageRepetitions,
  carryEventsOver,
  changeOwnCorrection,
  changeReferenceModel,
  chooseRepetition,
  chooseSchool,
  findRepetitionsOf,
  markCriterion,
  removeRepetition,
  weigh,
} from './comparison-use-cases';
import { derive, repetitionsOf, type Derived } from '../analysis/derived';
import { setSession, undoEdit, useDocument } from '../stores/document-store';
import { stepStatus } from '../session/steps';

const load = (id: string): void => {
  const read = sessionJson.read(
    readFileSync(
      path.join(import.meta.dirname, '..', '..', '..', 'demo', 'clips', `${id}-session.falcon.json`),
      'utf8',
    ),
    id,
  );
  if (!read.ok) throw new Error(read.issue.message);
  setSession(read.value);
};
const now = (): Derived => derive(useDocument.getState().session!);
const athlete = (): string => now().athlete!.clip.id;
const knee = () => now().judged.find((j) => j.measure.id === 'front-knee-at-release')!;

describe('repetitions of the walker', () => {
  beforeEach(() => load('walk'));

  it('are found anew, counted with their mean, and one is shown', () => {
    expect(findRepetitionsOf(now().movement, now().athlete!)).toBe(2);
    expect(now().sides.athlete).toHaveLength(2);
    const first = now().athlete!.marks['heel-strike']!;
    chooseRepetition(athlete(), 1);
    expect(now().athlete!.marks['heel-strike']!).toBeGreaterThan(first + 50);
    averageRepetitions(athlete(), false);
    expect(now().sides.athlete).toHaveLength(1);
  });

  it('keep what is marked in one while another is shown, and each act is one step back', () => {
    const id = athlete();
    const before = useDocument.getState().session!.marks[id]!;
    addRepetition(id);
    expect(repetitionsOf(now().session, id)).toHaveLength(3);
    expect(now().athlete!.marks).toEqual({});
    chooseRepetition(id, 0);
    expect(useDocument.getState().session!.marks[id]).toEqual(before);
    chooseRepetition(id, 2);
    removeRepetition(id);
    expect(repetitionsOf(now().session, id)).toHaveLength(2);
    undoEdit();
    expect(repetitionsOf(now().session, id)).toHaveLength(3);
  });

  it('the athlete is compared with another of the own repetitions', () => {
    averageRepetitions(athlete(), false);
    changeReferenceModel({ kind: 'own', own: { clipId: athlete(), repetition: 1 } });
    const { sides, judged } = now();
    expect(sides.reference[0]![0]!.clip.id).toBe(athlete());
    expect(sides.reference[0]![0]!.marks['heel-strike']).not.toBe(sides.athlete[0]![0]!.marks['heel-strike']);
    // Two strides of one walker are alike but for what the second planted.
    expect(judged.filter((j) => j.measure.target?.type === 'same-as-reference' && j.state === 'gap')).toEqual([]);
  });
});

describe('what the bowler is compared with', () => {
  beforeEach(() => load('pace'));

  it('one, several, another one for a phase, or none', () => {
    const one = knee();
    expect(one.spread.reference).toBeNull();
    changeReferenceModel({ kind: 'several' });
    expect(knee().spread.reference!.n).toBe(3);
    // Three performers say little of where the next one lies: t of 2 degrees of freedom is 4.303 (Student's table).
    const { band, basis, spread } = knee();
    expect(basis).toBe('performers');
    expect((band!.high! - band!.low!) / 2).toBeCloseTo(4.303 * spread.reference!.sd * Math.sqrt(4 / 3), 3);
    expect(band!.high! - band!.low!).toBeGreaterThan(1.5 * (one.band!.high! - one.band!.low!));
    changeReferenceModel({ kind: 'several', without: [now().reference!.clip.id] });
    expect(knee().spread.reference!.n).toBe(2);
    const other = now().clips.find((c) => c.id === 'reference-2')!.trial.clip.id;
    changeReferenceModel({ kind: 'phases', phases: { 'arm-horizontal': other } });
    expect(knee().reference.measurable && knee().reference).toMatchObject({ provenance: { clipId: other } });
    const back = now().judged.find((j) => j.measure.id === 'back-knee-at-back-foot-contact')!;
    expect(back.reference.measurable && back.reference).not.toMatchObject({ provenance: { clipId: other } });
    changeReferenceModel({ kind: 'published' });
    expect(knee().state).toBe('not-judged');
    expect(now().timing).toEqual([]);
    // With published targets alone no clip of a reference is asked for.
    const session = useDocument.getState().session!;
    setSession({ ...session, clips: session.clips.filter((c) => c.role === 'athlete') });
    expect(stepStatus(now(), 'decide').next).not.toContain('Intake');
    changeReferenceModel({ kind: 'one' });
    // An athlete alone is asked for nobody else.
    expect(stepStatus(now(), 'decide').next).not.toContain('Intake');
  });

  it('every performance in use is asked for its moments, by its performer where there are several', () => {
    const [, second] = now().session.clips.filter((c) => c.role === 'reference');
    const session = useDocument.getState().session!;
    setSession({ ...session, marks: { ...session.marks, [second!.id]: {} } });
    changeReferenceModel({ kind: 'one' });
    expect(stepStatus(now(), 'moments')).toMatchObject({
      done: true,
      next: 'All moments are marked in both clips. Go on to Measure.',
    });
    changeReferenceModel({ kind: 'several' });
    expect(stepStatus(now(), 'moments')).toEqual({
      done: false,
      next:
        `Still to mark: back foot contact (${second!.performer.name}), front foot contact ` +
        `(${second!.performer.name}), arm horizontal (${second!.performer.name}) and 2 more.`,
    });
    changeReferenceModel({ kind: 'phases', phases: { 'arm-horizontal': second!.id } });
    expect(stepStatus(now(), 'moments').done).toBe(false);
    undoEdit();
    undoEdit();
    expect(stepStatus(now(), 'moments').done).toBe(true);
  });

  it('a school, an importance, a criterion by eye, a correction of one\u2019s own', () => {
    chooseSchool('flexing');
    expect(knee().measure.target).toMatchObject({
      type: 'between',
      source: expect.stringContaining('Flexing front leg'),
    });
    chooseSchool(null);
    const score = (): number =>
      now().priorities.proposed.find((p) => p.judged.measure.id === 'front-knee-at-release')!.score;
    const before = score();
    weigh('front-knee-at-release', 0.1);
    expect(score()).toBeLessThan(before);
    weigh('front-knee-at-release', null);
    expect(score()).toBe(before);
    const points = now().sheet!.points;
    markCriterion('front-leg-holds', { met: 'yes', reason: 'held in the other six films' });
    expect(now().sheet!.points).toBeGreaterThan(points);
    markCriterion('front-leg-holds', null);
    expect(now().sheet!.points).toBe(points);
    changeOwnCorrection(null, {
      title: 'Rhythm',
      seen: '',
      shouldBe: '',
      why: '',
      cue: 'Count',
      drills: ['Walk'],
      selfCheck: '',
      change: 'technique' as const,
      noteId: null,
    });
    const { id } = now().plan.items.at(-1)!;
    expect(now().plan.items.map((i) => i.own?.title ?? i.id)).toEqual([
      'front-knee-at-release',
      'front-arm-lead',
      'Rhythm',
    ]);
    changeOwnCorrection(id, {
      title: 'Run-up rhythm',
      seen: '',
      shouldBe: '',
      why: '',
      cue: 'Count',
      drills: [],
      selfCheck: '',
      change: 'technique' as const,
      noteId: null,
    });
    expect(now().plan.items.at(-1)!.own!.title).toBe('Run-up rhythm');
    changeOwnCorrection(id, null);
    expect(now().plan.items).toHaveLength(2);
  });

  it('moments are carried over to what is not marked, as proposals', () => {
    const { movement, reference } = now();
    const session = useDocument.getState().session!;
    setSession({ ...session, marks: { ...session.marks, [athlete()]: {} } });
    const carried = carryEventsOver(movement, reference!, now().athlete!);
    expect(carried).toHaveLength(5);
    const marks = useDocument.getState().session!.marks[athlete()]!;
    for (const mark of Object.values(marks)) expect(mark.proposed).toBeGreaterThan(0);
    undoEdit();
    expect(useDocument.getState().session!.marks[athlete()]).toEqual({});
  });

  it('moments that somebody marked are carried over what is only proposed, and over nothing that was marked', () => {
    const { movement, reference } = now();
    const session = useDocument.getState().session!;
    const marks = session.marks[athlete()]!;
    const [first, ...others] = Object.keys(marks);
    const proposed = Object.fromEntries(others.map((id) => [id, { frame: 3, proposed: 0.4, sd: 0.02 }]));
    setSession({ ...session, marks: { ...session.marks, [athlete()]: { ...proposed, [first!]: marks[first!]! } } });
    const carried = carryEventsOver(movement, reference!, now().athlete!);
    expect(carried.map((p) => p.eventId).sort()).toEqual(others.sort());
    expect(useDocument.getState().session!.marks[athlete()]![first!]).toEqual(marks[first!]);
  });
});
