import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { makeCodedClip, ffmpeg } from '../tests/fixtures/coded-clips';
import {
  SOURCES,
  finished,
  leftovers,
  post,
  service,
  timesOf,
  view,
  type View,
  withService,
} from '../tests/fixtures/conversion-service';

jest.setTimeout(60_000);
withService();

describe('converting', () => {
  it.each(SOURCES)('keeps every frame of $file and its time', async (source) => {
    const file = makeCodedClip(service.folder, source);
    const begun = await post(readFileSync(file));
    expect(begun.status).toBe(202);
    const { id } = (await begun.json()) as View;
    expect(await finished(id)).toMatchObject({ state: 'done', progress: 1 });
    const clip = await fetch(`${service.address}/${id}/clip`);
    expect(clip.headers.get('content-type')).toBe('video/mp4');
    const result = path.join(service.folder, `${source.file}.out.mp4`);
    writeFileSync(result, Buffer.from(await clip.arrayBuffer()));
    const times = timesOf(result);
    expect(times).toHaveLength(source.frames);
    timesOf(file).forEach((time, i) => expect(Math.abs(times[i]! - time)).toBeLessThanOrEqual(20));
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect((await fetch(`${service.address}/${id}`)).status).toBe(404);
  });

  it('makes a picture of each field of an interlaced clip, in the order in which they were taken', async () => {
    const source = path.join(service.folder, 'interlaced.avi');
    // A bar that goes on by four pixels fifty times a second, as fields of 25 pictures, and an odd width.
    const bar = "geq=lum='if(lt(abs(X-4*N-10),6),235,16)':cb=128:cr=128";
    const fields = `${bar},tinterlace=interleave_top,setfield=tff`;
    ffmpeg([
      ...['-f', 'lavfi', '-i', 'color=black:size=320x240:rate=50:duration=1', '-vf', fields],
      ...['-c:v', 'mpeg2video', '-flags', '+ilme+ildct', '-q:v', '2', source],
    ]);
    const { id } = (await (await post(readFileSync(source))).json()) as View;
    const ended = await finished(id);
    expect(ended).toMatchObject({ state: 'done' });
    expect(ended.message).toMatch(/interlaced.*twice as many/);
    const result = path.join(service.folder, 'interlaced.out.mp4');
    writeFileSync(result, Buffer.from(await (await fetch(`${service.address}/${id}/clip`)).arrayBuffer()));
    const times = timesOf(result);
    expect(times).toHaveLength(50);
    times.forEach((time, i) => expect(Math.abs(time - i * 20_000)).toBeLessThan(100));
    const raw = execFileSync('ffmpeg', ['-v', 'error', '-i', result, '-f', 'rawvideo', '-pix_fmt', 'gray', '-'], {
      maxBuffer: 1e8,
    });
    const middles = times.map((_, n) => {
      const row = raw.subarray(n * 320 * 240 + 320 * 120, n * 320 * 240 + 320 * 121);
      const weights = [...row].map((v) => Math.max(0, v - 60));
      return weights.reduce((sum, w, x) => sum + w * x, 0) / weights.reduce((sum, w) => sum + w, 0);
    });
    middles.slice(2, 48).forEach((middle, i) => expect(middle - middles[i + 1]!).toBeCloseTo(4, -0.3));
  });

  it('keeps the sound, beside the pictures that it was heard with', async () => {
    const file = path.join(service.folder, 'beep.avi');
    const [picture, tone] = [
      'testsrc2=size=320x240:rate=25:duration=2',
      'aevalsrc=sin(6000*t)*between(t\\,1\\,1.1):d=2',
    ];
    ffmpeg([
      ...['-f', 'lavfi', '-i', picture, '-f', 'lavfi', '-i', tone],
      ...['-c:v', 'mjpeg', '-c:a', 'pcm_s16le', file],
    ]);
    const converted = path.join(service.folder, 'beep.mp4');
    const { id } = (await (await post(readFileSync(file))).json()) as View;
    expect(await finished(id)).toMatchObject({ state: 'done', message: '' });
    writeFileSync(converted, Buffer.from(await (await fetch(`${service.address}/${id}/clip`)).arrayBuffer()));
    const pcm = execFileSync('ffmpeg', ['-v', 'error', '-i', converted, '-f', 's16le', '-ac', '1', '-ar', '8000', '-']);
    const loud = Array.from({ length: pcm.length / 2 }, (_, i) => Math.abs(pcm.readInt16LE(2 * i)) > 3000);
    expect(Math.abs(loud.indexOf(true) / 8000 - 1)).toBeLessThan(0.005);
    expect(Math.abs(loud.lastIndexOf(true) / 8000 - 1.1)).toBeLessThan(0.005);
  });

  it('takes a clip with odd sides', async () => {
    const source = path.join(service.folder, 'odd.avi');
    ffmpeg(['-f', 'lavfi', '-i', 'testsrc2=size=321x241:rate=30:duration=0.5', '-c:v', 'mjpeg', source]);
    const { id } = (await (await post(readFileSync(source))).json()) as View;
    expect(await finished(id)).toMatchObject({ state: 'done', message: '' });
    await service.conversions.end(id);
  });

  it('leaves nothing behind when it is cancelled in the middle', async () => {
    const { id } = (await (await post(readFileSync(path.join(service.folder, 'long.mp4')))).json()) as View;
    while ((await view(id)).state !== 'converting') await new Promise((resolve) => setTimeout(resolve, 20));
    expect((await fetch(`${service.address}/${id}`, { method: 'DELETE' })).status).toBe(204);
    expect((await fetch(`${service.address}/${id}`)).status).toBe(404);
    expect(leftovers()).toEqual(service.before);
  });

  it('refuses what is no video, and says so', async () => {
    const { id } = (await (await post('This is a text.')).json()) as View;
    const ended = await finished(id);
    expect(ended.state).toBe('failed');
    expect(ended.message).toMatch(/not a video file that can be converted/);
    await service.conversions.end(id);
    expect((await post('x', { 'Content-Type': 'text/html' })).status).toBe(415);
  });

  it('does not follow a playlist to other files', async () => {
    const secret = makeCodedClip(service.folder, SOURCES[1]!);
    for (const text of [`#EXTM3U\n#EXTINF:2,\n${secret}\n`, `ffconcat version 1.0\nfile '${secret}'\n`]) {
      const { id } = (await (await post(text)).json()) as View;
      expect((await finished(id)).state).toBe('failed');
      await service.conversions.end(id);
    }
  });

  it('takes no path from the client', async () => {
    for (const id of ['..%2F..%2Fetc%2Fpasswd', '%2e%2e%2fclip', 'x'.repeat(500)]) {
      expect((await fetch(`${service.address}/${id}/clip`)).status).toBe(404);
    }
  });

  it('refuses another site', async () => {
    expect((await post('x', { 'Content-Type': 'video/mp4', 'Sec-Fetch-Site': 'cross-site' })).status).toBe(403);
  });
});
