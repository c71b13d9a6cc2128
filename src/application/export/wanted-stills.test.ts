import { readFileSync } from 'node:fs';
import path from 'node:path';
import { derive, type Derived } from '../analysis/derived';
import type { Judged } from '../../core/judgement/state';
import { sessionJson } from '../../formats/session-json/session-json';
import { measureKey, wantedOnPage } from './wanted-stills';

const file = path.join(import.meta.dirname, '..', '..', '..', 'demo', 'clips', 'walk-session.falcon.json');
const read = sessionJson.read(readFileSync(file, 'utf8'), 'demo');
if (!read.ok) throw new Error(read.issue.message);
const derived = derive(read.value);
const athlete = derived.athlete!;
const judgedOf = (id: string): Judged => derived.judged.find(({ measure }) => measure.id === id)!;

/** The frame of the athlete's picture where a difference is the only one that is worked on. */
function frameFor(judged: Judged): number {
  const [item] = derived.plan.items;
  const plan: Derived['plan'] = {
    ...derived.plan,
    items: [{ id: item!.id, own: null, gap: { ...item!.gap!, judged } }],
  };
  const wanted = wantedOnPage({ ...derived, plan }, athlete);
  return wanted.find(({ key }) => key === measureKey(judged.measure.id, athlete.clip.id))!.frame;
}

test('the picture of a correction is that of the frame in which its number was read', () => {
  const bent = judgedOf('knee-least-in-front-support');
  const frame = bent.athlete.measurable ? bent.athlete.provenance.frames[0]! : NaN;
  // The knee is bent most before the moment that ends its phase.
  expect(frame).toBeLessThan(athlete.marks['vertical']! - 1);
  expect(frameFor(bent)).toBe(Math.round(frame));
});

test('what comes early or late is shown at its moment, and so is what was not read', () => {
  const loss = judgedOf('loss-of-contact');
  expect(loss.athlete.measurable && loss.athlete.unit).toBe('ms');
  const moments = Object.values(athlete.marks).map(Math.round);
  expect(moments).toContain(frameFor(loss));
  const bent = judgedOf('knee-least-in-front-support');
  expect(moments).toContain(frameFor({ ...bent, athlete: judgedOf('step-on-the-ground').athlete }));
});
