import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { makeCodedClip } from '../tests/fixtures/coded-clips';
import { Conversions, DEFAULT_LIMITS, sweepFolders } from './conversions';
import {
  SOURCES,
  finished,
  leftovers,
  post,
  serve,
  service,
  view,
  type View,
  withService,
} from '../tests/fixtures/conversion-service';

jest.setTimeout(60_000);
withService();

describe('the bounds of converting', () => {
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
    expect(leftovers()).toEqual(service.before);
  });

  it('ends a conversion that takes too long', async () => {
    const slow = new Conversions({ ...DEFAULT_LIMITS, time: 50 });
    const other = await serve(slow);
    const { id } = (await (
      await fetch(other.address, {
        method: 'POST',
        body: readFileSync(path.join(service.folder, 'long.mp4')),
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

  it('takes its place service.before it waits for anything: of forty at once as many begin as may', async () => {
    const two = new Conversions(DEFAULT_LIMITS);
    const other = await serve(two);
    const headers = { 'Content-Type': 'video/mp4' };
    const body = readFileSync(path.join(service.folder, 'long.mp4'));
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
    const body = readFileSync(path.join(service.folder, 'long.mp4'));
    expect((await fetch(asked.address, { method: 'POST', body, headers })).status).toBe(202);
    while (left.all > 0 || leftovers().length > service.before.length)
      await new Promise((resolve) => setTimeout(resolve, 20));
    expect(leftovers()).toEqual(service.before);
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
    const { id } = (await (await post(readFileSync(makeCodedClip(service.folder, SOURCES[1]!)))).json()) as View;
    await finished(id);
    expect((await fetch(`${service.address}/${id}/clip`, { method: 'HEAD' })).status).toBe(200);
    expect((await view(id)).state).toBe('done');
    await service.conversions.end(id);
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
