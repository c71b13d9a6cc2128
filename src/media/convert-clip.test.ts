import { convertClip, converterState } from './convert-clip';

type Handler = (request: { readonly path: string; readonly method: string; readonly body: unknown }) => {
  status?: number;
  json?: unknown;
  blob?: Blob;
};

/** Stands in for the server; every request is kept. */
function serve(handler: Handler): string[] {
  const seen: string[] = [];
  globalThis.fetch = (async (path: string, init: RequestInit = {}) => {
    if (init.signal?.aborted) throw new DOMException('aborted', 'AbortError');
    const method = init.method ?? 'GET';
    seen.push(`${method} ${path}`);
    const { status = 200, json = null, blob } = handler({ path, method, body: init.body });
    return { ok: status < 400, status, json: async () => json, blob: async () => blob };
  }) as unknown as typeof fetch;
  return seen;
}
const file = new File(['clip'], 'training.avi', { lastModified: 5 });
const options = (signal = new AbortController().signal) => {
  const shares: number[] = [];
  return { shares, options: { signal, onProgress: (share: number) => void shares.push(share) } };
};
const at = (state: string, progress: number, message = '') => ({ json: { id: 'c1', state, progress, message } });

describe('converting a clip', () => {
  it('waits for the server, tells how far it is, and names the copy after the clip', async () => {
    let asked = 0;
    const seen = serve(({ path, method }) => {
      if (method === 'POST') return at('uploading', 0);
      if (path.endsWith('/clip')) return { blob: new Blob(['copy']) };
      if (path === '/conversions') return { json: { available: true } };
      return asked++ === 0 ? at('converting', 0.5) : at('done', 1);
    });
    const { shares, options: how } = options();
    const converted = await convertClip(file, how);
    expect(converted.ok && converted.value.name).toBe('training.mp4');
    expect(converted.ok && (await converted.value.text())).toBe('copy');
    expect(shares).toEqual([0.55, 1]);
    expect(seen).not.toContain('DELETE /conversions/c1');
  });

  it('passes on what the server says when it refuses or fails', async () => {
    serve(() => ({ status: 501, json: { message: 'This machine has no ffmpeg.' } }));
    expect(await convertClip(file, options().options)).toMatchObject({
      ok: false,
      issue: { code: 'no-converter', message: 'This machine has no ffmpeg.' },
    });
    serve(({ method }) => (method === 'POST' ? at('uploading', 0) : at('failed', 0, 'It holds no picture.')));
    const failed = await convertClip(file, options().options);
    expect(!failed.ok && failed.issue.message).toBe('\u201ctraining.avi\u201d was not converted. It holds no picture.');
  });

  it('does not take an error page for the copy', async () => {
    serve(({ path, method }) =>
      path.endsWith('/clip')
        ? { status: 404, blob: new Blob(['Not found']) }
        : method === 'POST'
          ? at('uploading', 0)
          : at('done', 1),
    );
    const failed = await convertClip(file, options().options);
    expect(!failed.ok && failed.issue.message).toMatch(/no longer has the copy/);
  });

  it('ends the work on the server when it is cancelled', async () => {
    const controller = new AbortController();
    const seen = serve(({ method, path }) => {
      if (method === 'POST') return at('uploading', 0);
      if (path === '/conversions/c1') controller.abort();
      return at('converting', 0.2);
    });
    const cancelled = await convertClip(file, options(controller.signal).options);
    expect(cancelled).toMatchObject({ ok: false, issue: { code: 'cancelled' } });
    expect(seen[seen.length - 1]).toBe('DELETE /conversions/c1');
  });

  it('waits while the server is away, goes on once it answers, and can be cancelled meanwhile', async () => {
    jest.useFakeTimers();
    try {
      let away = true;
      const gone = (): never => {
        throw new TypeError('Failed to fetch');
      };
      const answering = ({ path, method }: Parameters<Handler>[0]): ReturnType<Handler> => {
        if (away) gone();
        if (method === 'POST') return at('uploading', 0);
        return path.endsWith('/clip')
          ? { blob: new Blob(['copy']) }
          : { json: { ...at('done', 1).json, available: true } };
      };
      serve(answering);
      expect(await converterState()).toBe('away');
      const waited: boolean[] = [];
      const going = convertClip(file, { ...options().options, onWaiting: (waiting) => void waited.push(waiting) });
      await jest.advanceTimersByTimeAsync(10_000);
      expect(waited).toEqual([true]);
      away = false;
      await jest.advanceTimersByTimeAsync(2000);
      expect((await going).ok).toBe(true);
      expect(waited).toEqual([true, false]);

      away = true;
      const controller = new AbortController();
      const waiting = convertClip(file, options(controller.signal).options);
      await jest.advanceTimersByTimeAsync(3000);
      controller.abort();
      expect(await waiting).toMatchObject({ ok: false, issue: { code: 'cancelled' } });
    } finally {
      jest.useRealTimers();
    }
  });

  it('says so when the server ends in the middle', async () => {
    serve(({ method, path }) => {
      if (method === 'POST') return at('uploading', 0);
      if (path === '/conversions/c1') throw new TypeError('Failed to fetch');
      return { json: { available: true } };
    });
    const failed = await convertClip(file, options().options);
    expect(!failed.ok && failed.issue.message).toMatch(
      /connection to the server broke off \(Failed to fetch\)\. Is it still running\?/,
    );
  });

  it('knows whether the server can convert', async () => {
    serve(() => ({ json: { available: true, bytes: 1 } }));
    expect(await converterState()).toBe('ready');
    serve(() => ({ json: { available: 'perhaps' } }));
    expect(await converterState()).toBe('lacking');
  });
});
