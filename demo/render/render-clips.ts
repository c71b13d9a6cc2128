import { mkdir, writeFile } from 'node:fs/promises';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { build } from 'esbuild';
import { CHROMIUM } from '../../server/chromium';
import { clipNamed } from '../named';
import { RENDERED_CLIPS } from '../scenario';
import { truthOf } from '../truth';

/**
 * Renders the demo clips and writes their truth: `npm run demo:render [-- --only ID,ID] [--into FOLDER] [--still FRAME
 * --out FILE.png]`.
 */
const option = (name: string): string | undefined => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : process.argv[at + 1];
};

const folder = path.resolve(option('into') ?? path.join(import.meta.dirname, '..', 'clips'));

async function withPage<T>(use: (page: Page) => Promise<T>): Promise<T> {
  const bundle = await build({
    entryPoints: [path.join(import.meta.dirname, 'page.ts')],
    bundle: true,
    write: false,
    format: 'iife',
    target: 'es2022',
  });
  const server = createServer((request, response) => {
    if (request.url === '/page.js')
      response.setHeader('content-type', 'text/javascript').end(bundle.outputFiles[0]!.text);
    else response.setHeader('content-type', 'text/html').end('<!doctype html><script src="/page.js"></script>');
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [
      '--no-sandbox',
      '--use-gl=angle',
      '--use-angle=swiftshader',
      '--enable-unsafe-swiftshader',
      '--disable-background-networking',
    ],
  });
  try {
    const page = await browser.newPage();
    page.on('pageerror', (error) => console.error(error));
    await page.goto(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
    return await use(page);
  } finally {
    await browser.close();
    server.close();
  }
}

const only = option('only')?.split(',');
const chosen = only ? only.flatMap((id) => clipNamed(id) ?? []) : RENDERED_CLIPS;
if (chosen.length === 0)
  throw new Error(
    `no demo clip is called "${option('only')}"; choose from ${RENDERED_CLIPS.map((c) => c.id).join(', ')}`,
  );

await mkdir(folder, { recursive: true });
const stillAt = option('still');
if (stillAt !== undefined) {
  await withPage(async (page) => {
    for (const frame of stillAt.split(',')) {
      const url = await page.evaluate(
        ([id, f]) => (window as unknown as { still: (id: string, f: number) => string }).still(id!, Number(f)),
        [chosen[0]!.id, frame] as const,
      );
      await writeFile(`${option('out') ?? 'still'}-${frame}.png`, Buffer.from(url.split(',')[1]!, 'base64'));
    }
  });
} else {
  // Two at a time: each keeps a core busy.
  const waiting = [...chosen];
  const film = async (): Promise<void> => {
    for (let clip = waiting.shift(); clip; clip = waiting.shift()) {
      const { id } = clip;
      await withPage(async (page) => {
        await page.exposeFunction('reportFrame', (done: number, all: number) => {
          if (done % 40 === 0 || done === all) console.log(`${id}: ${done} of ${all} frames`);
        });
        const bytes = await page.evaluate(
          async (which) =>
            (window as unknown as { film: (id: string, n: number, f: unknown) => Promise<string> }).film(
              which,
              3,
              (window as unknown as { reportFrame: unknown }).reportFrame,
            ),
          id,
        );
        await writeFile(path.join(folder, `${id}.webm`), Buffer.from(bytes, 'base64'));
      });
    }
  };
  await Promise.all([film(), film()]);
  for (const clip of chosen.flatMap((c) => [c, ...(c.passer ? [c.passer] : [])]))
    await writeFile(path.join(folder, `${clip.id}.truth.json`), JSON.stringify(truthOf(clip)));
}
