import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { build } from 'vite';
import { createApp } from '../../server/app';

const root = path.join(import.meta.dirname, '..', '..');

/**
 * Builds the harness page and serves it with clips from a folder under `/demo-data`.
 * @param models whether the point detector's models are served too
 */
export async function serveHarness(clips: string, models = false): Promise<{ address: string; stop: () => void }> {
  // A folder of its own: two benchmarks may run side by side.
  const dist = mkdtempSync(path.join(tmpdir(), 'falcon-harness-'));
  await build({
    configFile: false,
    root: import.meta.dirname,
    publicDir: models ? path.join(root, 'public') : false,
    worker: { format: 'es' },
    build: { outDir: dist, emptyOutDir: true, target: 'es2023' },
    logLevel: 'error',
  });
  const server = createApp({ dist, demo: clips }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const stop = (): void => {
    server.close();
    rmSync(dist, { recursive: true, force: true });
  };
  return { address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, stop };
}
