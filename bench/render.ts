import { spawnSync } from 'node:child_process';
import { root } from '../demo/drive-job';

/** Renders clips of the demo's scenario into a folder, with their truth. */
export function renderInto(folder: string, ids: readonly string[]): void {
  if (ids.length === 0) return;
  const rendered = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'demo/render/render-clips.ts', '--only', ids.join(','), '--into', folder],
    { cwd: root, stdio: 'inherit' },
  );
  if (rendered.status !== 0) throw new Error(`${ids.join(', ')} could not be rendered.`);
}
