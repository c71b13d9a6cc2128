// npm run bench: every benchmark; npm run bench NAME: one. Each prints a table and one JSON line for each figure. The
// exit code is 0 whatever falls short; only an unknown name is an error.
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { installTestTools, installPackages, prepareModels, root, run } from './setup.mjs';

const folder = path.join(root, 'bench');
const all = readdirSync(folder).filter((name) => existsSync(path.join(folder, name, 'run.ts')));
const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !all.includes(name));
if (unknown.length > 0) {
  console.error(`There is no benchmark "${unknown[0]}". There are: ${all.join(', ')}.`);
  process.exit(2);
}
installPackages();
installTestTools();
prepareModels();
run('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn']);
for (const name of wanted.length > 0 ? wanted : all) {
  console.log(`\n== ${name}`);
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', path.join('bench', name, 'run.ts')], {
    cwd: root,
    stdio: 'inherit',
  });
  if (status !== 0)
    console.log(
      JSON.stringify({
        bench: name,
        figure: 'ran to its end',
        value: 0,
        unit: 'yes',
        against: 'nothing',
        goal: '1',
        holds: false,
      }),
    );
}
