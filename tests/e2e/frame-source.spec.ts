import { expect, test } from '@playwright/test';
import path from 'node:path';
import { CODED_CLIPS, makeCodedClip } from '../fixtures/coded-clips';
import type { Harness } from '../harness/harness';
import { serveHarness } from '../harness/serve';
import { dice } from '../fixtures/random';

declare const harness: Harness;

const folder = path.join(import.meta.dirname, '..', '..', 'test-results', 'coded');
const VISITS = 2100;

/** Steps on, steps back and jumps, as somebody works who looks for a frame. */
function walk(frames: number, visits: number, roll: () => number): number[] {
  let at = Math.floor(roll() * frames);
  return Array.from({ length: visits }, () => {
    const kind = roll();
    if (kind < 0.2) at = Math.floor(roll() * frames);
    else at += kind < 0.6 ? 1 : -1;
    at = Math.min(frames - 1, Math.max(0, at));
    return at;
  });
}

test.describe('frames of any clip', () => {
  let served: Awaited<ReturnType<typeof serveHarness>>;
  test.beforeAll(async () => {
    for (const clip of CODED_CLIPS) makeCodedClip(folder, clip);
    served = await serveHarness(folder);
  });
  test.afterAll(() => served.stop());

  const each = Math.ceil(VISITS / CODED_CLIPS.length);
  CODED_CLIPS.forEach((clip, n) => {
    test(`${clip.file}: ${each} random steps and jumps, 0 wrong pictures`, async ({ page }) => {
      await page.goto(served.address);
      const address = `/demo-data/${clip.file}`;
      const opened = await page.evaluate((a) => harness.open(a), address);
      if (typeof opened === 'string') throw new Error(`not opened: ${opened}`);
      const hidden = clip.hidden ?? 0;
      expect(opened.frames).toBe(clip.frames - hidden);
      const turned = clip.rotation === 90 || clip.rotation === 270;
      const [width, height] = clip.size.split('x').map(Number);
      // Pictures of turned clips are stored on their side: what is displayed is upright.
      expect([opened.width, opened.height, opened.rotation]).toEqual([width, height, clip.rotation ?? 0]);
      expect(turned).toBe(opened.rotation % 180 === 90);
      opened.times.forEach((us, i) => {
        const late = clip.late && (i + hidden) % 5 === 4 ? clip.late : 0;
        // Matroska rounds to a millisecond.
        expect(Math.abs(us - ((i + late) / clip.rate) * 1e6)).toBeLessThanOrEqual(1000);
      });
      const frames = walk(opened.frames, each, dice(2026 + n));
      const { codes } = await page.evaluate(([a, f]) => harness.visit(a, f), [address, frames] as const);
      const wrong = frames.flatMap((frame, i) =>
        codes[i] === frame + hidden ? [] : [`frame ${frame} showed ${codes[i]}`],
      );
      expect(wrong).toEqual([]);
    });
  });
});
