import { STANDING_CAUTION } from '../../src/core/judgement/cautions';
import { prioritise } from '../../src/core/judgement/priority';
import { judge } from '../../src/core/judgement/state';
import { compareAll } from '../../src/core/comparison/compare';
import type { Movement } from '../../src/core/model/movement';
import { comparisonDocument, comparisonSchema } from '../../src/formats/comparison-json/comparison-json';
import { MOVEMENTS } from '../../src/movements';
import { stickTrial } from '../fixtures/stick-trial';

const [movement] = MOVEMENTS as [Movement];
const marks = {
  'back-foot-contact': 2,
  'front-foot-contact': 12,
  'arm-horizontal': 14,
  release: 22,
  'follow-through': 40,
};
const leg = (knee: number) => () =>
  ({
    'left-hip': [500, 100],
    'left-knee': [500, 300],
    'left-ankle': [500 - 200 * Math.sin((knee * Math.PI) / 180), 300 + 200 * Math.cos((knee * Math.PI) / 180)],
  }) as const;
const athlete = stickTrial(leg(30), marks);
const reference = stickTrial(leg(8), marks);

test('the document for other programs has the same cautions, and reads back by its schema', () => {
  const judged = compareAll(movement, athlete, reference).map((c) => judge(c, undefined));
  const compared = (trial: typeof athlete, file: string) => ({
    trial,
    file,
    proposed: { release: 0.5 },
    warnings: [],
  });
  const document = comparisonDocument(
    movement,
    compared(athlete, 'a.csv'),
    [compared(reference, 'r.csv')],
    judged,
    prioritise(movement, judged, { decisions: [], order: [], daysToCompetition: null }),
  );
  expect(comparisonSchema.parse(JSON.parse(JSON.stringify(document)))).toEqual(document);
  expect(document.cautions).toContain(STANDING_CAUTION);
  expect(document.cautions.some((c) => c.startsWith('A braced front leg'))).toBe(true);
  expect(document.athlete.moments['release']).toEqual({ seconds: 0.22, proposed: 0.5 });
  const knee = document.measures.find((m) => m.id === 'front-knee-at-release')!;
  expect(knee).toMatchObject({ state: 'gap', unit: 'deg', kind: 'value', moment: 'release', spread: null });
  expect(knee.difference).toBeCloseTo(-22, 1);
});
