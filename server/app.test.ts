import { mkdtempSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, request as httpRequest, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createApp } from './app';

let folder: string;
let server: Server;
let address: string;

beforeAll(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'falcon-server-'));
  for (const name of ['dist', 'demo']) mkdirSync(path.join(folder, name));
  writeFileSync(
    path.join(folder, 'dist', 'index.html'),
    '<meta property="csp-nonce" nonce="%CSP_NONCE%"><div id="root">',
  );
  writeFileSync(path.join(folder, 'demo', 'clip.webm'), Buffer.from(Array.from({ length: 256 }, (_, i) => i)));
  writeFileSync(path.join(folder, 'secret.txt'), 'secret');
  server = createServer(createApp({ dist: path.join(folder, 'dist'), demo: path.join(folder, 'demo') }));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  await new Promise((resolve) => server.close(resolve));
  rmSync(folder, { recursive: true });
});

/** A request whose path is sent as it is, without the normalising that fetch does. */
const raw = (target: string): Promise<{ status: number; body: string }> =>
  new Promise((resolve, reject) => {
    const { port } = server.address() as AddressInfo;
    httpRequest({ host: '127.0.0.1', port, path: target }, (response) => {
      let body = '';
      response.on('data', (chunk: Buffer) => (body += chunk.toString()));
      response.on('end', () => resolve({ status: response.statusCode!, body }));
    })
      .on('error', reject)
      .end();
  });

describe('the server', () => {
  it('opens the application at any of its addresses, with a nonce of its own each time', async () => {
    const nonces = await Promise.all(
      ['/', '/demo', '/s/abc/measure'].map(async (page) => {
        const response = await fetch(address + page);
        const text = await response.text();
        const nonce = /nonce="([^"%]+)"/.exec(text)?.[1];
        expect(response.headers.get('content-security-policy')).toContain(`'nonce-${nonce}'`);
        return nonce;
      }),
    );
    expect(new Set(nonces).size).toBe(3);
  });

  it('lets the page connect to nothing but itself, and isolates it', async () => {
    const { headers } = await fetch(address);
    const policy = headers.get('content-security-policy')!;
    // What the page made itself is nobody else's.
    expect(policy).toContain("connect-src 'self' blob:;");
    expect(policy).toContain("default-src 'none'");
    expect(policy).not.toContain('unsafe-inline');
    expect(policy).not.toContain("'unsafe-eval'");
    expect(headers.get('cross-origin-opener-policy')).toBe('same-origin');
    expect(headers.get('cross-origin-embedder-policy')).toBe('require-corp');
  });

  it('serves media in byte ranges', async () => {
    const part = await fetch(`${address}/demo-data/clip.webm`, { headers: { range: 'bytes=16-31' } });
    expect(part.status).toBe(206);
    expect(part.headers.get('content-range')).toBe('bytes 16-31/256');
    expect(Array.from(new Uint8Array(await part.arrayBuffer()))).toEqual(Array.from({ length: 16 }, (_, i) => 16 + i));
    const beyond = await fetch(`${address}/demo-data/clip.webm`, { headers: { range: 'bytes=900-' } });
    expect(beyond.status).toBe(416);
  });

  it.each(['/demo-data/../secret.txt', '/demo-data/%2e%2e/secret.txt', '/../secret.txt', '/demo-data/..%2fsecret.txt'])(
    'gives away nothing outside its folders: %s',
    async (target) => {
      const { status, body } = await raw(target);
      expect(body).not.toContain('secret');
      expect(status).toBeGreaterThanOrEqual(400);
    },
  );

  it('serves the application under its own file name alike', async () => {
    expect(await (await fetch(`${address}/index.html`)).text()).not.toContain('CSP_NONCE');
  });

  it('has the application answer an address that is none', async () => {
    expect(await raw('/s/%E0%A4%A/measure')).toMatchObject({ status: 200, body: expect.stringContaining('id="root"') });
  });

  it('answers to its own name only, leads localhost to it, and serves pages from here only', async () => {
    const { port } = server.address() as AddressInfo;
    const ask = (headers: Record<string, string>): Promise<{ status: number; location?: string }> =>
      new Promise((resolve) =>
        httpRequest({ host: '127.0.0.1', port, path: '/s/a', headers }, (response) => {
          response.resume();
          resolve({ status: response.statusCode!, location: response.headers.location });
        }).end(),
      );
    expect(await ask({ host: `127.0.0.1:${port}` })).toMatchObject({ status: 200 });
    expect(await ask({ host: `rebound.example:${port}` })).toMatchObject({ status: 421 });
    expect(await ask({ host: '127.0.0.1:1' })).toMatchObject({ status: 421 });
    expect(await ask({ host: `localhost:${port}` })).toEqual({ status: 307, location: `${address}/s/a` });
    expect(await ask({ host: `127.0.0.1:${port}`, origin: 'http://elsewhere.example' })).toMatchObject({ status: 403 });
    expect(await ask({ host: `127.0.0.1:${port}`, origin: address })).toMatchObject({ status: 200 });
  });

  it('answers a missing file with 404, not with the application', async () => {
    expect((await fetch(`${address}/assets/none.js`)).status).toBe(404);
    expect((await fetch(`${address}/demo-data/none.webm`)).status).toBe(404);
  });
});
