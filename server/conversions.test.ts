import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { makeCodedClip, ffmpeg, type CodedClip } from '../tests/fixtures/coded-clips';
import { createApp } from './app';
import { Conversions, DEFAULT_LIMITS, sweepFolders } from './conversions';

jest.setTimeout(60_000);

const SOURCES: readonly CodedClip[] = [
  { file: 'hevc-variable.mp4', codec: 'hevc', rate: 60, frames: 90, group: 60, size: '512x288', late: 0.4 },
  { file: 'mjpeg.avi', codec: 'mjpeg', rate: 30, frames: 60, group: 1, size: '512x288' },
];

let folder: string;
let server: Server;
let address: string;
let conversions: Conversions;
const opened: Conversions[] = [];

const leftovers = (): string[] => readdirSync(tmpdir()).filter((name) => name.startsWith('falcon-convert-'));
let before: string[];

async function serve(own: Conversions): Promise<{ server: Server; address: string }> {
  opened.push(own);
  const started = createServer(createApp({ dist: folder, demo: folder, conversions: own }));
  await new Promise<void>((resolve) => started.listen(0, '127.0.0.1', resolve));
  return { server: started, address: `http://127.0.0.1:${(started.address() as AddressInfo).port}/conversions` };
}

beforeAll(async () => {
  before = leftovers();
  folder = mkdtempSync(path.join(tmpdir(), 'falcon-clips-'));
  // Made before the server listens: it takes longer than an idle connection lives.
  ffmpeg([
    '-f',
    'lavfi',
    '-i',
    'testsrc2=size=1280x720:rate=60:duration=20',
    '-c:v',
    'mpeg4',
    '-q:v',
    '6',
    path.join(folder, 'long.mp4'),
  ]);
  for (const source of SOURCES) makeCodedClip(folder, source);
  conversions = new Conversions();
  ({ server, address } = await serve(conversions));
});
afterAll(async () => {
  await Promise.all(opened.map((each) => each.endAll()));
  await new Promise((resolve) => server.close(resolve));
  rmSync(folder, { recursive: true });
});

const post = (
  body: BodyInit,
  headers: Record<string, string> = { 'Content-Type': 'application/octet-stream' },
): Promise<Response> => fetch(address, { method: 'POST', body, headers });
type View = { id: string; state: string; progress: number; message: string };
const view = async (id: string): Promise<View> => (await (await fetch(`${address}/${id}`)).json()) as View;

