import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { truthTrack } from '../../demo/true-trial';
import type { ClipTruth } from '../../demo/truth';
import { MINOR_CAUTION } from '../../src/core/judgement/cautions';
import { recordingOf } from '../../src/core/tracks/figure';
import { comparisonSchema } from '../../src/formats/comparison-json/comparison-json';
import { csv } from '../../src/formats/points/csv';

/** The command as a laboratory uses it, on the points that the demo's generator knows. */
const root = path.join(import.meta.dirname, '..', '..');
const folder = mkdtempSync(path.join(tmpdir(), 'falcon-cli-'));
const at = (name: string): string => path.join(folder, name);
const falcon = (...words: string[]): { status: number | null; said: string } => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--import', 'tsx', 'cli/main.ts', ...words], {
    cwd: root,
    encoding: 'utf8',
  });
  return { status, said: stdout + stderr };
};

beforeAll(() => {
  for (const role of ['athlete', 'reference']) {
    const truth = JSON.parse(
      readFileSync(path.join(root, 'demo', 'clips', `pace-side-${role}.truth.json`), 'utf8'),
    ) as ClipTruth;
    writeFileSync(
      at(`${role}.csv`),
      csv.write(recordingOf(role, truth.frameRate, truthTrack(truth), null, true, null)),
    );
  }
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('two files in, a judgement out: the planted differences, in a document of the published schema', () => {
  const { status, said } = falcon(
    'compare',
    '--athlete',
    at('athlete.csv'),
    '--reference',
    at('reference.csv'),
    '--movement',
    'pace-delivery',
    '--out',
    at('out'),
  );
  expect([status, said]).toEqual([
    0,
    expect.stringMatching(/\d+ of 28 measures judged: work on front-knee-at-release/),
  ]);
  const document = comparisonSchema.parse(JSON.parse(readFileSync(at('out/comparison.json'), 'utf8')));
  const state = (id: string): string | undefined => document.measures.find((m) => m.id === id)?.state;
  expect([
    state('front-knee-at-release'),
    state('trunk-at-release'),
    state('front-foot-to-release'),
    state('trunk-side-fall-at-release'),
  ]).toEqual(['gap', 'gap', 'gap', 'not-measurable']);
  expect(Object.keys(document.athlete.moments)).toHaveLength(5);
  expect(document.proposed[0]!.willFollow.map((f) => f.measure)).toContain('trunk-at-release');
  const report = readFileSync(at('out/report.md'), 'utf8');
  expect(report).toContain('## First: Front knee, release');
  // A risk is told in every form of the report.
  expect(report).toContain('Caution: A braced front leg');
  expect(readFileSync(at('out/numbers.csv'), 'utf8')).toContain('front-knee-at-release');
});

test('what is wrong is said in one line, with an exit code of its own', () => {
  expect(falcon('compare').status).toBe(2);
  expect(
    falcon(
      'compare',
      '--athlete',
      at('athlete.csv'),
      '--reference',
      at('reference.csv'),
      '--movement',
      'polka',
      '--out',
      at('o'),
    ),
  ).toEqual({ status: 2, said: expect.stringContaining('There is no movement “polka”. There are: pace-delivery') });
  writeFileSync(at('bad.csv'), 'time,left_knee_x,left_knee_y\n0,1,2\nsoon,1,2\n');
  expect(
    falcon(
      'compare',
      '--athlete',
      at('bad.csv'),
      '--reference',
      at('reference.csv'),
      '--movement',
      'pace-delivery',
      '--out',
      at('o'),
    ),
  ).toEqual({ status: 3, said: expect.stringContaining('“bad.csv”: row 3: its time “soon”') });
  writeFileSync(at('moments.json'), '{"athlete": {"take-off": 1}}');
  expect(
    falcon(
      'compare',
      '--athlete',
      at('athlete.csv'),
      '--reference',
      at('reference.csv'),
      '--movement',
      'pace-delivery',
      '--moments',
      at('moments.json'),
      '--out',
      at('o'),
    ),
  ).toEqual({ status: 3, said: expect.stringContaining('“take-off” is not a moment of Pace delivery') });
});

test('an athlete under age is spoken of as one, in every form of the report', () => {
  const { status } = falcon(
    'compare',
    '--athlete',
    at('athlete.csv'),
    '--reference',
    at('reference.csv'),
    '--movement',
    'pace-delivery',
    '--under-age',
    '--out',
    at('young'),
  );
  expect(status).toBe(0);
  expect(comparisonSchema.parse(JSON.parse(readFileSync(at('young/comparison.json'), 'utf8'))).cautions).toContain(
    MINOR_CAUTION,
  );
  expect(readFileSync(at('young/report.md'), 'utf8')).toContain(MINOR_CAUTION);
  writeFileSync(at('ages.csv'), 'athlete,reference,under-age\nathlete.csv,reference.csv,perhaps\n');
  expect(falcon('compare', '--batch', at('ages.csv'), '--movement', 'pace-delivery', '--out', at('o'))).toEqual({
    status: 3,
    said: expect.stringContaining('row 2: under-age is “perhaps”; it is yes or no'),
  });
});

test('several references are one: their mean, and their spread from three on', () => {
  for (const n of ['2', '3']) {
    const truth = JSON.parse(
      readFileSync(path.join(root, 'demo', 'clips', `pace-side-reference-${n}.truth.json`), 'utf8'),
    ) as ClipTruth;
    writeFileSync(
      at(`reference-${n}.csv`),
      csv.write(recordingOf('reference', truth.frameRate, truthTrack(truth), null, true, null)),
    );
  }
  const { status } = falcon(
    'compare',
    '--athlete',
    at('athlete.csv'),
    '--reference',
    [at('reference.csv'), at('reference-2.csv'), at('reference-3.csv')].join(','),
    '--movement',
    'pace-delivery',
    '--out',
    at('three'),
  );
  expect(status).toBe(0);
  const document = comparisonSchema.parse(JSON.parse(readFileSync(at('three/comparison.json'), 'utf8')));
  expect(document.furtherReferences.map((r) => r.file)).toEqual(['reference-2.csv', 'reference-3.csv']);
  const knee = document.measures.find((m) => m.id === 'front-knee-at-release')!;
  expect(knee.spread!.n).toBe(3);
  // Planted: 0, 2 degrees straighter, 3 degrees more bent.
  expect(knee.spread!.sd).toBeGreaterThan(1);
  expect(knee.spread!.sd).toBeLessThan(4);
  expect(knee.state).toBe('gap');
});

test('a batch goes on past a bad row and says so', () => {
  writeFileSync(
    at('list.csv'),
    'athlete,reference\nathlete.csv,reference.csv\nmissing.csv,reference.csv\nreference.csv,reference.csv\n',
  );
  const { status, said } = falcon(
    'compare',
    '--batch',
    at('list.csv'),
    '--movement',
    'pace-delivery',
    '--out',
    at('batch'),
  );
  expect(status).toBe(4);
  expect(said).toContain('row 3: “');
  expect(said).toContain('2 of 3 compared.');
  expect(said).toContain('no gap beyond the measuring error');
});

test('another movement than it is: nothing judged is said to be nothing, and no verdict', () => {
  // A ball alone, which goes to the right and has no body.
  const rows = Array.from({ length: 60 }, (_, i) => `${i / 60},${100 + 4 * i},300`).join('\n');
  writeFileSync(at('ball.csv'), `time,left_hip_x,left_hip_y\n${rows}\n`);
  const moments = { 'back-foot-contact': 0.2, release: 0.5 };
  writeFileSync(at('ball.json'), JSON.stringify({ athlete: moments, reference: moments }));
  const { status, said } = falcon(
    'compare',
    '--athlete',
    at('ball.csv'),
    '--reference',
    at('ball.csv'),
    '--movement',
    'pace-delivery',
    '--moments',
    at('ball.json'),
    '--travel',
    'right',
    '--out',
    at('nothing'),
  );
  expect([status, said]).toEqual([5, expect.stringContaining('nothing could be judged; ')]);
  expect(readFileSync(at('nothing/report.md'), 'utf8')).toContain('This says nothing about the athlete.');
});

test('which way the performer goes is asked where the points do not tell, and moments out of their order are refused', () => {
  const rows = Array.from({ length: 60 }, (_, i) => `${i / 60},500,300,500,400`).join('\n');
  writeFileSync(at('bar.csv'), `time,left_hip_x,left_hip_y,left_knee_x,left_knee_y\n${rows}\n`);
  expect(
    falcon(
      'compare',
      '--athlete',
      at('bar.csv'),
      '--reference',
      at('bar.csv'),
      '--movement',
      'pace-delivery',
      '--out',
      at('o'),
    ),
  ).toEqual({ status: 3, said: expect.stringContaining('--travel left or --travel right') });
  writeFileSync(at('turned.json'), '{"athlete": {"front-foot-contact": 1.2, "release": 1.0}}');
  expect(
    falcon(
      'compare',
      '--athlete',
      at('athlete.csv'),
      '--reference',
      at('reference.csv'),
      '--movement',
      'pace-delivery',
      '--moments',
      at('turned.json'),
      '--out',
      at('o'),
    ),
  ).toEqual({ status: 3, said: expect.stringContaining('not after “Front foot contact”') });
});

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

  for (const [name, said] of [
    ['travel', 'up'],
    ['view', 'side/below'],
    ['rate', '0'],
    ['scale', 'big'],
    ['off-plane', '80'],
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
