import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { ClipTruth } from '../../demo/truth';
import { UNSURE_CONFIDENCE } from '../../src/core/tracks/point-error';
import type { DetectedPoints } from '../../src/core/tracks/track';
import { trackFromDetections } from '../../src/core/detections/track-from-detections';
import type { Harness } from '../harness/harness';
import { serveHarness } from '../harness/serve';

declare const harness: Harness;

const folder = path.join(import.meta.dirname, '..', '..', 'demo', 'clips');
const truthOf = (id: string): ClipTruth =>
  JSON.parse(readFileSync(path.join(folder, `${id}.truth.json`), 'utf8')) as ClipTruth;
type Pixels = readonly (readonly [number, number])[];
const JOINTS = ['left-shoulder', 'right-shoulder', 'left-hip', 'right-hip'] as const;

/** Middle of the trunk, truth. */
function trunk(truth: ClipTruth, frame: number): readonly [number, number] {
  const at = JOINTS.map((id) => truth.pixels[frame]![truth.points.indexOf(id)]!);
  return [0, 1].map((axis) => at.reduce((sum, p) => sum + p[axis]!, 0) / at.length) as unknown as readonly [
    number,
    number,
  ];
}

/** Box round all true points at a frame. */
function boxOf(pixels: Pixels, frame: number): { frame: number; x: number; y: number; width: number; height: number } {
  const [xs, ys] = [0, 1].map((axis) => pixels.map((p) => p[axis]!)) as [number[], number[]];
  return {
    frame,
    x: Math.min(...xs),
    y: Math.min(...ys),
    width: Math.max(...xs) - Math.min(...xs),
    height: Math.max(...ys) - Math.min(...ys),
  };
}

/** A point as of somebody who stands elsewhere. */
const aside = <P extends { x: number }>([id, point]: [string, P]): [string, P] => [id, { ...point, x: point.x + 200 }];

test.describe('two people who cross', () => {
  let served: Awaited<ReturnType<typeof serveHarness>>;
  test.beforeAll(async () => {
    served = await serveHarness(folder, true);
  });
  test.afterAll(() => served.stop());

  // Each of the two once: dressed differently, and alike.
  for (const [clip, who, other] of [
    ['walk-crossing', '', '-passer'],
    ['walk-crossing-alike', '-passer', ''],
  ] as const) {
    test(`${clip}${who}: the one who was chosen is the one who is followed, before, behind and after the other`, async ({
      page,
    }) => {
      const [own, beside] = [truthOf(clip + who), truthOf(clip + other)];
      await page.goto(served.address);
      const { detections } = await page.evaluate(([address, box]) => harness.find(address, 'fast', { person: box }), [
        `/demo-data/${clip}.webm`,
        boxOf(own.pixels[10]!, 10),
      ] as const);
      const seen = new Map(detections);
      const times = Float64Array.from(own.pixels, (_, i) => i / own.frameRate);
      const track = trackFromDetections({}, times, seen, 'fast');
      const found = new Map(
        [...seen].flatMap(([frame, [first]]) => {
          const at = JOINTS.map((id) => track[id]!).filter(({ x }) => !Number.isNaN(x[frame]));
          return first && at.length === JOINTS.length
            ? [[frame, at.map((p) => ({ x: p.x[frame]!, y: p.y[frame]!, confidence: p.confidence[frame]! }))] as const]
            : [];
        }),
      );
      // Where they stand before one another a joint or two may be the other's; it is never said to be sure.
      const [ownFrames, othersSure]: [number[], number[]] = [[], []];
      for (const [frame, at] of found) {
        const [x, y] = (['x', 'y'] as const).map((axis) => at.reduce((sum, p) => sum + p[axis], 0) / at.length) as [
          number,
          number,
        ];
        const away = (truth: ClipTruth): number => Math.hypot(x - trunk(truth, frame)[0], y - trunk(truth, frame)[1]);
        const apart = Math.abs(trunk(own, frame)[0] - trunk(beside, frame)[0]);
        // Right behind one another both are as near.
        if (away(own) < away(beside) || apart < 20) ownFrames.push(frame);
        else if (Math.max(...at.map((p) => p.confidence)) >= UNSURE_CONFIDENCE || apart > 80) othersSure.push(frame);
      }
      expect(othersSure).toEqual([]);
      // One who is covered may be lost for some frames, and is found again.
      expect(ownFrames.length).toBeGreaterThan(0.87 * own.pixels.length);
      expect(ownFrames.filter((frame) => frame > 70).length).toBeGreaterThan(0.95 * (own.pixels.length - 71));
      if (who === '') return;

      // Had somebody else been followed at the end, a box there mends that, and nothing before.
      const last = own.pixels.length - 1;
      const mistaken = detections.map(([frame, all]): (typeof detections)[number] => [
        frame,
        frame <= last - 20 ? all : all.map((one) => Object.fromEntries(Object.entries(one).map(aside))),
      ]);
      const again = async (box: ReturnType<typeof boxOf>): Promise<typeof detections> =>
        (
          await page.evaluate(([address, person, known]) => harness.find(address, 'fast', { person, known }), [
            `/demo-data/${clip}.webm`,
            box,
            mistaken,
          ] as const)
        ).detections;
      const mended = new Map(await again(boxOf(own.pixels[last - 5]!, last - 5)));
      const middle = (one: DetectedPoints): number => JOINTS.reduce((sum, id) => sum + one[id]!.x, 0) / JOINTS.length;
      for (let frame = last - 19; frame <= last; frame++)
        expect(Math.abs(middle(mended.get(frame)![0]!) - trunk(own, frame)[0]), `frame ${frame}`).toBeLessThan(20);
      const untouched = last - 20 - Math.round(0.4 * own.frameRate) - 1;
      for (const [frame, all] of mistaken.filter(([at]) => at < untouched)) expect(mended.get(frame)).toEqual(all);
      // In a box in the sky nobody is seen: nothing is changed for it.
      const sky = { frame: last - 5, x: 4, y: 4, width: 40, height: 60 };
      await expect(again(sky)).rejects.toThrow(`Nobody is seen in the box on frame ${last - 4}`);
    });
  }
});
