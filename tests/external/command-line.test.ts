import { at, falcon, root, withDemoPoints } from '../fixtures/falcon-command';
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { truthTrack } from '../../demo/true-trial';
import type { ClipTruth } from '../../demo/truth';
import { MINOR_CAUTION } from '../../src/core/judgement/cautions';
import { recordingOf } from '../../src/core/tracks/figure';
import { comparisonSchema } from '../../src/formats/comparison-json/comparison-json';
import { csv } from '../../src/formats/points/csv';

withDemoPoints();

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
  for (const [said, ...asked] of [
    ['falcon -- compare --athlete', '--help'],
    ['falcon -- compare --athlete', 'compare', '-h'],
    ['falcon -- find CLIP', 'find', '--help'],
  ] as const)
    expect(falcon(...asked)).toEqual({ status: 0, said: expect.stringContaining(said) });
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
