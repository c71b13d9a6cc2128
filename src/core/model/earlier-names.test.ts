import { paceSession } from '../../../tests/fixtures/earlier-session';
import { todaysMovement } from './earlier-measures';
import { checkSession, repairSession } from './check-session';

describe('documents of earlier versions', () => {
  it('a movement reads with today\u2019s kinds, quantities and names of parts', () => {
    const knee = { q: 'joint-angle', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'] };
    const today = { type: 'joint-angle', points: knee.points };
    const fold = { q: 'fold', limb: 'leg', points: knee.points };
    expect(
      todaysMovement({
        id: 'mine',
        points: [{ id: 'own-tip', name: 'Tip', look: 'The tip.' }],
        moments: [{ id: 'a', look: 'It lands.', rule: { rule: 'crossing', of: knee, level: 90 } }],
        measures: [
          { id: '1', kind: 'turn', of: knee },
          { id: '2', kind: 'evenness', of: fold },
          { id: '3', kind: 'steadiness', point: 'nose' },
          { id: '4', kind: 'stop', point: 'nose' },
          { id: '5', kind: 'lead', points: knee.points, against: 'up' },
          { id: '6', kind: 'extreme', of: knee, give: 'time' },
          { id: '7', kind: 'count', each: { each: 'crossing', of: knee, level: 90 } },
          { id: '8', kind: 'order', steps: [{ name: 'knee', of: knee, event: 'largest' }] },
          { id: '9', kind: 'lag', first: knee, second: fold },
          { id: '10', kind: 'joint-change', points: knee.points },
        ],
      }),
    ).toEqual({
      id: 'mine',
      points: [{ id: 'own-tip', name: 'Tip', hint: 'The tip.' }],
      moments: [{ id: 'a', hint: 'It lands.', rule: { rule: 'crossing', of: today, level: 90 } }],
      measures: [
        { id: '1', kind: 'rotation', of: today },
        { id: '2', kind: 'symmetry', of: { type: 'relative-inertia', limb: 'leg', points: knee.points } },
        { id: '3', kind: 'dispersion', point: 'nose' },
        { id: '4', kind: 'dwell', point: 'nose' },
        { id: '5', kind: 'event-offset', of: { type: 'segment-angle', points: knee.points, against: 'up' } },
        { id: '6', kind: 'extreme', of: today, output: 'time' },
        { id: '7', kind: 'count', occurrence: { type: 'crossing', of: today, level: 90 } },
        { id: '8', kind: 'order', steps: [{ name: 'knee', of: today, event: 'largest' }] },
        { id: '9', kind: 'lag', first: today, second: { type: 'relative-inertia', limb: 'leg', points: knee.points } },
        { id: '10', kind: 'rotation', of: today },
      ],
    });
  });

  it('a session keeps its cameras, marks and verdicts, opened or repaired', () => {
    const opened = checkSession(paceSession());
    const repaired = repairSession({ ...paceSession(), impressions: 7 }, { id: 'new', now: '2026-01-01' });
    for (const session of [opened.ok ? opened.value : null, repaired?.session]) {
      expect(session?.clips.map((clip) => clip.sync)).toEqual([null, { to: 'first', pairs: [{ own: 2, other: 3 }] }]);
      expect(session?.marks['first']?.['release']).toMatchObject({ frame: 4, systematic: 0.004 });
      expect(session?.repetitions['first']?.all[0]?.['release']).toMatchObject({ systematic: 0.002 });
      expect(session?.correctionVerdicts).toEqual({ knee: { verdict: 'closed', reason: 'good enough' } });
    }
  });
});
