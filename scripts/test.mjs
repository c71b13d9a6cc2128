// npm test: installs what is missing, then Jest, then Playwright with lint, layer rules and types beside it. The last
// line adds up everything: "N passed, N failed".
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { installTestTools, installPackages, prepareModels, root, run } from './setup.mjs';

installPackages();
installTestTools();
prepareModels();

let passed = 0;
let failed = 0;

const begin = (args, options = {}) => spawn('npx', ['--no-install', ...args], { cwd: root, ...options });
/** Resolves with the exit code. */
const ended = (child) =>
  new Promise((resolve) => {
    child.on('error', () => resolve(1));
    child.on('close', resolve);
  });

/** Checks that each hold or do not, all at once, since each keeps one core busy; resolves with a function that counts. */
function startChecks(all) {
  const done = all.map(async ([name, ...args]) => {
    let text = '';
    const child = begin(args, { stdio: ['ignore', 'pipe', 'pipe'] });
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (text += data));
    child.on('error', (error) => (text += `${error.message}\n`));
    return { name, status: await ended(child), text };
  });
  return async () => {
    for (const { name, status, text } of await Promise.all(done)) {
      console.log(`\n== ${name}\n${text}`);
      if (status === 0) passed++;
      else failed++;
    }
  };
}

/** A suite that writes a report which is counted; a suite without one counts as one failure. */
async function suite(name, args, report, count) {
  console.log(`\n== ${name}`);
  const file = path.join(root, 'test-results', report);
  rmSync(file, { force: true });
  mkdirSync(path.dirname(file), { recursive: true });
  const env = { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: file };
  const status = await ended(begin(args, { stdio: 'inherit', env }));
  const counted = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 1 };
  if (status !== 0 && counted.failed === 0) counted.failed = 1;
  passed += counted.passed;
  failed += counted.failed;
}

await suite('Jest', ['jest', '--json', '--outputFile=test-results/jest.json'], 'jest.json', (r) => ({
  passed: r.numPassedTests,
  failed: r.numFailedTests + r.numRuntimeErrorTestSuites,
}));
run('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn']);
// Beside the browser, which often waits.
const count = startChecks([
  ['Format', 'prettier', '--check', '.'],
  ['Lint and layers', 'eslint', '.', '--max-warnings', '0'],
  ...['core', 'app', 'node'].map((project) => [`Types (${project})`, 'tsc', '-p', `tsconfig.${project}.json`]),
]);
await suite('Playwright', ['playwright', 'test'], 'playwright.json', (r) => ({
  passed: r.stats.expected,
  failed: r.stats.unexpected + r.stats.flaky,
}));
await count();

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
