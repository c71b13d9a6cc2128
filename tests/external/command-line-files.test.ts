import { at, falcon, withDemoPoints } from '../fixtures/falcon-command';
import { readFileSync, writeFileSync } from 'node:fs';
import { movementJson } from '../../src/formats/movement-json/movement-json';
import { movementOf } from '../../src/movements';
import { comparisonSchema } from '../../src/formats/comparison-json/comparison-json';

withDemoPoints();

/** The athlete's file changed as a slip of hand would change it. */
function changed(
  name: string,
  cell: (text: string, column: string) => string,
  head = (column: string) => column,
): string {
  const [first, ...rows] = readFileSync(at('athlete.csv'), 'utf8').trim().split('\n');
  const columns = first!.split(',');
  const lines = rows.map((row) => row.split(',').map((text, i) => cell(text, columns[i]!)));
  writeFileSync(at(name), [columns.map(head), ...lines].map((line) => line.join(',')).join('\n') + '\n');
  return at(name);
}
const compared = (athlete: string, ...more: string[]): ReturnType<typeof falcon> =>
  falcon(
    ...['compare', '--athlete', athlete, '--reference', at('reference.csv'), '--movement', 'pace-delivery'],
    ...['--out', at('told'), ...more],
  );
const toldOf = (): ReturnType<typeof comparisonSchema.parse> =>
  comparisonSchema.parse(JSON.parse(readFileSync(at('told/comparison.json'), 'utf8')));

test('slips in a file are warned of: axes, slow motion; rounded times keep their rate, milliseconds are named', () => {
  const exchanged = changed(
    'exchanged.csv',
    (text) => text,
    (column) => column.replace(/_([xy])/, (_, axis: string) => (axis === 'x' ? '_y' : '_x')),
  );
  expect(compared(exchanged).status).toBe(0);
  expect(toldOf().athlete.warnings).toEqual([expect.stringContaining('x and y are exchanged')]);

  const slow = changed('slow.csv', (text, column) => (column === 'time' ? String(4 * Number(text)) : text));
  compared(slow);
  expect(toldOf().reference!.warnings).toEqual([expect.stringMatching(/“slow.csv” takes [\d.]+ times as long/)]);
  compared(slow, '--rate', '120/120');
  expect([toldOf().athlete.framesPerSecond, toldOf().reference!.warnings]).toEqual([120, []]);

  compared(changed('rounded.csv', (text, column) => (column === 'time' ? Number(text).toFixed(3) : text)));
  expect(toldOf().athlete.framesPerSecond).toBe(120);

  const ms = changed('ms.csv', (text, column) => (column === 'time' ? String(1000 * Number(text)) : text));
  expect(compared(ms)).toEqual({ status: 3, said: expect.stringContaining('If its times are milliseconds') });
});

test('a file that is slowed within itself is read by its capture rates, stretch by stretch', () => {
  compared(at('athlete.csv'));
  const whole = toldOf();
  // 30 frames a second until the last stride, 120 from there on, all played at 30.
  const [head, ...rows] = readFileSync(at('athlete.csv'), 'utf8').trim().split('\n');
  const fast = Math.floor((120 * whole.athlete.moments['back-foot-contact']!.seconds - 12) / 4) * 4;
  const kept = rows.filter((_, i) => i >= fast || i % 4 === 0).map((row, i) => row.replace(/^[^,]*/, String(i / 30)));
  writeFileSync(at('slowed.csv'), [head, ...kept].join('\n') + '\n');
  const slowed = (rate: string) => compared(at('slowed.csv'), '--rate', rate) && toldOf();
  const told = slowed(`30,${fast / 4 + 1}:120/120`);
  for (const id of ['front-foot-contact', 'release'])
    expect(Math.abs(told.athlete.moments[id]!.seconds - whole.athlete.moments[id]!.seconds)).toBeLessThan(1 / 60);
  const lasts = ({ measures }: typeof whole) => measures.find((m) => m.id === 'front-foot-to-release')!;
  expect(lasts(told).athlete!.value!).toBeCloseTo(lasts(whole).athlete!.value!, -1);
  for (const rate of [`30,${fast / 4 + 1}:?/120`, '?/120'])
    expect(lasts(slowed(rate))).toMatchObject({ state: 'not-measurable' });
});

