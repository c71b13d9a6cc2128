import { blankMeasure } from '../../core/model/measure-form';
import { newSession } from '../../core/model/session';
import { MOVEMENTS } from '../../movements';
import { baseOf } from '../analysis/derived';
import { redoEdit, setSession, undoEdit, useDocument } from '../stores/document-store';
import {
  addMeasure,
  addEvent,
  addPoint,
  changeCautions,
  changeSheet,
  changeMeasure,
  changeEvent,
  linkCause,
  removeMeasure,
  removeEvent,
  removePoint,
  renameMovement,
  sortMeasures,
  sortEvents,
} from './movement-editing';

const session = () => useDocument.getState().session!;
const movement = () => baseOf(session());
const ids = (): string[] => movement().moments.map((m) => m.id);

beforeEach(() => setSession(newSession('s', 'Editing', 'pace-delivery', '2026-01-01T00:00:00Z')));

it('the first change makes a copy that belongs to the session; the movement that ships stays, and undo goes back to it', () => {
  expect(session().ownMovement).toBeNull();
  expect(renameMovement({ name: 'Our delivery' }).ok).toBe(true);
  expect(movement().name).toBe('Our delivery');
  expect(MOVEMENTS[0]!.name).toBe('Pace delivery');
  undoEdit();
  expect(session().ownMovement).toBeNull();
  redoEdit();
  expect(movement().name).toBe('Our delivery');
});

it('a moment is added with a key of its own, renamed, put elsewhere; phases join what is neighbouring', () => {
  addEvent('Run-up begins');
  const added = movement().moments.at(-1)!;
  expect(added).toMatchObject({ id: 'run-up-begins', key: '6', rule: null });
  changeEvent(added.id, { name: 'Run-up', hint: 'The first step.' });
  sortEvents([added.id, ...ids().filter((id) => id !== added.id)]);
  expect(ids()[0]).toBe('run-up-begins');
  expect(movement().phases[0]).toEqual({
    from: 'run-up-begins',
    to: 'back-foot-contact',
    name: 'Run-up to back foot contact',
  });
  // Names of phases that were there are kept.
  expect(movement().phases[1]!.name).toBe('Delivery stride');
  expect(movement().phases).toHaveLength(ids().length - 1);
});

it('a moment that measures need is not taken away, and they are named; one that none needs is', () => {
  const refused = removeEvent('release');
  expect(!refused.ok && refused.issue.message).toMatch(/^\u201c.+\u201d, .+ more measures need this moment/);
  expect(ids()).toContain('release');
  expect(session().ownMovement).toBeNull();
  addEvent('Extra');
  expect(removeEvent('extra').ok).toBe(true);
  expect(ids()).not.toContain('extra');
});

it('a measure is added, changed and sorted; taking it away takes its links, criteria and school targets along', () => {
  const blank = blankMeasure('range', movement(), 'Head height');
  addMeasure(blank);
  changeMeasure(blank.id, { ...blank, importance: 0.9 });
  expect(movement().measures.at(-1)).toMatchObject({ id: 'head-height', kind: 'range', importance: 0.9 });
  sortMeasures([
    blank.id,
    ...movement()
      .measures.map((m) => m.id)
      .filter((id) => id !== blank.id),
  ]);
  expect(movement().measures[0]!.id).toBe('head-height');
  expect(removeMeasure('front-knee-at-release').ok).toBe(true);
  const now = movement();
  expect(now.causes.some((c) => c.cause === 'front-knee-at-release' || c.effect === 'front-knee-at-release')).toBe(
    false,
  );
  expect(now.schools.some((s) => 'front-knee-at-release' in s.targets)).toBe(false);
  expect(now.sheet!.criteria.some((c) => c.measure === 'front-knee-at-release')).toBe(false);
  // The gate needed it and the elbow; the elbow is left.
  expect(now.sheet!.gates[0]!.needs).toEqual(['elbow']);
});

it('what would break the movement is refused in words, and nothing changes', () => {
  const before = session();
  const two = changeMeasure('front-knee-at-release', { ...movement().measures[0]! });
  expect(!two.ok && two.issue.message).toContain('Two measures are called');
  const late = linkCause('trunk-at-release', 'back-knee-at-back-foot-contact', { share: 0.5, because: 'x' });
  expect(!late.ok && late.issue.message).toContain('comes after');
  const key = changeEvent('release', { key: '' });
  expect(!key.ok && key.issue.message).toMatch(/^Moment \u201cRelease\u201d: /);
  expect(session()).toBe(before);
});

it('a cause is linked, its words changed, and taken back; a point beside the body gets an id of its own', () => {
  linkCause('trunk-at-back-foot-contact', 'trunk-at-release', { share: 0.3, because: 'who leans early leans late' });
  linkCause('trunk-at-back-foot-contact', 'trunk-at-release', { share: 0.4, because: 'who leans early leans late' });
  const links = () =>
    movement().causes.filter((c) => c.cause === 'trunk-at-back-foot-contact' && c.effect === 'trunk-at-release');
  expect(links()).toEqual([
    {
      cause: 'trunk-at-back-foot-contact',
      effect: 'trunk-at-release',
      share: 0.4,
      because: 'who leans early leans late',
    },
  ]);
  linkCause('trunk-at-back-foot-contact', 'trunk-at-release', null);
  expect(links()).toEqual([]);
  addPoint('Ball', 'The seam.');
  expect(movement().points.map((p) => p.id)).toEqual(['own-ball', 'own-ball-2']);
});

it('a movement that ships and is given another name is another movement; one of its own keeps its id', () => {
  renameMovement({ sport: 'Cricket, juniors' });
  expect(movement().id).toBe('pace-delivery');
  renameMovement({ name: 'Our delivery' });
  expect([movement().id, session().movementId]).toEqual(['our-delivery', 'our-delivery']);
  renameMovement({ name: 'Our own delivery' });
  expect(movement().id).toBe('our-delivery');
});

it('a caution that is removed leaves no measure with its risk, and undo brings both back', () => {
  const risky = movement().measures.find((m) => m.risk)!;
  const gone = movement().cautions.filter((c) => c.id !== risky.risk);
  expect(changeCautions(gone).ok).toBe(true);
  expect(movement().measures.find((m) => m.id === risky.id)!.risk).toBeUndefined();
  undoEdit();
  expect(movement().measures.find((m) => m.id === risky.id)!.risk).toBe(risky.risk);
});

it('a point that something is measured on stays, and the message names what needs it', () => {
  addPoint('Bat tip', 'The end of the bat.');
  const speed = { ...blankMeasure('speed', movement(), 'Bat speed'), point: 'own-bat-tip' as const };
  addMeasure(speed as never);
  expect(removePoint('own-bat-tip')).toMatchObject({
    ok: false,
    issue: { message: expect.stringContaining('Bat speed') },
  });
  removeMeasure(speed.id);
  expect(removePoint('own-bat-tip').ok).toBe(true);
});

it('a sheet whose limit names no criterion is refused', () => {
  const sheet = movement().sheet!;
  const refused = changeSheet({ ...sheet, gates: [{ needs: ['nothing'], most: 1, because: '' }] });
  expect(refused).toMatchObject({ ok: false, issue: { message: expect.stringContaining('is not a criterion') } });
  expect(movement().sheet).toEqual(sheet);
  expect(changeSheet(null).ok).toBe(true);
  expect(movement().sheet).toBeNull();
});
