import { seriesMeasures, matchedSeries } from '../../src/core/comparison/matched-series';
import type { Measure } from '../../src/core/model/measure';
import { movementOf } from '../../src/movements';
import { demoPairs } from '../fixtures/demo-pairs';

/**
 * The error that a curve states at every sample, against the generator of the rendered clips: detected points of an
 * athlete and a reference against the generator's own points at the same moments.
 */
const KINDS = ['joint-angle', 'segment-angle', 'value', 'extreme', 'range', 'lead', 'joint-change'];

describe.each([
  ['pace', 'pace-delivery'],
  ['walk', 'race-walking'],
  ['hurdle', 'sprint-hurdles'],
] as const)('curves of %s', (id, movementId) => {
  const movement = movementOf(movementId)!;
  const pairs = demoPairs(id);
  const athlete = pairs.find((p) => p.found.clip.role === 'athlete')!;
  const reference = pairs.find((p) => p.found.clip.role === 'reference')!;
  // Moments are the same for both: what is checked is what the points do between them.
  const atMarks = (pair: typeof athlete) => [[{ ...pair.truth, marks: pair.found.marks }]];
  const measures = seriesMeasures(movement).filter((m) => KINDS.includes(m.kind));
  const curves = (measure: Measure) => ({
    found: matchedSeries(movement, measure, [[athlete.found]], [[reference.found]]),
    truth: matchedSeries(movement, measure, atMarks(athlete), atMarks(reference)),
  });
  const held = measures.map((measure) => {
    const { found, truth } = curves(measure);
    let [inside, all] = [0, 0];
    found?.difference.forEach((d, i) => {
      const [t, error] = [truth!.difference[i]!, found.plusMinus?.[i] ?? NaN];
      if (Number.isNaN(d + t + error)) return;
      all++;
      if (Math.abs(d - t) <= error) inside++;
    });
    return { id: measure.id, inside, all };
  });

  it('hold the truth inside what they state, nearly everywhere', () => {
    const [inside, all] = [held.reduce((sum, h) => sum + h.inside, 0), held.reduce((sum, h) => sum + h.all, 0)];
    expect(all).toBeGreaterThan(1000);
    expect(inside / all).toBeGreaterThan(0.9);
  });

  it('name hardly a sample outside the range that the truth does not have outside it, on the same side', () => {
    let [named, invented] = [0, 0];
    for (const measure of measures) {
      const { found, truth } = curves(measure);
      for (const s of found?.stretches ?? []) {
        for (let i = s.from; i <= s.to; i++) {
          named++;
          const there = truth!.difference[i]!;
          if (Math.abs(there) <= truth!.half![i]! || Math.sign(there) !== Math.sign(found!.difference[i]!)) invented++;
        }
      }
    }
    expect(named).toBeGreaterThan(30);
    expect(invented / named).toBeLessThan(0.03);
  });
});
