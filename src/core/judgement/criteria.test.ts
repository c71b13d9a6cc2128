import type { CriteriaSheetDocument } from '../model/movement';
import type { Judged, State } from './state';
import { markSheet } from './criteria';
import { filmingRequests } from './filming';

const judgedAs = (id: string, state: State): Judged =>
  ({
    measure: { id, name: id },
    state,
    athlete: { measurable: true, unit: 'deg' },
    reference: { measurable: true },
  }) as unknown as Judged;
const criterion = (id: string, must: boolean, points: number) => ({ id, name: id, measure: `m-${id}`, must, points });

const sheet: CriteriaSheetDocument = {
  name: 'Jump with a turn',
  source: 'test',
  criteria: [
    criterion('pull', true, 2),
    criterion('height', true, 2),
    criterion('line', true, 2),
    criterion('arms', false, 1),
    criterion('ease', false, 1),
  ],
  gates: [{ needs: ['pull', 'height', 'line'], most: 4, because: 'without these three not above four' }],
};

describe('a criteria sheet', () => {
  const judged = (states: readonly State[]): Judged[] =>
    states.map((state, i) => judgedAs(`m-${sheet.criteria[i]!.id}`, state));

  it('gives full points on target, half where it is borderline or cannot be told, none for a gap', () => {
    const result = markSheet(sheet, judged(['strength', 'on-target', 'style', 'borderline', 'gap']), {});
    expect(result.results.map((r) => r.points)).toEqual([2, 2, 2, 0.5, 0]);
    expect(result).toMatchObject({ points: 6.5, most: 8, open: 0, held: [] });
  });

  it('common practice: without the three that must be there, not above the gate, however good the rest', () => {
    const result = markSheet(sheet, judged(['strength', 'strength', 'gap', 'strength', 'strength']), {});
    expect(result.points).toBe(4);
    expect(result.held.map((g) => g.because)).toEqual(['without these three not above four']);
  });

  it('is marked by eye with a reason where the analyst sees it otherwise, and open where nobody can tell', () => {
    const result = markSheet(sheet, judged(['gap', 'strength', 'strength', 'not-measurable', 'not-judged']), {
      pull: { met: 'yes', reason: 'the camera hides it' },
    });
    expect(result.results[0]).toMatchObject({ met: 'yes', points: 2, byEye: { reason: 'the camera hides it' } });
    expect(result).toMatchObject({ points: 6, open: 2 });
  });
});

test('filming requests are collected, each once, with what they would make measurable', () => {
  const blocked = (id: string, reason: string, remedy: string): Judged =>
    ({
      measure: { id, name: id },
      state: 'not-measurable',
      athlete: { measurable: false, reason, message: 'Not measurable from the side', remedy },
      reference: { measurable: true },
    }) as unknown as Judged;
  const requests = filmingRequests(
    [
      blocked('side fall', 'wrong-view', 'Film from straight in front or behind.'),
      blocked('knees', 'wrong-view', 'Film from straight in front or behind.'),
      blocked('grip', 'not-answered', 'Look.'),
    ],
    null,
    null,
  );
  expect(requests).toEqual([
    {
      request: 'Film from straight in front or behind.',
      because: 'Not measurable from the side',
      measures: ['side fall', 'knees'],
    },
  ]);
});
