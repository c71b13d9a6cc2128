import { chromium, type Page } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS, startServer } from '../../demo/drive-job';
import { printFigures, round, type Figure } from '../figure';

/** Stepping both demo clips in the application against two video elements that seek to the middle of the same frames. */
const STEPS = 40;

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** Milliseconds from a key press until both panes show the next frame. */
const stepInApplication = (page: Page, key: 'ArrowRight' | 'ArrowLeft'): Promise<number[]> =>
  page.evaluate(
    async ({ key: pressed, steps }) => {
      const label = document.querySelector('[data-testid=frame-athlete]')!;
      const times: number[] = [];
      for (let i = 0; i < steps; i++) {
        const started = performance.now();
        const changed = new Promise<void>((resolve) => {
          const observer = new MutationObserver(() => {
            observer.disconnect();
            resolve();
          });
          observer.observe(label, { characterData: true, childList: true, subtree: true });
        });
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: pressed, code: pressed, bubbles: true }));
        document.body.dispatchEvent(new KeyboardEvent('keyup', { key: pressed, code: pressed, bubbles: true }));
        await changed;
        times.push(performance.now() - started);
      }
      return times;
    },
    { key, steps: STEPS },
  );

/** Milliseconds until two video elements have both presented the frame sought. */
const stepInElements = (page: Page, direction: 1 | -1): Promise<number[]> =>
  page.evaluate(
    async ({ by, steps }) => {
      const videos = ['athlete', 'reference'].map((role) => Object.assign(document.createElement('video'), { src: `/demo-data/pace-side-${role}.webm`, muted: true, preload: 'auto' }));
      document.body.append(...videos);
      const seek = (video: HTMLVideoElement, frame: number): Promise<void> =>
        new Promise((resolve) => {
          video.requestVideoFrameCallback(() => resolve());
          video.currentTime = (frame + 0.5) / 120;
        });
      await Promise.all(videos.map((video) => new Promise((resolve) => video.addEventListener('canplay', resolve, { once: true }))));
      await Promise.all(videos.map((video) => seek(video, 96)));
      const times: number[] = [];
      for (let i = 1; i <= steps; i++) {
        const started = performance.now();
        await Promise.all(videos.map((video) => seek(video, 96 + by * i)));
        times.push(performance.now() - started);
      }
      videos.forEach((video) => video.remove());
      return times;
    },
    { by: direction, steps: STEPS },
  );

const server = await startServer();
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const figures: Figure[] = [];
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${server.address}/demo`);
  await page.getByTestId('frame-athlete').getByText('frame 97').waitFor();
  for (const [name, key, direction] of [['forward', 'ArrowRight', 1], ['back', 'ArrowLeft', -1]] as const) {
    const own = median(await stepInApplication(page, key));
    const elements = median(await stepInElements(page, direction));
    figures.push({
      bench: 'frames',
      figure: `one step ${name} of both clips, time against two video elements`,
      value: round(own / elements),
      unit: 'ratio',
      against: `two video elements in the same page, ${elements.toFixed(0)} ms here; ${own.toFixed(0)} ms in the application with its lines and readings`,
      goal: 'at most 0.5',
      holds: own / elements <= 0.5,
    });
  }
} finally {
  await browser.close();
  server.stop();
}
printFigures(figures);
