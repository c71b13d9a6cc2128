import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { z } from 'zod';

/**
 * The rules of the house fail, they are not a drawing: one planted breach each, in the place of a file that is there.
 */
const root = path.join(import.meta.dirname, '..', '..');

const use = (name: string, from: string): string =>
  `import { ${name} } from '${from}';\nexport const planted = ${name};\n`;

const PLANTED = {
  allowed: { file: 'src/core/quantities/read.ts', code: use('wrapAngle', '../geometry/angle') },
  upInTheCore: { file: 'src/core/quantities/read.ts', code: use('kindOf', '../measures') },
  upFromGeometry: { file: 'src/core/geometry/angle.ts', code: use('rateOfChange', '../signal/derivative') },
  upInTheApplication: {
    file: 'src/application/stores/notices.ts',
    code: use('createSession', '../session/session-use-cases'),
  },
  fromAChart: { file: 'src/ui/charts/trend-line.tsx', code: use('notify', '../../application/stores/notices') },
  screens: { file: 'src/core/scene/figure.ts', code: use('notify', '../../application/stores/notices') },
  words: { file: 'src/ui/components/share-note.tsx', code: 'export const Planted = () => <p>Planted words</p>;\n' },
  dice: { file: 'src/core/signal/smooth.ts', code: 'export const planted = Math.random();\n' },
  cycle: { file: 'src/core/measures/peak-error.ts', code: use('peakRate', './peak-rate') },
  forgotten: {
    file: 'src/core/units.ts',
    code: `export function planted(side: 'left' | 'right'): number {
  switch (side) {
    case 'left':
      return 1;
  }
  return 0;
}
`,
  },
  unawaited: {
    file: 'src/application/stores/notices.ts',
    code: 'export const planted = (): void => {\n  Promise.resolve(1);\n};\n',
  },
};

type Broken = Readonly<Record<keyof typeof PLANTED, readonly string[]>>;

const broken = ((): Broken => {
  const run = spawnSync(process.execPath, [path.join(root, 'tests', 'fixtures', 'lint-planted.mjs')], {
    cwd: root,
    input: JSON.stringify(Object.values(PLANTED)),
    encoding: 'utf8',
  });
  if (run.status !== 0) throw new Error(run.stderr);
  const found = z.array(z.array(z.string())).parse(JSON.parse(run.stdout));
  return Object.fromEntries(Object.keys(PLANTED).map((name, i) => [name, found[i]!])) as unknown as Broken;
})();

test('a folder of the core may import those before it, and no other', () => {
  expect(broken.allowed).toEqual([]);
  expect(broken.upInTheCore).toContain('boundaries/dependencies');
  expect(broken.upFromGeometry).toContain('boundaries/dependencies');
});

test('a folder of the application layer may import those before it, and a chart knows no store', () => {
  expect(broken.upInTheApplication).toContain('boundaries/dependencies');
  expect(broken.fromAChart).toContain('boundaries/dependencies');
});

test('what is read on a screen stands in the catalogue', () => {
  expect(broken.words).toContain('no-restricted-syntax');
});

test('the core knows nothing of the screens, and has no dice', () => {
  expect(broken.screens).toContain('boundaries/dependencies');
  expect(broken.dice).toContain('no-restricted-properties');
});

test('no file imports itself in a circle', () => {
  expect(broken.cycle).toContain('import-x/no-cycle');
});

test('a case that a switch leaves out, and a promise that nobody waits for, are found', () => {
  expect(broken.forgotten).toContain('@typescript-eslint/switch-exhaustiveness-check');
  expect(broken.unawaited).toContain('@typescript-eslint/no-floating-promises');
});
