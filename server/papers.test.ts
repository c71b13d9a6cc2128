import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { createApp } from './app';
import { datedPdf } from './dated-pdf';
import { Papers } from './papers';

describe('the day of a PDF', () => {
  it('is the stated one, and no byte moves', () => {
    const before = Buffer.from(
      "<</Creator (x)\n/CreationDate (D:20261129100606+00'00')\n/ModDate (D:20261129100607Z)>>\xff",
      'latin1',
    );
    const after = datedPdf(before, '2026-03-02');
    expect(after.toString('latin1')).toBe(
      "<</Creator (x)\n/CreationDate (D:20260302120000+00'00')\n/ModDate (D:20260302120000Z)>>\xff",
    );
    expect(after).toHaveLength(before.length);
  });
});

describe('the service that makes PDF files', () => {
  const servers: Server[] = [];
  const startWith = async (papers: Papers): Promise<string> => {
    const server = createServer(createApp({ dist: '.', demo: '.', papers }));
    servers.push(server);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    return `http://127.0.0.1:${(server.address() as AddressInfo).port}/papers`;
  };
  const post = (
    address: string,
    body = '<p>x',
    headers: Record<string, string> = { 'Content-Type': 'text/html' },
  ): Promise<Response> => fetch(address, { method: 'POST', body, headers });
  const said = async (response: Response): Promise<string> => ((await response.json()) as { message: string }).message;
  afterAll(() => servers.forEach((server) => server.close()));

  it('says what to do where there is no Chromium', async () => {
    const response = await post(`${await startWith(new Papers(undefined, '/no/such/program'))}?on=2026-03-02`);
    expect(response.status).toBe(501);
    expect(await said(response)).toContain('apt install chromium');
  });

  it('refuses what is no document, no day, too large, or asked by another site', async () => {
    const limits = { bytes: 1000, time: 1000, atOnce: 0 };
    const address = await startWith(new Papers(limits, process.execPath));
    const on = `${address}?on=2026-03-02`;
    const other = await post(on, 'x', { 'Content-Type': 'text/plain' });
    expect([other.status, await said(other)]).toEqual([415, '“text/plain” is not an HTML document.']);
    const noDay = await post(`${address}?on=yesterday`);
    expect([noDay.status, await said(noDay)]).toEqual([400, '“yesterday” is not a day; give one as in 2026-03-14.']);
    const large = await post(on, 'x'.repeat(2000));
    expect([large.status, await said(large)]).toEqual([413, expect.stringContaining('Leave its pictures out')]);
    const foreign = await post(on, '<p>x', { 'Content-Type': 'text/html', 'Sec-Fetch-Site': 'cross-site' });
    expect([foreign.status, await said(foreign)]).toEqual([403, 'Only the application itself may make papers.']);
    const busy = await post(on);
    expect([busy.status, await said(busy)]).toEqual([429, expect.stringContaining('Wait for one to end')]);
  });
});
