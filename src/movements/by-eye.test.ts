import { movementOf } from '.';
import { correctionOfNote } from '../core/coaching/correction';
import { eventsOf } from '../core/model/measure';
import type { Note } from '../core/model/session';
import { measuresFor, numberSays } from '../core/judgement/by-eye';
import type { State } from '../core/judgement/state';

const movement = movementOf('pace-delivery')!;

it.each([
  ['work-on', 'gap', 'agrees'],
  ['work-on', 'on-target', 'disagrees'],
  ['work-on', 'style', 'disagrees'],
  ['work-on', 'within-error', 'open'],
  ['work-on', 'not-judged', 'open'],
  ['work-on', 'not-measurable', 'not-measurable'],
  ['good', 'strength', 'agrees'],
  ['good', 'gap', 'disagrees'],
  ['good', 'borderline', 'open'],
] as const)('a finding of something %s and a number that is %s: %s', (kind, state, says) =>
  expect(numberSays(kind, { state: state as State })).toBe(says),
);

it('measures of the moment come first, of them those of the region', () => {
  const sorted = measuresFor(movement, { moment: 'release', region: 'trunk' });
  expect(sorted).toHaveLength(movement.measures.length);
  expect(eventsOf(sorted[0]!)).toContain('release');
  expect(sorted[0]!.region).toBe('trunk');
  const others = sorted.findIndex((m) => !eventsOf(m).includes('release'));
  expect(sorted.slice(others).some((m) => eventsOf(m).includes('release'))).toBe(false);
  // Where nothing is known of it they stand as the movement has them.
  expect(measuresFor(movement, { moment: null, region: null })).toEqual(movement.measures);
});

it('a finding becomes a correction with its words, and with what the movement knows of its measure', () => {
  const measure = movement.measures.find((m) => m.coaching?.cue)!;
  const note: Note = {
    id: 'n',
    kind: 'work-on',
    text: ' falls away ',
    clipId: 'a',
    frame: 3,
    region: null,
    panes: {},
    voice: null,
    measureId: measure.id,
  };
  expect(correctionOfNote(movement, note)).toMatchObject({
    noteId: 'n',
    title: 'falls away',
    seen: 'falls away',
    cue: measure.coaching!.cue,
  });
  expect(correctionOfNote(movement, { ...note, measureId: null })).toMatchObject({ title: 'falls away', cue: '' });
  expect(correctionOfNote(movement, { ...note, text: '' }).title).toBe(measure.name);
});
