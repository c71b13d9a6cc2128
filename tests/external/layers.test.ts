import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { z } from 'zod';

/** The order of the folders is a rule that fails, not a drawing: one planted breach each. */
const root = path.join(import.meta.dirname, '..', '..');
const Report = z.array(
  z.object({ messages: z.array(z.object({ ruleId: z.string().nullable(), message: z.string() })) }),
);

/** The rules that `code` breaks where it stood in `file`. */
function broken(file: string, code: string): readonly string[] {
  const run = spawnSync('npx', ['--no-install', 'eslint', '--stdin', '--stdin-filename', file, '--format', 'json'], {
    cwd: root,
    input: code,
    encoding: 'utf8',
  });
  return Report.parse(JSON.parse(run.stdout)).flatMap((f) => f.messages.map((m) => m.ruleId ?? m.message));
}

const use = (name: string, from: string): string =>
  `import { ${name} } from '${from}';\nexport const planted = ${name};\n`;

test('a folder of the core may import those before it, and no other', () => {
  expect(broken('src/core/quantities/planted.ts', use('wrapAngle', '../geometry/angle'))).toEqual([]);
  expect(broken('src/core/quantities/planted.ts', use('kindOf', '../measures'))).toContain('boundaries/dependencies');
  expect(broken('src/core/geometry/planted.ts', use('rateOfChange', '../signal/derivative'))).toContain(
    'boundaries/dependencies',
  );
}, 120_000);

test('the core knows nothing of the screens, and has no dice', () => {
  expect(broken('src/core/scene/planted.ts', use('notify', '../../state/notices'))).toContain(
    'boundaries/dependencies',
  );
  expect(broken('src/core/signal/planted.ts', 'export const planted = Math.random();\n')).toContain(
    'no-restricted-properties',
  );
}, 120_000);
