import { readFileSync } from 'node:fs';
import path from 'node:path';
import { DEMO_CLIPS } from '../../demo/scenario';
import { trueTrial } from '../../demo/true-trial';
import type { ClipTruth } from '../../demo/truth';
import { isScale, scaleOf } from '../../src/core/quantities';
import { stickClip } from '../fixtures/stick-trial';
import { COVERAGE_95 } from '../../src/core/statistics/normal';

const folder = path.join(import.meta.dirname, '..', '..', 'demo', 'clips');
const SIDES = DEMO_CLIPS.filter(({ id }) => /-side-(athlete|reference)/.test(id));

/**
 * Metres of a pixel where the body is: of all pairs of points that lie farther apart than half a metre across the
 * picture, by what the generator knows of both.
 */
function metresPerPixel({ pixels, metres }: ClipTruth): number {
  const middle = Math.floor(pixels.length / 2);
  const [seen, real] = [pixels[middle]!, metres[middle]!];
  const ratios = seen.flatMap((a, i) =>
    seen.slice(i + 1).flatMap((b, k) => {
      const [p, q] = [real[i]!, real[i + 1 + k]!];
      // The side camera looks along z.
      const apart = Math.hypot(p[0] - q[0], p[1] - q[1]);
      return apart > 0.5 && Math.abs(p[2] - q[2]) < 0.1 ? [apart / Math.hypot(a[0] - b[0], a[1] - b[1])] : [];
    }),
  );
  return ratios.sort((a, b) => a - b)[Math.floor(ratios.length / 2)]!;
}

// The generator's bodies have the proportions of the table by which a height is read off them (Drillis and Contini 1966):
// what is checked is the way from the height to the scale. How people differ from the table is in the stated error.
test.each(SIDES.map((clip) => [clip.id, clip] as const))('a stated height is the scale of %s', (id, demo) => {
  const truth = JSON.parse(readFileSync(path.join(folder, `${id}.truth.json`), 'utf8')) as ClipTruth;
  const clip = stickClip({
    width: demo.camera.width,
    height: demo.camera.height,
    frameTimes: Float64Array.from(truth.pixels, (_, i) => Math.round((i * 1e6) / truth.frameRate)),
    captureRate: truth.frameRate,
    travel: demo.camera.azimuth > 0 ? 'right' : 'left',
  });
  const stated = { ...clip, performer: { ...clip.performer, heightMetres: demo.body.height } };
  const scale = scaleOf(trueTrial(stated, truth), 'm');
  if (!isScale(scale)) throw new Error(scale.message);
  const error = scale.perPixel / metresPerPixel(truth) - 1;
  expect(Math.abs(error)).toBeLessThanOrEqual(COVERAGE_95 * scale.sdShare);
  // Nobody stated it: no length in metres.
  expect(isScale(scaleOf(trueTrial(clip, truth), 'm'))).toBe(false);
});
