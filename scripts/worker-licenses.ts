// Licences of what runs in workers or is copied as it is (runtimes, weights), which the bundler's own list of the page
// leaves out.
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { appendFile } from 'node:fs/promises';
import path from 'node:path';
import type { Plugin } from 'vite';
import { weightsFolder, type WeightsPackage } from './weights-packages.ts';

const modules = path.join(import.meta.dirname, '..', 'node_modules');

/** The licence of a package: its own file, or the end of its readme where that holds it; empty where neither does. */
function licenceOf(folder: string): string {
  const files = readdirSync(folder);
  const read = (file: string): string => readFileSync(path.join(folder, file), 'utf8').trim();
  const own = files.find((f) => /^(licen[cs]e|copying)/i.test(f));
  if (own) return read(own);
  const readme = files.find((f) => /^readme/i.test(f));
  return (readme && /^#+ *licen[cs]e\s+(?<text>.*)/ims.exec(read(readme))?.groups?.['text']) || '';
}

/** One package as the list of the page writes it; a package without a licence's text is named with its id. */
function entry(folder: string): string {
  const { name, version, license } = JSON.parse(readFileSync(path.join(folder, 'package.json'), 'utf8')) as {
    name: string;
    version: string;
    license: string;
  };
  const text = licenceOf(folder);
  return `## ${name} - ${version} (${license})${text && `\n\n${text}`}\n`;
}

/**
 * A plugin that adds packages to a list of licences once it is written.
 * @param fileName of the list, in the folder that is built
 * @param weights packages that only weights were taken from
 */
export const workerLicenses = (
  fileName: string,
  packages: readonly string[],
  weights: readonly WeightsPackage[],
): Plugin => ({
  name: 'worker-licenses',
  apply: 'build',
  async writeBundle({ dir }) {
    const file = path.join(dir!, fileName);
    if (!existsSync(file)) return;
    const folders = [...packages.map((name) => path.join(modules, name)), ...weights.map(weightsFolder)];
    await appendFile(file, `\n# In workers, runtimes and weights\n\n${folders.map(entry).join('\n')}`);
  },
});
