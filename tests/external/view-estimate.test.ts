import { readFileSync } from 'node:fs';
import path from 'node:path';
import { trueTrial } from '../../demo/true-trial';
import type { ClipTruth } from '../../demo/truth';
import { estimateOffPlane } from '../../src/core/trial/view-estimate';
import { demoPairs } from '../fixtures/demo-pairs';

/** The camera's direction by the body, against the cameras that rendered the clips. */
const IDS = ['pace', 'walk', 'hurdle'] as const;
const truthOf = (clip: string): ClipTruth =>
  JSON.parse(
    readFileSync(path.join(import.meta.dirname, '..', '..', 'demo', 'clips', `${clip}.truth.json`), 'utf8'),
  ) as ClipTruth;

test('twelve cameras that stand square, from detected points: within two deviations of it, half of them within one', () => {
  const away = IDS.flatMap((id) => demoPairs(id)).map(({ found }) => {
    const said = estimateOffPlane(found);
    if (!said.ok) throw new Error(said.issue.message);
    return Math.abs(said.value.degrees) / said.value.sdDegrees;
  });
  expect(away).toHaveLength(12);
  expect(Math.max(...away)).toBeLessThan(2);
  expect(away.filter((sds) => sds < 1).length).toBeGreaterThanOrEqual(6);
});

// 20 degrees towards the front: a bowler goes to the left, the others to the right. Where the chest turns only one way
// it is told less well.
test.each([
  ['walk', 20],
  ['hurdle', 20],
  ['pace', -20],
] as const)('%s from an oblique camera: %d degrees within two deviations', (id, expected) => {
  const { clip } = demoPairs(id).find((p) => p.found.clip.role === 'athlete')!.found;
  const truth = truthOf(`${id}-oblique-athlete`);
  const frameTimes = Float64Array.from(truth.pixels, (_, i) => Math.round((i * 1e6) / truth.frameRate));
  const said = estimateOffPlane(trueTrial({ ...clip, frameTimes }, truth));
  if (!said.ok) throw new Error(said.issue.message);
  expect(Math.abs(said.value.degrees - expected)).toBeLessThan(2 * said.value.sdDegrees);
  expect(said.value.sdDegrees).toBeLessThan(8);
});
