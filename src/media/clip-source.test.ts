import { expose } from 'comlink';
import { openClipSource } from './clip-source';
import { WorkerClient } from './worker-client';

/** Workers that were started, by what they answer: one that opens a clip and never has a picture. */
const started: SilentWorker[] = [];

class SilentWorker {
  readonly terminate = jest.fn(() => {
    this.port.close();
    this.other.close();
  });
  private readonly port: MessagePort;
  private readonly other: MessagePort;

  constructor() {
    const { port1, port2 } = new MessageChannel();
    [this.port, this.other] = [port1, port2];
    expose(
      {
        open: () => ({ ok: true, value: { frameTimes: new Float64Array(3) } }),
        frame: () => new Promise(() => undefined),
        setDetail: () => undefined,
      },
      port2 as never,
    );
    port1.start();
    started.push(this);
  }

  postMessage(message: unknown): void {
    this.port.postMessage(message);
  }

  addEventListener(type: string, listener: (event: MessageEvent) => void): void {
    this.port.addEventListener(type as 'message', listener);
  }

  removeEventListener(type: string, listener: (event: MessageEvent) => void): void {
    this.port.removeEventListener(type as 'message', listener);
  }
}

const video = { name: 'clip.webm' } as never;

beforeEach(() => {
  started.length = 0;
  Object.assign(globalThis, { Worker: SilentWorker });
});

describe('a picture that somebody waits for', () => {
  it('is given up at once when its clip is closed, and nothing is started again', async () => {
    const source = await openClipSource(video);
    if (!source.ok) throw new Error(source.issue.message);
    const frame = source.value.frame(0);
    await new Promise((resolve) => setTimeout(resolve, 20));
    source.value.close();
    expect(await frame).toMatchObject({ ok: false, issue: { code: 'superseded' } });
    expect(await source.value.frame(1)).toMatchObject({ ok: false, issue: { code: 'superseded' } });
    expect(started).toHaveLength(1);
    expect(started[0]!.terminate).toHaveBeenCalled();
  });

  it('is given up at once when whoever asked ends its worker', async () => {
    const client = new WorkerClient<object>(new SilentWorker() as never);
    const asked = client.ask<null, never>(new Promise<never>(() => undefined), 'Decoding');
    client.end();
    expect(await asked).toMatchObject({ ok: false, issue: { code: 'worker-crashed' } });
  });
});
