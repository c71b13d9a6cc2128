import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';

/** What poppler, which has no part in making it, says of a PDF file. */
export interface PdfFacts {
  readonly bytes: Buffer;
  readonly pages: number;
  readonly tagged: boolean;
  readonly title: string;
  readonly made: string;
  readonly text: string;
  /** Names of fonts that are not in the file as outlines with their letters. */
  readonly looseFonts: readonly string[];
  readonly bookmarks: readonly string[];
  readonly inked: readonly Inked[];
}

/** Where ink lies on a page, as shares of its width and height. */
export interface Inked {
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
}

const run = (program: string, ...args: readonly string[]): string =>
  execFileSync(program, args, { encoding: 'utf8', maxBuffer: 64e6 });

/** Below this a pixel of a page holds ink, 0 to 255. */
const INK = 200;
const DPI = 36;

function inkOf(file: string, page: number): Inked {
  const picture = execFileSync('pdftoppm', ['-r', `${DPI}`, '-gray', '-f', `${page}`, '-l', `${page}`, file], {
    maxBuffer: 64e6,
  });
  // P5, width, height, largest value, then one byte a pixel.
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(picture.toString('latin1', 0, 64))!;
  const [width, height] = [Number(head[1]), Number(head[2])];
  const dark = [...picture.subarray(head[0].length)].flatMap((value, i) => (value < INK ? [i] : []));
  const columns = dark.map((i) => i % width);
  const least = columns.reduce((a, b) => Math.min(a, b), width);
  const most = columns.reduce((a, b) => Math.max(a, b), 0);
  return { left: least / width, right: (most + 1) / width, bottom: Math.floor((dark.at(-1) ?? 0) / width) / height };
}

function factsOf(file: string): PdfFacts {
  const info = run('pdfinfo', '-isodates', file);
  const field = (name: string): string => new RegExp(`^${name}: +(.*)$`, 'm').exec(info)?.[1] ?? '';
  const pages = Number(field('Pages'));
  const fonts = run('pdffonts', file).trim().split('\n').slice(2);
  const outline = /<outline>[^]*<\/outline>/.exec(run('pdftohtml', '-xml', '-i', '-stdout', file))?.[0] ?? '';
  return {
    bytes: readFileSync(file),
    pages,
    tagged: field('Tagged') === 'yes',
    title: field('Title'),
    made: field('CreationDate'),
    text: run('pdftotext', '-layout', file, '-'),
    looseFonts: fonts.filter((line) => /Type 3/.test(line) || !/ yes (yes|no) yes +\d+ +\d+$/.test(line)),
    bookmarks: [...outline.matchAll(/<item[^>]*>([^<]*)<\/item>/g)].map(([, text]) => text!),
    inked: Array.from({ length: pages }, (_, i) => inkOf(file, i + 1)),
  };
}

/** Saves what is on the screen as a PDF file, and reads it. */
export async function savedPdf(page: Page): Promise<PdfFacts> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PDF' }).click(),
  ]);
  return factsOf(await download.path());
}