test('view, side, scale and school are said as in the application, one for both or athlete/reference', () => {
  compared(at('athlete.csv'));
  const fromTheSide = toldOf();
  compared(at('athlete.csv'), '--view', 'front', '--off-plane', '10');
  const state = (document: typeof fromTheSide, id: string): string | undefined =>
    document.measures.find((m) => m.id === id)?.state;
  expect(state(fromTheSide, 'trunk-side-fall-at-release')).toBe('not-measurable');
  expect(state(toldOf(), 'trunk-side-fall-at-release')).not.toBe('not-measurable');
  expect(state(toldOf(), 'trunk-at-release')).toBe('not-measurable');
  compared(at('athlete.csv'), '--down', '40');
  expect(state(toldOf(), 'trunk-at-release')).toBe('not-measurable');

  for (const [name, said] of [
    ['travel', 'up'],
    ['view', 'side/below'],
    ['rate', '0'],
    ['scale', 'big'],
    ['off-plane', '80'],
    ['down', '70'],
    ['days', '1.5'],
    ['dominant', 'left/right/left'],
    ['school', 'none such'],
  ] as const)
    expect(compared(at('athlete.csv'), `--${name}`, said)).toEqual({
      status: 2,
      said: expect.stringContaining(`“${name === 'view' ? 'below' : said}”`),
    });
  expect(compared(at('athlete.csv'), '--rate', '30,x:240').said).toContain('“x:240”; a change is FRAME:RATE');
  expect(compared(at('athlete.csv'), '--school', 'braced').status).toBe(0);
});

test('a school that is known by a measure gives its targets to whoever does it so, and the report names it', () => {
  const movement = movementOf('pace-delivery')!;
  const schools = movement.schools.map((school) =>
    school.id === 'flexing' ? { ...school, when: { measure: 'front-knee-at-release', from: 120, to: 165 } } : school,
  );
  writeFileSync(at('mine.json'), movementJson.write({ ...movement, id: 'mine', schools }));
  const by = (...more: string[]): string => {
    falcon(
      ...['compare', '--athlete', at('athlete.csv'), '--reference', at('reference.csv')],
      ...['--movement', at('mine.json'), '--out', at('told'), ...more],
    );
    return readFileSync(at('told/report.md'), 'utf8');
  };
  expect(by()).toContain('Measured as Flexing front leg: Front knee, release');
  expect(toldOf().measures.find(({ id }) => id === 'front-knee-at-release')!.state).not.toBe('gap');
  expect(by('--school', 'braced')).not.toContain('Measured as');
  expect(toldOf().measures.find(({ id }) => id === 'front-knee-at-release')!.state).toBe('gap');
});

test('moments may be given for a file by its name', () => {
  writeFileSync(at('by-file.json'), JSON.stringify({ 'athlete.csv': { release: 1.1 } }));
  compared(at('athlete.csv'), '--moments', at('by-file.json'));
  expect(toldOf().athlete.moments['release']).toEqual({ seconds: 1.1, proposed: null });
  writeFileSync(at('by-file.json'), JSON.stringify({ 'other.csv': { release: 1.1 } }));
  expect(compared(at('athlete.csv'), '--moments', at('by-file.json'))).toEqual({
    status: 3,
    said: expect.stringContaining('“other.csv” is neither athlete nor reference nor a file of these'),
  });
});

test('without a reference the published targets are judged, and a list may have such rows', () => {
  const { status, said } = falcon(
    ...[
      'compare',
      '--athlete',
      at('athlete.csv'),
      '--targets-only',
      '--movement',
      'pace-delivery',
      '--out',
      at('told'),
    ],
  );
  expect([status, said]).toEqual([0, expect.stringMatching(/against the targets: \d+ of 28 measures judged/)]);
  expect(toldOf().reference).toBeNull();
  writeFileSync(at('list.csv'), 'athlete,reference,travel\nathlete.csv,,\nathlete.csv,reference.csv,up\n');
  expect(falcon('compare', '--batch', at('list.csv'), '--movement', 'pace-delivery', '--out', at('told'))).toEqual({
    status: 4,
    said: expect.stringMatching(/row 3: --travel is “up”[^]*1 of 2 compared/),
  });
});

test('points that a camera followed make no gap of it: what needs the ground is not measured, and it is said', () => {
  const columns = readFileSync(at('athlete.csv'), 'utf8').split('\n')[0]!.split(',');
  const hip = columns.findIndex((column) => column.startsWith('left-hip_x'));
  const rows = readFileSync(at('athlete.csv'), 'utf8').trim().split('\n').slice(1);
  const seen = rows.map((row) => Number(row.split(',')[hip] || NaN));
  let row = -1;
  // The hips stay where they are in the picture.
  const followed = changed('followed.csv', (text, column) => {
    if (column === 'time') row++;
    return /_x/.test(column) && text !== '' ? String(Number(text) - (seen[row] || 0) + 600) : text;
  });
  compared(at('athlete.csv'));
  const fixed = toldOf();
  compared(followed);
  const told = toldOf();
  expect(told.athlete.warnings.join()).toContain('its feet slide along while they should stand');
  const gaps = (document: typeof told): readonly string[] =>
    document.measures.filter(({ state }) => state === 'gap').map(({ id }) => id);
  // Nothing is a gap that is none when the camera stands still.
  expect(gaps(told).filter((id) => !gaps(fixed).includes(id))).toEqual([]);
  expect(fixed.athlete.warnings).toEqual([]);
  expect(compared(at('athlete.csv'), '--camera', 'follows/still').status).not.toBe(2);
  expect(toldOf().athlete.warnings.join()).toContain('its feet slide');
  expect(compared(at('athlete.csv'), '--camera', 'still').status).toBe(0);
  expect(toldOf().athlete.warnings).toEqual([]);
});
