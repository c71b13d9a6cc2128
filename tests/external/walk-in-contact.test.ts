import { WALKING, walk } from '../../demo/athlete/race-walking';
import { clipNamed } from '../../demo/named';
import type { DemoClip } from '../../demo/scenario';
import { truthTrack } from '../../demo/true-trial';
import { truthOf } from '../../demo/truth';
import { compareAll } from '../../src/core/comparison/compare';
import { matchedSeries } from '../../src/core/comparison/matched-series';
import { clashOf, orderProblem } from '../../src/core/events/order';
import { proposeTrial } from '../../src/core/events/repetitions';
import { judge } from '../../src/core/judgement/state';
import { DEFAULT_CUTOFF } from '../../src/core/model/session';
import { matchedMap } from '../../src/core/timing/time-map';
import { eventTimes } from '../../src/core/trial/key-events';
import { prepareTrial, type Trial } from '../../src/core/trial/trial';
import { movementOf } from '../../src/movements';
import { renderedClip } from '../fixtures/rendered-clip';

/**
 * A walker who lands before the other foot has left: what the rule of race walking asks for (no visible loss of contact,
 * World Athletics rule 54.2, from memory). Such feet change the other way round than those of one who flies for a
 * moment, and both are walkers.
 */
const movement = movementOf('race-walking')!;
/** Seconds for which both feet are on the ground. */
const TOGETHER = 0.04;

function trialWith(flight: number): Trial {
  const demo = clipNamed('walk-side-reference')!;
  const walker: DemoClip = { ...demo, perform: () => walk(demo.body, { ...WALKING, flight }) };
  const truth = truthOf(walker);
  const clip = renderedClip(walker, truth, { view: { kind: 'side', offPlaneDegrees: 0 }, travel: 'right' });
  const marks = Object.fromEntries(
    Object.entries(truth.moments).map(([id, time]) => [id, { frame: time * truth.frameRate }]),
  );
  return prepareTrial(clip, truthTrack(truth), marks, DEFAULT_CUTOFF);
}
const [contact, flying] = [trialWith(-TOGETHER), trialWith(0.02)];

test('moments that come either way round are no mistake, however the feet change', () => {
  expect(contact.marks['opposite-toe-off']!).toBeGreaterThan(contact.marks['heel-strike']!);
  expect([contact, flying].map((trial) => orderProblem(movement, trial))).toEqual([null, null]);
  const wrong = { ...contact, marks: { ...contact.marks, vertical: contact.marks['heel-strike']! - 1 } };
  expect(orderProblem(movement, wrong)).toContain('\u201cVertical\u201d');
});

test('the time without contact is that with both feet on the ground, as a negative one, and within what the rule allows', () => {
  const judged = compareAll(movement, [contact], [flying]).map((comparison) => judge(comparison, undefined));
  const loss = judged.find(({ measure }) => measure.id === 'loss-of-contact')!;
  expect(loss.athlete.measurable && loss.athlete.value).toBeCloseTo(-TOGETHER, 2);
  expect(['on-target', 'strength']).toContain(loss.state);
});

test('they are matched in time with a walker who flies, through all other moments', () => {
  const map = matchedMap(movement.moments, eventTimes(contact), eventTimes(flying));
  expect(map.ok && map.value.through).toEqual(movement.moments.slice(1).map(({ id }) => id));
  const both = matchedMap(movement.moments, eventTimes(flying), eventTimes(flying));
  expect(both.ok && both.value.through).toHaveLength(movement.moments.length);
  const knee = movement.measures.find((m) => m.kind === 'value' && matchedSeries(movement, m, [[flying]], [[flying]]))!;
  const series = matchedSeries(movement, knee, [[contact]], [[flying]])!;
  expect(series.through).not.toContain('opposite-toe-off');
});

test('they are proposed from the points, all of one cycle and each where it is', () => {
  const proposed = proposeTrial(movement, { ...contact, marks: {}, timing: {} });
  expect(proposed.map(({ eventId }) => eventId)).toEqual(movement.moments.map(({ id }) => id));
  const { rate, cycle } = { rate: contact.clip.fileRate, cycle: 2 * WALKING.stepTime };
  for (const { eventId, frame } of proposed) {
    const off = (frame - contact.marks[eventId]!) / rate;
    // Whichever cycle of the clip it is.
    expect(Math.abs(off - cycle * Math.round(off / cycle)) * 120).toBeLessThan(4);
  }
});

test('a bowler whose arm hurries has it horizontal before the front foot is down: all other moments stay matched', () => {
  const { moments } = movementOf('pace-delivery')!;
  const usual = { 'back-foot-contact': 0, 'front-foot-contact': 0.2, 'arm-horizontal': 0.22, release: 0.33 };
  const hurried = { ...usual, 'arm-horizontal': 0.17 };
  expect(clashOf({ moments }, hurried)).toBeNull();
  expect(clashOf({ moments }, { ...usual, 'arm-horizontal': -0.1 })).not.toBeNull();
  const map = matchedMap(moments, hurried, usual);
  expect(map.ok && map.value.through).toEqual(['back-foot-contact', 'front-foot-contact', 'release']);
});
