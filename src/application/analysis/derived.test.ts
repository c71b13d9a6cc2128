import { readFileSync } from 'node:fs';
import path from 'node:path';
import { sessionJson } from '../../formats/session-json/session-json';
import { newSession } from '../../core/model/session';
import { baseOf, derive } from './derived';
import { STEPS, stepStatus } from '../session/steps';

const file = path.join(import.meta.dirname, '..', '..', '..', 'demo', 'clips', 'pace-session.falcon.json');
const read = sessionJson.read(readFileSync(file, 'utf8'), 'demo');
if (!read.ok) throw new Error(read.issue.message);
// The athlete and the first reference.
const demo = { ...read.value, clips: read.value.clips.slice(0, 2) };
const athleteId = demo.clips.find((c) => c.role === 'athlete')!.id;

describe('what follows from a session', () => {
  it('is computed once for the same session', () => {
    expect(derive(demo)).toBe(derive(demo));
  });

  it('keeps the smoothed points when a moment is marked, and not when a point changes', () => {
    const before = derive(demo);
    const marked = derive({
      ...demo,
      marks: { ...demo.marks, [athleteId]: { ...demo.marks[athleteId], release: { frame: 137, proposed: null } } },
    });
    expect(marked.athlete!.smoothed).toBe(before.athlete!.smoothed);
    expect(marked.athlete!.marks['release']).toBe(137);
    expect(marked.judged).not.toBe(before.judged);
    const other = derive({ ...demo, cutoff: 12 });
    expect(other.athlete!.smoothed).not.toBe(before.athlete!.smoothed);
  });

  it('follows a decision without measuring again', () => {
    const before = derive(demo);
    const dropped = derive({
      ...demo,
      decisions: [{ measureId: 'front-knee-at-release', verdict: 'drop', reason: 'not now' }],
    });
    expect(dropped.priorities.dropped.map(({ gap }) => gap.judged.measure.id)).toEqual(['front-knee-at-release']);
    expect(dropped.judged[0]!.athlete).toBe(before.judged[0]!.athlete);
  });

  it('says what is missing by the name that the movement gives it', () => {
    const movement = baseOf(demo);
    const moments = movement.moments.map((m) => (m.id === 'release' ? { ...m, name: 'Letting go' } : m));
    const without = { ...demo.marks[athleteId] };
    delete without['release'];
    const { judged } = derive({
      ...demo,
      ownMovement: { ...movement, moments },
      marks: { ...demo.marks, [athleteId]: without },
    });
    const knee = judged.find(({ measure }) => measure.id === 'front-knee-at-release')!.athlete;
    expect(knee).toMatchObject({
      reason: 'moment-missing',
      message: 'The moment \u201cLetting go\u201d is not marked',
    });
  });

  it('is empty, not broken, for an empty session', () => {
    const empty = derive(newSession('s', 'Empty', 'pace-delivery', '2026-01-01T00:00:00Z'));
    expect(empty.judged).toEqual([]);
    for (const step of STEPS) expect(stepStatus(empty, step).next).not.toBe('');
    expect(stepStatus(empty, 'measure').next).toBe(
      'Add the athlete\u2019s clip and the reference\u2019s clip at Intake first.',
    );
  });
});

describe('further clips', () => {
  const athlete = demo.clips.find((c) => c.id === athleteId)!;
  /** The same trial seen by another camera that began 10 frames earlier. */
  const camera = {
    ...athlete,
    id: 'camera',
    view: { kind: 'front' as const, offPlaneDegrees: null },
    sync: { to: athleteId, pairs: [{ own: 10, other: 0 }] },
  };

  it('have the moments of their performance, at their own frames', () => {
    const { clips } = derive({ ...demo, clips: [...demo.clips, camera] });
    expect(clips.map((c) => c.id)).toEqual(['athlete', 'reference', 'athlete-view-2']);
    const first = clips[0]!.trial;
    // The container rounds times to a millisecond, an eighth of a frame.
    for (const [id, frame] of Object.entries(first.marks))
      expect(Math.abs(clips[2]!.trial.marks[id]! - (frame + 10))).toBeLessThan(0.13);
  });

  it('do not change what is measured until one of them shows it better', () => {
    const before = derive(demo);
    const beside = derive({ ...demo, clips: [...demo.clips, camera, { ...demo.clips[1]!, id: 'other' }] });
    expect(beside.judged.map((j) => [j.measure.id, j.state])).toEqual(
      before.judged.map((j) => [j.measure.id, j.state]),
    );
    // Nothing of the clips that were there is smoothed again.
    expect(beside.athlete!.smoothed).toBe(before.athlete!.smoothed);
  });

  it('have a pane each, at most four, unless they are put away', () => {
    const more = [camera, ...['b', 'c', 'd'].map((id) => ({ ...demo.clips[1]!, id }))];
    expect(derive({ ...demo, clips: [...demo.clips, ...more] }).panes.map((c) => c.id)).toEqual([
      'athlete',
      'reference',
      'reference-2',
      'reference-3',
    ]);
    const away = more.map((c) => (c.id === 'b' || c.id === 'c' ? { ...c, onBench: false } : c));
    expect(derive({ ...demo, clips: [...demo.clips, ...away] }).panes.map((c) => c.id)).toEqual([
      'athlete',
      'reference',
      'reference-4',
      'athlete-view-2',
    ]);
  });
});

describe('the order of work', () => {
  it('counts the demo as done up to the report', () => {
    const derived = derive(demo);
    for (const step of STEPS.filter((s) => s !== 'report' && s !== 'follow-up'))
      expect([step, stepStatus(derived, step).done]).toEqual([step, true]);
  });

  it('names what is missing', () => {
    const unmarked = derive({ ...demo, marks: { ...demo.marks, [athleteId]: {} } });
    expect(stepStatus(unmarked, 'moments')).toMatchObject({
      done: false,
      next: 'Still to mark: back foot contact (athlete), front foot contact (athlete), arm horizontal (athlete) and 2 more.',
    });
    const pointless = derive({ ...demo, tracks: { ...demo.tracks, [athleteId]: {} } });
    expect(stepStatus(pointless, 'measure')).toMatchObject({
      done: false,
      next: expect.stringContaining('Detect the points of Kip Marlowe'),
    });
  });
});
