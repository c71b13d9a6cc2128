// npm test: installs what is missing, then lint with the layer rules, types, Jest and Playwright. The last line adds up
// everything: "N passed, N failed".
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { installTestTools, installPackages, prepareModels, root, run } from './setup.mjs';

installPackages();
installTestTools();
prepareModels();

let passed = 0;
let failed = 0;

/** Checks that each hold or do not; all at once, since each keeps one core busy. What they say comes in their order. */
async function checks(all) {
  const done = all.map(
    ([name, ...args]) =>
      new Promise((resolve) => {
        let text = '';
        const child = spawn('npx', ['--no-install', ...args], { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
        for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (text += data));
        child.on('error', (error) => resolve({ name, text: `${text}${error.message}\n`, status: 1 }));
        child.on('close', (status) => resolve({ name, text, status }));
      }),
  );
  for (const one of done) {
    const { name, text, status } = await one;
    process.stdout.write(`\n== ${name}\n${text}`);
    if (status === 0) passed++;
    else failed++;
  }
}

/** A suite that writes a report which is counted; a suite without one counts as one failure. */
function suite(name, args, report, count) {
  console.log(`\n== ${name}`);
  const file = path.join(root, 'test-results', report);
  rmSync(file, { force: true });
  mkdirSync(path.dirname(file), { recursive: true });
  const { status } = spawnSync('npx', ['--no-install', ...args], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: file },
  });
  const counted = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 1 };
  if (status !== 0 && counted.failed === 0) counted.failed = 1;
  passed += counted.passed;
  failed += counted.failed;
}

await checks([
  ['Format', 'prettier', '--check', '.'],
  ['Lint and layers', 'eslint', '.', '--max-warnings', '0'],
  ...['core', 'app', 'node'].map((project) => [`Types (${project})`, 'tsc', '-p', `tsconfig.${project}.json`]),
]);
suite('Jest', ['jest', '--json', '--outputFile=test-results/jest.json'], 'jest.json', (r) => ({
  passed: r.numPassedTests,
  failed: r.numFailedTests + r.numRuntimeErrorTestSuites,
}));
run('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn']);
suite('Playwright', ['playwright', 'test'], 'playwright.json', (r) => ({
  passed: r.stats.expected,
  failed: r.stats.unexpected + r.stats.flaky,
}));

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
