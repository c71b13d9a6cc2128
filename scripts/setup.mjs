// Brings a machine that has only Node, npm and apt to where the project can run. Built-ins only: nothing is installed
// yet.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import path from 'node:path';

export const root = path.join(import.meta.dirname, '..');

/** Runs a command in the project's root with its output shown; ends this process when it fails. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (result.error) throw new Error(`Could not run "${command}": ${result.error.message}`);
  if (result.status !== 0) {
    console.error(`"${command} ${args.join(' ')}" ended with exit code ${result.status}.`);
    process.exit(result.status ?? 1);
  }
}

/** Installs the packages of the lock file when they are missing or the lock file has changed since. */
export function installPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(path.join(root, 'package-lock.json')))
    .digest('hex');
  const stamp = path.join(root, 'node_modules', '.installed-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('Installing packages ...');
  run('npm', ['ci', '--no-audit', '--no-fund']);
  writeFileSync(stamp, lock);
}

export const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

const onPath = (name) =>
  (process.env.PATH ?? '').split(path.delimiter).some((folder) => existsSync(path.join(folder, name)));

/** Installs Debian's Chromium, ffmpeg for the test clips, and what reads PDF files, where they are missing. */
export function installTestTools() {
  const missing = [
    ...(existsSync(CHROMIUM) ? [] : ['chromium', 'chromium-headless-shell', 'fonts-dejavu-core']),
    ...(onPath('ffmpeg') && onPath('ffprobe') ? [] : ['ffmpeg']),
    ...(onPath('pdftotext') ? [] : ['poppler-utils']),
  ];
  if (missing.length === 0) return;
  console.log(`Installing ${missing.join(', ')} ...`);
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    run(command, rest, { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } });
  };
  apt('update', '-qq');
  apt('install', '-y', '-qq', '--no-install-recommends', ...missing);
}

/** Model bundles and the WebAssembly runtime that the application serves. */
export function prepareModels() {
  run('npx', ['--no-install', 'tsx', 'scripts/prepare-models.ts']);
}
