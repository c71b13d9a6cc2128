// npm test: installs what is missing, then Playwright, with Jest, lint, layer rules and types beside it. The last line
// adds up everything: "N passed, N failed".
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { installTestTools, installPackages, prepareModels, root, run } from './setup.mjs';

installPackages();
installTestTools();
prepareModels();

let passed = 0;
let failed = 0;

/** What runs beside the browser gives way to it, and says what it has to say when it is done. */
function startAside(args) {
  const child = spawn('nice', ['-n', '10', 'npx', '--no-install', ...args], { cwd: root });
  let text = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (text += data));
  child.on('error', (error) => (text += `${error.message}\n`));
  return ended(child).then((status) => ({ status, text }));
}

/** Resolves with the exit code. */
const ended = (child) =>
  new Promise((resolve) => {
    child.on('error', () => resolve(1));
    child.on('close', resolve);
  });

/** Where a suite writes what it found; what an earlier run wrote goes. */
function reportFile(name) {
  const file = path.join(root, 'test-results', name);
  rmSync(file, { force: true });
  mkdirSync(path.dirname(file), { recursive: true });
  return file;
}

/** Counts a suite by its report; one without a report counts as one failure. */
function count(file, status, numbers) {
  const counted = existsSync(file) ? numbers(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 1 };
  if (status !== 0 && counted.failed === 0) counted.failed = 1;
  passed += counted.passed;
  failed += counted.failed;
}

run('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn']);

// Beside the browser, which often waits: one after the other, so that they keep one core busy.
const jestReport = reportFile('jest.json');
const aside = (async () => {
  const done = [];
  for (const [name, ...args] of [
    ['Jest', 'jest', '--maxWorkers=1', '--json', `--outputFile=${jestReport}`],
    ['Format', 'prettier', '--check', '.'],
    ['Lint and layers', 'eslint', '.', '--max-warnings', '0'],
    ...['core', 'app', 'node'].map((project) => [`Types (${project})`, 'tsc', '-p', `tsconfig.${project}.json`]),
  ])
    done.push({ name, ...(await startAside(args)) });
  return done;
})();

console.log('\n== Playwright');
const report = reportFile('playwright.json');
const browser = spawn('npx', ['--no-install', 'playwright', 'test'], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: report },
});
count(report, await ended(browser), (r) => ({ passed: r.stats.expected, failed: r.stats.unexpected + r.stats.flaky }));

for (const { name, status, text } of await aside) {
  console.log(`\n== ${name}\n${text}`);
  if (name === 'Jest')
    count(jestReport, status, (r) => ({
      passed: r.numPassedTests,
      failed: r.numFailedTests + r.numRuntimeErrorTestSuites,
    }));
  else if (status === 0) passed++;
  else failed++;
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
