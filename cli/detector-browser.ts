import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, symlinkSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium, type Browser } from '@playwright/test';
import { build } from 'vite';
import type { DetectorSetting } from '../src/core/model/kept-detections';
import { fail, type Issue, type Result } from '../src/core/result';
import { createApp } from '../server/app';
import { CHROMIUM, CHROMIUM_ARGS } from '../server/chromium';
import type { Detector, FoundPoints } from './detector-page/page';
import { EXIT, Stop } from './stop';
import { TEXT } from '../src/text/cli';

declare const detector: Detector;

const ROOT = path.join(import.meta.dirname, '..');

/** The detectors in a browser without a window, one page for each clip that is looked at at the same time. */
export class DetectorBrowser {
  private constructor(
    private readonly browser: Browser,
    private readonly address: string,
    private readonly stop: () => void,
  ) {}

  static async open(): Promise<DetectorBrowser> {
    if (!existsSync(CHROMIUM)) throw new Stop(EXIT.usage, TEXT.thereIsNoChromium(CHROMIUM));
    if (!existsSync(path.join(ROOT, 'public', 'models')))
      spawnSync(process.execPath, ['--import', 'tsx', 'scripts/prepare-models.ts'], { cwd: ROOT, stdio: 'ignore' });
    const dist = mkdtempSync(path.join(tmpdir(), 'falcon-detector-'));
    await build({
      configFile: false,
      root: path.join(import.meta.dirname, 'detector-page'),
      publicDir: false,
      worker: { format: 'es' },
      build: { outDir: dist, emptyOutDir: true, target: 'es2023' },
      logLevel: 'error',
    });
    for (const folder of ['models', 'wasm']) symlinkSync(path.join(ROOT, 'public', folder), path.join(dist, folder));
    const server = createApp({ dist, demo: dist }).listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
    return new DetectorBrowser(browser, address, () => {
      server.close();
      rmSync(dist, { recursive: true, force: true });
    });
  }

  /**
   * Detects the points of a clip, in a page of its own: a clip that ends its page ends no other.
   * @param rate frames per second as the camera took them; null as the file says
   * @param workers frames looked at in parallel
   */
  async find(
    file: string,
    setting: DetectorSetting,
    rate: number | null,
    workers: number,
  ): Promise<Result<FoundPoints, Issue>> {
    const page = await this.browser.newPage();
    try {
      await page.goto(this.address);
      await page.setInputFiles('#clip', file);
      return await page.evaluate(([s, r, w]) => detector.find(s, r, w), [setting, rate, workers] as const);
    } catch (error) {
      const detail = error instanceof Error ? error.message.split('\n')[0]! : String(error);
      return fail('browser-stopped', TEXT.browserStoppedRunSameCommand(file, detail));
    } finally {
      await page.close().catch(() => undefined);
    }
  }

  async close(): Promise<void> {
    await this.browser.close();
    this.stop();
  }
}
