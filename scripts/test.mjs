// npm test: installs what is missing, then Playwright with Jest, lint, layer rules and types beside it. The last line
// adds up everything: "N passed, N failed".
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { constants, setPriority } from 'node:os';
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

/** What is left over of the machine: the browser, which a person would look at, goes first. */
const beside = (args, options) => {
  const child = begin(args, { stdio: ['ignore', 'pipe', 'pipe'], ...options });
  if (child.pid) setPriority(child.pid, constants.priority.PRIORITY_LOW);
  return child;
};

/** Resolves with the exit code and all that was printed. */
async function printed(child) {
  let text = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (text += data));
  child.on('error', (error) => (text += `${error.message}\n`));
  return { status: await ended(child), text };
}

/** Checks that each hold or do not, one after the other. */
async function checks(all) {
  for (const [name, ...args] of all) {
    const { status, text } = await printed(beside(args));
    console.log(`\n== ${name}\n${text}`);
    if (status === 0) passed++;
    else failed++;
  }
}

/** A suite writes a report which is counted; without one it counts as one failure. */
function suite(report, count) {
  const file = path.join(root, 'test-results', report);
  rmSync(file, { force: true });
  mkdirSync(path.dirname(file), { recursive: true });
  return {
    file,
    add(status) {
      const counted = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 1 };
      if (status !== 0 && counted.failed === 0) counted.failed = 1;
      passed += counted.passed;
      failed += counted.failed;
    },
  };
}

const units = suite('jest.json', (r) => ({
  passed: r.numPassedTests,
  failed: r.numFailedTests + r.numRuntimeErrorTestSuites,
}));
const pages = suite('playwright.json', (r) => ({
  passed: r.stats.expected,
  failed: r.stats.unexpected + r.stats.flaky,
}));

async function besideTheBrowser() {
  const { status, text } = await printed(beside(['jest', '--maxWorkers=1', '--json', `--outputFile=${units.file}`]));
  console.log(`\n== Jest\n${text}`);
  units.add(status);
  await checks([
    ['Format', 'prettier', '--check', '.'],
    ['Lint and layers', 'eslint', '.', '--max-warnings', '0'],
    ...['core', 'app', 'node'].map((project) => [`Types (${project})`, 'tsc', '-p', `tsconfig.${project}.json`]),
  ]);
}

async function inTheBrowser() {
  const env = { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: pages.file };
  pages.add(await ended(begin(['playwright', 'test'], { stdio: 'inherit', env })));
}

run('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn']);
await Promise.all([besideTheBrowser(), inTheBrowser()]);

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
