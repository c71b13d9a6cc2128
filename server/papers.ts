import { existsSync } from 'node:fs';
import { chromium, type Browser } from 'playwright-core';
import { CHROMIUM, CHROMIUM_ARGS } from './chromium';
import { datedPdf } from './dated-pdf';

export interface PaperLimits {
  /** Largest document, bytes. */
  readonly bytes: number;
  /** Longest time for one, milliseconds. */
  readonly time: number;
  readonly atOnce: number;
}

export const DEFAULT_PAPER_LIMITS: PaperLimits = { bytes: 100e6, time: 60_000, atOnce: 2 };

/** So many are being made already. */
export class PapersBusy extends Error {}

/** The sandbox needs a user of its own; for root Chromium starts without it only. */
const HAS_SANDBOX = process.getuid?.() !== 0;
const ARGS = [
  ...CHROMIUM_ARGS.filter((arg) => !HAS_SANDBOX || arg !== '--no-sandbox'),
  // A file names the program that made it by this.
  '--user-agent=Proud Falcon',
];

/**
 * Makes PDF files of documents that the application puts together: the same engine that shows a page prints it, with
 * its text tagged, its headings as bookmarks and its fonts embedded. No script of a document runs, and nothing that it
 * names is fetched.
 */
export class Papers {
  private running = 0;

  constructor(
    readonly limits: PaperLimits = DEFAULT_PAPER_LIMITS,
    private readonly executable: string = CHROMIUM,
  ) {}

  available(): boolean {
    return existsSync(this.executable);
  }

  /**
   * @param html a document with all its styles, fonts and pictures in it
   * @param on the day that the file states it was made, `YYYY-MM-DD`: the same document on the same day is the same
   *   bytes
   * @throws PapersBusy; an error where the document could not be printed in time, or the signal was aborted
   */
  async print(html: string, on: string, signal: AbortSignal): Promise<Buffer> {
    if (this.running >= this.limits.atOnce) throw new PapersBusy();
    this.running++;
    let browser: Browser | null = null;
    const end = (): void => void browser?.close();
    try {
      browser = await chromium.launch({
        executablePath: this.executable,
        args: ARGS,
        chromiumSandbox: HAS_SANDBOX,
        timeout: this.limits.time,
      });
      signal.addEventListener('abort', end);
      signal.throwIfAborted();
      const context = await browser.newContext({ javaScriptEnabled: false, offline: true });
      const page = await context.newPage();
      page.setDefaultTimeout(this.limits.time);
      await page.route(/^(?!data:)/, (route) => route.abort());
      await page.setContent(html, { waitUntil: 'load' });
      await page.evaluate('document.fonts.ready.then(() => true)');
      const pdf = await page.pdf({ preferCSSPageSize: true, printBackground: true, tagged: true, outline: true });
      return datedPdf(pdf, on);
    } finally {
      signal.removeEventListener('abort', end);
      await browser?.close();
      this.running--;
    }
  }
}
