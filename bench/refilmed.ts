import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { DEMO_CLIPS, type DemoClip } from '../demo/scenario';
import type { ClipTruth } from '../demo/truth';

const root = path.join(import.meta.dirname, '..');

/** How a rendered clip is changed. */
export interface Refilming {
  /** The sides of the picture are divided by it: a camera so much farther away, or with fewer lines. */
  readonly smaller: number;
  /** Every how many frames one is kept. */
  readonly every: number;
}

/**
 * A rendered clip as one filmed from farther away and at a lower rate, with its truth, in a folder of its own.
 * @param again whether one that is there already will do
 */
export function refilmed(
  id: string,
  { smaller, every }: Refilming,
  again = false,
): { readonly demo: DemoClip; readonly into: string } {
  const demo = DEMO_CLIPS.find((c) => c.id === id)!;
  const from = path.join(root, 'demo', 'clips');
  const into = path.join(root, 'test-results', `refilmed-${smaller}-${every}`);
  mkdirSync(into, { recursive: true });
  const [width, height] = [demo.camera.width, demo.camera.height].map((side) => 2 * Math.round(side / smaller / 2)) as [
    number,
    number,
  ];
  const truth = JSON.parse(readFileSync(path.join(from, `${id}.truth.json`), 'utf8')) as ClipTruth;
  const kept = <T>(list: readonly T[]): readonly T[] => list.filter((_, i) => i % every === 0);
  const pixels = kept(truth.pixels).map((frame) =>
    frame.map(([x, y]) => [(x * width) / demo.camera.width, (y * height) / demo.camera.height] as const),
  );
  const frameRate = truth.frameRate / every;
  const changed: ClipTruth = { ...truth, frameRate, pixels, metres: kept(truth.metres) };
  writeFileSync(path.join(into, `${id}.truth.json`), JSON.stringify(changed));
  const changedDemo = { ...demo, camera: { ...demo.camera, width, height, frameRate } };
  if (again && existsSync(path.join(into, `${id}.webm`))) return { demo: changedDemo, into };
  const made = spawnSync('ffmpeg', [
    ...['-y', '-v', 'error', '-i', path.join(from, `${id}.webm`)],
    ...['-vf', `select='not(mod(n,${every}))',scale=${width}:${height}:flags=area`, '-fps_mode', 'passthrough'],
    ...['-c:v', 'libvpx-vp9', '-crf', '24', '-b:v', '0', '-cpu-used', '6', '-row-mt', '1'],
    path.join(into, `${id}.webm`),
  ]);
  if (made.status !== 0) throw new Error(`ffmpeg: ${made.stderr.toString()}`);
  return { demo: changedDemo, into };
}
