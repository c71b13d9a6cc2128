// npm test: installs what is missing, then lint with the layer rules, types, Jest and Playwright. The last line adds up
// everything: "N passed, N failed".
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { installTestTools, installPackages, prepareModels, root, run } from './setup.mjs';

installPackages();
installTestTools();
prepareModels();

let passed = 0;
let failed = 0;

/** A check that either holds or does not. */
function check(name, command, args) {
  console.log(`\n== ${name}`);
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit' });
  if (status === 0) passed++;
  else failed++;
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

check('Lint and layers', 'npx', ['--no-install', 'eslint', '.', '--max-warnings', '0']);
for (const project of ['core', 'app', 'node']) {
  check(`Types (${project})`, 'npx', ['--no-install', 'tsc', '-p', `tsconfig.${project}.json`]);
}
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