async function finished(id: string): Promise<View> {
  for (;;) {
    const now = await view(id);
    if (now.state === 'done' || now.state === 'failed') return now;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

/** Presentation times of all frames, microseconds from the first. */
function timesOf(file: string): number[] {
  const text = execFileSync('ffprobe', [
    '-v',
    'error',
    '-select_streams',
    'v:0',
    '-show_entries',
    'packet=pts_time',
    '-of',
    'csv=p=0',
    file,
  ]).toString();
  const times = text
    .trim()
    .split('\n')
    .map((line) => Math.round(Number(line.replace(',', '')) * 1e6))
    .sort((a, b) => a - b);
  return times.map((t) => t - times[0]!);
}

describe('converting', () => {
  it.each(SOURCES)('keeps every frame of $file and its time', async (source) => {
    const file = makeCodedClip(folder, source);
    const begun = await post(readFileSync(file));
    expect(begun.status).toBe(202);
    const { id } = (await begun.json()) as View;
    expect(await finished(id)).toMatchObject({ state: 'done', progress: 1 });
    const clip = await fetch(`${address}/${id}/clip`);
    expect(clip.headers.get('content-type')).toBe('video/mp4');
    const result = path.join(folder, `${source.file}.out.mp4`);
    writeFileSync(result, Buffer.from(await clip.arrayBuffer()));
    const times = timesOf(result);
    expect(times).toHaveLength(source.frames);
    timesOf(file).forEach((time, i) => expect(Math.abs(times[i]! - time)).toBeLessThanOrEqual(20));
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect((await fetch(`${address}/${id}`)).status).toBe(404);
  });

  it('makes a picture of each field of an interlaced clip, in the order in which they were taken', async () => {
    const source = path.join(folder, 'interlaced.avi');
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
    const result = path.join(folder, 'interlaced.out.mp4');
    writeFileSync(result, Buffer.from(await (await fetch(`${address}/${id}/clip`)).arrayBuffer()));
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
    const file = path.join(folder, 'beep.avi');
    const [picture, tone] = [
      'testsrc2=size=320x240:rate=25:duration=2',
      'aevalsrc=sin(6000*t)*between(t\\,1\\,1.1):d=2',
    ];
    ffmpeg([
      ...['-f', 'lavfi', '-i', picture, '-f', 'lavfi', '-i', tone],
      ...['-c:v', 'mjpeg', '-c:a', 'pcm_s16le', file],
    ]);
    const converted = path.join(folder, 'beep.mp4');
    const { id } = (await (await post(readFileSync(file))).json()) as View;
    expect(await finished(id)).toMatchObject({ state: 'done', message: '' });
    writeFileSync(converted, Buffer.from(await (await fetch(`${address}/${id}/clip`)).arrayBuffer()));
    const pcm = execFileSync('ffmpeg', ['-v', 'error', '-i', converted, '-f', 's16le', '-ac', '1', '-ar', '8000', '-']);
    const loud = Array.from({ length: pcm.length / 2 }, (_, i) => Math.abs(pcm.readInt16LE(2 * i)) > 3000);
    expect(Math.abs(loud.indexOf(true) / 8000 - 1)).toBeLessThan(0.005);
    expect(Math.abs(loud.lastIndexOf(true) / 8000 - 1.1)).toBeLessThan(0.005);
  });

  it('takes a clip with odd sides', async () => {
    const source = path.join(folder, 'odd.avi');
    ffmpeg(['-f', 'lavfi', '-i', 'testsrc2=size=321x241:rate=30:duration=0.5', '-c:v', 'mjpeg', source]);
    const { id } = (await (await post(readFileSync(source))).json()) as View;
    expect(await finished(id)).toMatchObject({ state: 'done', message: '' });
    await conversions.end(id);
  });

  it('leaves nothing behind when it is cancelled in the middle', async () => {
    const { id } = (await (await post(readFileSync(path.join(folder, 'long.mp4')))).json()) as View;
    while ((await view(id)).state !== 'converting') await new Promise((resolve) => setTimeout(resolve, 20));
    expect((await fetch(`${address}/${id}`, { method: 'DELETE' })).status).toBe(204);
    expect((await fetch(`${address}/${id}`)).status).toBe(404);
    expect(leftovers()).toEqual(before);
  });

  it('refuses what is no video, and says so', async () => {
    const { id } = (await (await post('This is a text.')).json()) as View;
    const ended = await finished(id);
    expect(ended.state).toBe('failed');
    expect(ended.message).toMatch(/not a video file that can be converted/);
    await conversions.end(id);
    expect((await post('x', { 'Content-Type': 'text/html' })).status).toBe(415);
  });

  it('does not follow a playlist to other files', async () => {
    const secret = makeCodedClip(folder, SOURCES[1]!);
    for (const text of [`#EXTM3U\n#EXTINF:2,\n${secret}\n`, `ffconcat version 1.0\nfile '${secret}'\n`]) {
      const { id } = (await (await post(text)).json()) as View;
      expect((await finished(id)).state).toBe('failed');
      await conversions.end(id);
    }
  });

  it('takes no path from the client', async () => {
    for (const id of ['..%2F..%2Fetc%2Fpasswd', '%2e%2e%2fclip', 'x'.repeat(500)]) {
      expect((await fetch(`${address}/${id}/clip`)).status).toBe(404);
    }
  });

  it('refuses another site', async () => {
    expect((await post('x', { 'Content-Type': 'video/mp4', 'Sec-Fetch-Site': 'cross-site' })).status).toBe(403);
  });

  it('has bounds in size, also where no length is told, and in how many run at once', async () => {
    const small = new Conversions({ ...DEFAULT_LIMITS, bytes: 1000 });
    const other = await serve(small);
    const stream = new ReadableStream({
      start(controller) {
        for (let i = 0; i < 4; i++) controller.enqueue(new Uint8Array(500));
        controller.close();
      },
    });
    const response = await fetch(other.address, {
      method: 'POST',
      body: stream,
      headers: { 'Content-Type': 'video/mp4' },
      duplex: 'half',
    } as RequestInit);
    expect(response.status).toBe(413);
    expect(small.count).toBe(0);
    await new Promise((resolve) => other.server.close(resolve));

    const none = await serve(new Conversions({ ...DEFAULT_LIMITS, atOnce: 0 }));
    expect(
      (await fetch(none.address, { method: 'POST', body: 'x', headers: { 'Content-Type': 'video/mp4' } })).status,
    ).toBe(429);
    await new Promise((resolve) => none.server.close(resolve));
    expect(leftovers()).toEqual(before);
  });

  it('ends a conversion that takes too long', async () => {
    const slow = new Conversions({ ...DEFAULT_LIMITS, time: 50 });
    const other = await serve(slow);
    const { id } = (await (
      await fetch(other.address, {
        method: 'POST',
        body: readFileSync(path.join(folder, 'long.mp4')),
        headers: { 'Content-Type': 'video/mp4' },
      })
    ).json()) as View;
    for (;;) {
      const now = (await (await fetch(`${other.address}/${id}`)).json()) as View;
      if (now.state === 'failed') {
        expect(now.message).toMatch(/took too long/);
        break;
      }
      await new Promise((resolve) => setTimeout(resolve, 30));
    }
    await slow.endAll();
    await new Promise((resolve) => other.server.close(resolve));
  });

  it('takes its place before it waits for anything: of forty at once as many begin as may', async () => {
    const two = new Conversions(DEFAULT_LIMITS);
    const other = await serve(two);
    const headers = { 'Content-Type': 'video/mp4' };
    const body = readFileSync(path.join(folder, 'long.mp4'));
    const answers = await Promise.all(
      Array.from({ length: 40 }, () => fetch(other.address, { method: 'POST', body, headers })),
    );
    expect(answers.filter(({ status }) => status === 202)).toHaveLength(2);
    expect(answers.filter(({ status }) => status === 429)).toHaveLength(38);
    await two.endAll();
    await new Promise((resolve) => other.server.close(resolve));
  });

  it('holds no place for what has ended or is asked for no more, and keeps nothing of it', async () => {
    const own = new Conversions({ ...DEFAULT_LIMITS, atOnce: 1, waiting: 2 });
    const other = await serve(own);
    const headers = { 'Content-Type': 'video/mp4' };
    for (let i = 0; i < 4; i++) {
      const answer = await fetch(other.address, { method: 'POST', body: 'junk!', headers });
      expect(answer.status).toBe(202);
      while (own.count > 0) await new Promise((resolve) => setTimeout(resolve, 20));
    }
    expect(own.all).toBe(2);
    await own.endAll();
    await new Promise((resolve) => other.server.close(resolve));

    const left = new Conversions({ ...DEFAULT_LIMITS, abandon: 200 });
    const asked = await serve(left);
    const body = readFileSync(path.join(folder, 'long.mp4'));
    expect((await fetch(asked.address, { method: 'POST', body, headers })).status).toBe(202);
    while (left.all > 0 || leftovers().length > before.length) await new Promise((resolve) => setTimeout(resolve, 20));
    expect(leftovers()).toEqual(before);
    await new Promise((resolve) => asked.server.close(resolve));
  });

  it('gives up an upload that sends nothing', async () => {
    const own = new Conversions({ ...DEFAULT_LIMITS, silence: 100 });
    const other = await serve(own);
    const body = new ReadableStream({ start: (controller) => controller.enqueue(new Uint8Array(10)) });
    const headers = { 'Content-Type': 'video/mp4' };
    const answer = await fetch(other.address, { method: 'POST', body, headers, duplex: 'half' } as RequestInit).catch(
      () => null,
    );
    expect(answer?.status ?? 408).toBe(408);
    expect(own.all).toBe(0);
    other.server.closeAllConnections();
    await new Promise((resolve) => other.server.close(resolve));
  });

  it('keeps the result through a question for its head', async () => {
    const { id } = (await (await post(readFileSync(makeCodedClip(folder, SOURCES[1]!)))).json()) as View;
    await finished(id);
    expect((await fetch(`${address}/${id}/clip`, { method: 'HEAD' })).status).toBe(200);
    expect((await view(id)).state).toBe('done');
    await conversions.end(id);
  });

  it('sweeps folders of servers that are gone, and no others', async () => {
    const gone = mkdtempSync(path.join(tmpdir(), 'falcon-convert-999999999-'));
    const own = mkdtempSync(path.join(tmpdir(), `falcon-convert-${process.pid}-`));
    const others = mkdtempSync(path.join(tmpdir(), 'falcon-convert-by-somebody-'));
    await sweepFolders();
    expect([gone, own, others].map((each) => existsSync(each))).toEqual([false, true, true]);
    for (const each of [own, others]) rmSync(each, { recursive: true });
  });

  it('says what to install where there is no ffmpeg', async () => {
    const other = await serve(new Conversions(DEFAULT_LIMITS, 'no-such-ffmpeg'));
    const response = await fetch(other.address, {
      method: 'POST',
      body: 'x',
      headers: { 'Content-Type': 'video/mp4' },
    });
    expect(response.status).toBe(501);
    expect(((await response.json()) as { message: string }).message).toMatch(/apt install ffmpeg/);
    expect(await (await fetch(other.address)).json()).toMatchObject({ available: false });
    await new Promise((resolve) => other.server.close(resolve));
  });
});
