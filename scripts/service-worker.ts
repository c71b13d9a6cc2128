// The service worker of a build: its script, with the list of all files that were built together.
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { build } from 'esbuild';
import type { Plugin } from 'vite';

interface Options {
  /** Source of the worker's script. */
  readonly entry: string;
  /** Its name in the folder that is built. */
  readonly fileName: string;
  /** First part of an address, as `/models/` -> the folder whose files are kept only when they were needed. */
  readonly whenNeeded: Readonly<Record<string, string>>;
}

const filesIn = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => statSync(path.join(folder, file)).isFile())
    .map((file) => file.split(path.sep).join('/'))
    .sort();

const hashOf = (files: readonly string[]): string => {
  const hash = createHash('sha256');
  for (const file of files) hash.update(path.basename(file)).update(readFileSync(file));
  return hash.digest('hex').slice(0, 16);
};

/** A plugin that builds the service worker once all else is written. */
export function serviceWorker({ entry, fileName, whenNeeded }: Options): Plugin {
  let folder = '';
  return {
    name: 'service-worker',
    apply: 'build',
    configResolved: ({ root, build: { outDir } }) => void (folder = path.resolve(root, outDir)),
    closeBundle: {
      // After the list of licences, which is written late too.
      order: 'post',
      sequential: true,
      async handler() {
        const built = filesIn(folder).filter(
          (file) => file !== fileName && !Object.keys(whenNeeded).some((place) => `/${file}`.startsWith(place)),
        );
        const versions = Object.entries(whenNeeded).map(([place, from]) => [
          place,
          hashOf(filesIn(from).map((file) => path.join(from, file))),
        ]);
        await build({
          entryPoints: [entry],
          outfile: path.join(folder, fileName),
          bundle: true,
          minify: true,
          format: 'iife',
          target: 'es2022',
          logLevel: 'warning',
          define: {
            'process.env.NODE_ENV': '"production"',
            BUILT_FILES: JSON.stringify(
              built.map((file) => ({ url: `/${file}`, revision: hashOf([path.join(folder, file)]) })),
            ),
            KEPT_WHEN_NEEDED: JSON.stringify(Object.fromEntries(versions)),
          },
        });
      },
    },
  };
}
