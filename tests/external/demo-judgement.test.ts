import { readFileSync } from 'node:fs';
import path from 'node:path';
import { trueTrial } from '../../demo/true-trial';
import type { ClipTruth } from '../../demo/truth';
import { judge } from '../../src/core/judgement/state';
import { prioritise } from '../../src/core/judgement/priority';
import { compareAll } from '../../src/core/comparison/compare';
import { timingTable } from '../../src/core/comparison/timing-table';
import { prepareTrial } from '../../src/core/trial/trial';
import { sessionJson } from '../../src/formats/session-json/session-json';
import type { Movement } from '../../src/core/model/movement';
import { MOVEMENTS } from '../../src/movements';

const [paceDelivery] = MOVEMENTS as [Movement];

/**
 * The demo session, whose points a detector found in rendered video, against what the generator of that video knows.
 * The generator's own kinematics are the truth, not the code under test.
 */
const folder = path.join(import.meta.dirname, '..', '..', 'demo', 'clips');
const read = (file: string): string => readFileSync(path.join(folder, file), 'utf8');
const parsed = sessionJson.read(read('pace-session.falcon.json'), 'pace-session.falcon.json');
if (!parsed.ok) throw new Error(parsed.issue.message);
const session = parsed.value;
const of = (role: 'athlete' | 'reference') => {
  const clip = session.clips.find((c) => c.role === role)!;
  const truth = JSON.parse(read(`pace-side-${role}.truth.json`)) as ClipTruth;
  return {
    found: prepareTrial(clip, session.tracks[clip.id]!, session.marks[clip.id]!, session.cutoff),
    truth: trueTrial(clip, truth),
    planted: truth.planted,
  };
};
const athlete = of('athlete');
const reference = of('reference');
const found = compareAll(paceDelivery, athlete.found, reference.found);
const truly = compareAll(paceDelivery, athlete.truth, reference.truth);
const judged = found.map((comparison) => judge(comparison, undefined));
const states = Object.fromEntries(judged.map((j) => [j.measure.id, j.state]));

describe('the demo session against the truth of its video', () => {
  it('finds every planted difference as a gap, in the right direction', () => {
    for (const id of ['front-knee-at-release', 'trunk-at-release', 'front-arm-lead', 'front-foot-to-release']) {
      const k = found.findIndex((c) => c.measure.id === id);
      expect([id, states[id]]).toEqual([id, 'gap']);
      expect(Math.sign(found[k]!.difference!)).toBe(Math.sign(truly[k]!.difference!));
    }
  });

  it.each(
    found.flatMap((c, k) =>
      c.difference === null || truly[k]!.difference === null ? [] : [[c.measure.id, k] as const],
    ),
  )('measures the difference of %s within its plus-minus of the truth', (_, k) => {
    expect(Math.abs(found[k]!.difference! - truly[k]!.difference!)).toBeLessThanOrEqual(found[k]!.plusMinus! + 1e-9);
  });

  it('calls nothing a gap that truly lies inside its range', () => {
    const exactly = Object.fromEntries(truly.map((c) => [c.measure.id, judge(c, undefined).excess]));
    for (const j of judged)
      if (j.state === 'gap') expect([j.measure.id, exactly[j.measure.id] !== 0]).toEqual([j.measure.id, true]);
  });

  it('proposes the knee first, with what follows from it, and the arm beside it', () => {
    const { proposed } = prioritise(paceDelivery, judged, {
      decisions: [],
      order: [],
      daysToCompetition: session.daysToCompetition,
    });
    expect(proposed.map((gap) => gap.judged.measure.id)).toEqual(['front-knee-at-release', 'front-arm-lead']);
    expect(proposed[0]!.willFollow.map((f) => f.judged.measure.id)).toEqual(
      expect.arrayContaining(['trunk-at-release', 'front-foot-to-release']),
    );
    expect(proposed[1]!.willFollow.map((f) => f.judged.measure.id)).toEqual(['front-arm-at-front-foot-contact']);
  });

  it('times the phases: the athlete is 25 ms longer from front foot contact to release, and its frame error is stated', () => {
    const rows = timingTable(paceDelivery, [[athlete.found]], [[reference.found]]);
    const total = rows.slice(1, 3).reduce((sum, row) => sum + row.difference!, 0);
    expect(total).toBeCloseTo(athlete.planted['releaseLate']!, 3);
    for (const row of rows) {
      // Two clips at 120 frames per second: 1.96 sqrt(2) T / sqrt(6).
      expect(row.plusMinus!).toBeCloseTo((1.96 * Math.SQRT2) / 120 / Math.sqrt(6), 4);
      expect(row.athlete!.share!).toBeGreaterThan(0);
    }
    expect(rows.reduce((sum, row) => sum + row.athlete!.share!, 0)).toBeCloseTo(1, 9);
  });

  it('says that the side fall cannot be seen from the side', () => {
    expect(states['trunk-side-fall-at-release']).toBe('not-measurable');
  });
});
