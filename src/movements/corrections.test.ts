import { MOVEMENTS } from '.';
import { judge, type Judged } from '../core/judgement/state';
import { prioritise, type RankedGap } from '../core/judgement/priority';
import { unitOf } from '../core/measures';
import type { Measure } from '../core/model/measure';
import { withSchool, type Movement } from '../core/model/movement';
import { toSi } from '../core/units';
import { correctionOf, draftCorrection, placeName } from '../core/coaching/correction';

/** A gap of a measure, far above or far below what it should be; without a trial behind it. */
function gapOf(measure: Measure, side: 'low' | 'high'): Judged {
  const unit = unitOf(measure);
  const about =
    measure.target && 'value' in measure.target
      ? measure.target.value
      : measure.target && 'low' in measure.target
        ? (measure.target.low + measure.target.high) / 2
        : 100;
  const reading = (value: number) =>
    ({
      measurable: true,
      value,
      sd: toSi(0.01, unit),
      systematicSd: 0,
      unit,
      provenance: { clipId: 'c', frames: [0], points: [] },
    }) as const;
  const spread = { athlete: null, reference: null };
  const athlete = reading(unit === 'answer' ? 0 : toSi(about + (side === 'high' ? 400 : -400), unit));
  return judge(
    { measure, athlete, reference: reading(toSi(about, unit)), spread, difference: 0, plusMinus: toSi(0.01, unit) },
    undefined,
  );
}
const ranked = (movement: Movement, gaps: readonly Judged[]): RankedGap =>
  prioritise(movement, gaps, { decisions: [], order: [], daysToCompetition: null }).proposed[0]!;

it('every measure that is judged in every movement that ships has a whole correction on either side', () => {
  let seen = 0;
  for (const movement of MOVEMENTS.flatMap((m) => [m, ...m.schools.map((s) => withSchool(m, s.id))])) {
    for (const measure of movement.measures.filter((m) => m.target)) {
      for (const side of ['low', 'high'] as const) {
        const gap = gapOf(measure, side);
        if (gap.state !== 'gap') continue;
        const correction = draftCorrection(movement, ranked(movement, [gap]));
        const where = `${movement.id}, ${measure.id}, ${side}`;
        for (const part of [
          'title',
          'moment',
          'seen',
          'shouldBe',
          'why',
          'cue',
          'load',
          'selfCheck',
          'reason',
        ] as const)
          expect({ where, part, text: correction[part] }).toEqual({
            where,
            part,
            text: expect.stringMatching(/\S{2}/),
          });
        expect({ where, drills: correction.drills.length >= 3 }).toEqual({ where, drills: true });
        seen++;
      }
    }
  }
  expect(seen).toBeGreaterThan(200);
});

it('a movement without words gets those that go with what is measured, the moment and the number', () => {
  const family = MOVEMENTS.find((m) => m.id === 'strike-or-throw')!;
  const movement = { ...family, measures: family.measures.map((m) => ({ ...m, coaching: undefined })) };
  const knee = movement.measures.find((m) => m.id === 'front-knee-at-contact')!;
  const bent = draftCorrection(
    movement,
    ranked(movement, [gapOf({ ...knee, target: { type: 'about', value: 160, tolerance: 5, source: 'x' } }, 'low')]),
  );
  expect(bent.seen).toMatch(/^More bent than it should be: /);
  expect(bent.shouldBe).toBe('155\u00b0 to 165\u00b0');
  expect(bent.cue).toBe('Front knee: longer.');
  expect(bent.drills[0]).toBe(
    'Hold the position of contact or release with it at 155\u00b0 to 165\u00b0, before a mirror or a camera',
  );
  expect(bent.selfCheck).toBe(
    'Camera from the side at hip height; stop at contact or release: front knee should be 155\u00b0 to 165\u00b0.',
  );
  const time = movement.measures.find((m) => m.kind === 'duration')!;
  expect(draftCorrection(movement, ranked(movement, [gapOf(time, 'high')])).seen).toMatch(/^Too long: /);
});

it('a consequence hangs under its cause only where both lie on the sides that the link names', () => {
  const movement = MOVEMENTS.find((m) => m.id === 'sprint-hurdles')!;
  const gap = (id: string, side: 'low' | 'high'): Judged =>
    gapOf(
      movement.measures.find((m) => m.id === id)!,
      side,
    );
  const order = (gaps: readonly Judged[]) =>
    prioritise(movement, gaps, { decisions: [], order: [], daysToCompetition: null }).proposed.map((p) => [
      p.judged.measure.id,
      p.willFollow.map((f) => f.judged.measure.id),
    ]);
  const flight = gap('flight-time', 'high');
  expect(order([gap('push-knee-at-take-off', 'low'), flight])).toEqual([['push-knee-at-take-off', ['flight-time']]]);
  // A knee that is too straight is no push that was not finished.
  expect(
    order([gap('push-knee-at-take-off', 'high'), flight])
      .map(([id]) => id)
      .sort(),
  ).toEqual(['flight-time', 'push-knee-at-take-off']);
  expect(order([gap('push-knee-at-take-off', 'low'), gap('flight-time', 'low')])).toHaveLength(2);
});

it('the analyst\u2019s own correction has the same form, and places have names', () => {
  const movement = MOVEMENTS[0]!;
  const own = {
    id: 'own-1',
    title: 'Rhythm',
    seen: '',
    shouldBe: '',
    why: '',
    cue: 'Count',
    drills: ['Walk'],
    selfCheck: '',
    change: 'technique' as const,
    noteId: null,
  };
  expect(correctionOf(movement, { id: 'own-1', gap: null, own }, true)).toMatchObject({
    measureId: 'own-1',
    moment: '',
    cue: 'Count',
    load: expect.stringContaining('no added weight'),
  });
  expect([0, 2, 6].map(placeName)).toEqual(['First', 'Third', 'No. 7']);
});
