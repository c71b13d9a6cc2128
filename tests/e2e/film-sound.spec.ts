import { execFileSync, spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import type { Harness } from '../harness/harness';
import { serveHarness } from '../harness/serve';
import { soundOf } from './talk-video';

declare const harness: Harness;

const RATE = 48_000;
const SECONDS = 3;
/** When a tone begins, seconds. */
const TONE = 1.2;

test('where a browser encodes AAC, a film with sound is an MP4 of H.264 and AAC, sound and picture as long', async ({
  page,
}, info) => {
  const served = await serveHarness(info.outputDir);
  try {
    // This encoder, which stands in for the browser's, runs in a worker that it makes of its own text.
    await page.route('**/*', async (route) => {
      const response = await route.fetch();
      await route.fulfill({ response, headers: { ...response.headers(), 'content-security-policy': '' } });
    });
    await page.goto(served.address);
    const samples = Array.from({ length: RATE * SECONDS }, (_, i) =>
      i / RATE < TONE ? 0 : Math.round(16_000 * Math.sin((2 * Math.PI * 1000 * i) / RATE)),
    );
    const bytes = await page.evaluate(([pictures, sound]) => harness.filmWithSound(pictures, sound), [
      30 * SECONDS,
      { samples, rate: RATE },
    ] as const);
    const file = info.outputPath('film.mp4');
    writeFileSync(file, Uint8Array.from(bytes));

    const probed = JSON.parse(
      execFileSync('ffprobe', ['-v', 'error', '-count_packets', '-show_streams', '-of', 'json', file], {
        encoding: 'utf8',
      }),
    ) as { streams: { codec_name: string; duration: string; nb_read_packets: string }[] };
    const [picture, sound] = ['h264', 'aac'].map((codec) => probed.streams.find((s) => s.codec_name === codec)!);
    expect(Number(picture!.nb_read_packets)).toBe(30 * SECONDS);
    expect(Number(picture!.duration)).toBeCloseTo(SECONDS, 2);
    expect(Math.abs(Number(sound!.duration) - SECONDS)).toBeLessThan(0.05);
    // It plays from start to end without a word.
    const played = spawnSync('ffmpeg', ['-v', 'warning', '-i', file, '-f', 'null', '-'], { encoding: 'utf8' });
    expect([played.status, played.stderr]).toEqual([0, '']);
    const heard = soundOf(file);
    const begins = heard.findIndex((v) => Math.abs(v) > 0.1) / RATE;
    // Within a picture.
    expect(Math.abs(begins - TONE)).toBeLessThan(1 / 30);
  } finally {
    served.stop();
  }
});
