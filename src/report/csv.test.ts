import Papa from 'papaparse';
import { performerNamed, stickTrial } from '../../tests/fixtures/stick-trial';
import { judge } from '../core/judgement/state';
import { compareAll, compareSides } from '../core/comparison/compare';
import { timingTable } from '../core/comparison/timing-table';
import type { Movement } from '../core/model/movement';
import { MOVEMENTS } from '../movements';
import { reportCsv } from './csv';

const [paceDelivery] = MOVEMENTS as [Movement];

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

describe('CSV of every number', () => {
  const athlete = stickTrial(leg(30), marks);
  const reference = stickTrial(leg(8), { ...marks, release: 20 });
  const judged = compareAll(paceDelivery, athlete, reference).map((c) => judge(c, undefined));
  const timing = timingTable(paceDelivery, [[athlete]], [[reference]]);
  const text = reportCsv({ movement: paceDelivery, judged, timing, athlete, reference });
  const rows = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data;
  const row = (id: string, unit?: string) =>
    rows.find((r) => r['id'] === id && (unit === undefined || r['unit'] === unit))!;

  it('has every moment, phase and measure', () => {
    expect(rows.filter((r) => r['row'] === 'moment')).toHaveLength(paceDelivery.moments.length);
    expect(rows.filter((r) => r['row'] === 'phase')).toHaveLength(2 * paceDelivery.phases.length);
    expect(rows.filter((r) => r['row'] === 'measure')).toHaveLength(paceDelivery.measures.length);
  });

  it('has the measures of every further athlete under their name', () => {
    const others = [{ performer: 'Stroke', judged: judged.slice(0, 2) }];
    const all = Papa.parse<Record<string, string>>(
      reportCsv({ movement: paceDelivery, judged, timing, athlete, reference, others }),
      { header: true, skipEmptyLines: true },
    ).data;
    const of = (name: string): string[] =>
      all.filter((r) => r['row'] === 'measure' && r['performer'] === name).map((r) => r['id']!);
    expect(of('Stick')).toHaveLength(paceDelivery.measures.length);
    expect(of('Stroke')).toEqual(judged.slice(0, 2).map(({ measure }) => measure.id));
  });

  it('states values in degrees and ms with their frames, errors and states', () => {
    const knee = row('front-knee-at-release');
    expect(Number(knee['athlete'])).toBeCloseTo(150, 1);
    expect(Number(knee['reference'])).toBeCloseTo(172, 1);
    expect(Number(knee['difference'])).toBeCloseTo(-22, 1);
    expect(knee['state']).toBe('gap');
    expect(knee['athlete_frame']).toBe('23');
    expect(Number(row('front-foot-to-release')['athlete'])).toBeCloseTo(100, 6);
  });

  it('leaves no number where nothing is measurable, and says why', () => {
    const side = row('trunk-side-fall-at-release');
    expect(side['athlete']).toBe('');
    expect(side['athlete_note']).toBe('Not measurable from the side');
    expect(text).not.toContain('NaN');
  });

  it('holds no cell that a spreadsheet would compute, and every number as a number', () => {
    const named = (name: string) => ({ ...athlete, clip: { ...athlete.clip, fileName: name } });
    for (const formula of ['=1+1', '+cmd|x', '-2+3+A1', '@SUM(A1)']) {
      const written = reportCsv({ movement: paceDelivery, judged, timing, athlete: named(formula), reference });
      const cells = Papa.parse<string[]>(written).data.flat();
      expect(cells).not.toContain(formula);
      expect(cells.filter((cell) => /^[=@+]|^-(?!\d*\.?\d+$)/.test(cell))).toEqual([]);
    }
    expect(Number(row('front-knee-at-release')['difference'])).toBeLessThan(0);
  });

  it('says the caution of a gap that carries a risk, and only there', () => {
    expect(row('front-knee-at-release')['caution']).toMatch(/^A braced front leg/);
    expect(rows.filter((r) => r['caution'] && r['state'] !== 'gap')).toEqual([]);
    expect(row('front-hip-at-release')['caution']).toBe('');
  });

  it('names the file of each camera, and how many performances a reference is the mean of', () => {
    const files = { clip: 'side.webm' };
    const many = compareSides(
      paceDelivery,
      [[athlete]],
      [8, 10, 12].map((knee) => [
        stickTrial(leg(knee), { ...marks, release: 20 }, performerNamed(`Performer ${knee}`)),
      ]),
    ).map((c) => judge(c, undefined));
    const named = Papa.parse<Record<string, string>>(
      reportCsv({ movement: paceDelivery, judged: many, timing, athlete, reference, files }),
      { header: true, skipEmptyLines: true },
    ).data;
    const knee = named.find((r) => r['id'] === 'front-knee-at-release')!;
    expect([knee['athlete_file'], knee['reference_n']]).toEqual(['side.webm', '3']);
    // Knees at 172, 170 and 168 degrees.
    expect(Number(knee['reference_spread'])).toBeCloseTo(2, 1);
  });

  it('has phases in ms and percent', () => {
    expect(Number(row('back-foot-contact-to-front-foot-contact', 'ms')['athlete'])).toBeCloseTo(100, 6);
    expect(Number(row('back-foot-contact-to-front-foot-contact', '%')['athlete'])).toBeCloseTo((100 * 10) / 38, 2);
  });
});
