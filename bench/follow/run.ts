import { chromium, type Page } from '@playwright/test';
import path from 'node:path';
import { CHROMIUM, CHROMIUM_ARGS, root } from '../../demo/drive-job';
import { FOLLOWED_FOR_CHOOSING, FOLLOWED_FOR_REPORTING } from '../../demo/followed';
import { serveHarness } from '../../tests/harness/serve';
import { printFigures, type Figure } from '../figure';
import { followBall } from './ball';
import { FOLDER, followBeside, gather } from './beside';

/**
 * Followed points against the generator\u2019s own: a ball through motion blur, and points of an animal and of an
 * implement through their clips, placed again wherever they are asked for. Constants may be chosen on `--choosing`; what
 * is reported is of the other clips.
 */
async function inHarness(
  clips: string,
  follow: (page: Page) => Promise<readonly Figure[]>,
): Promise<readonly Figure[]> {
  const server = await serveHarness(clips);
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
  try {
    const page = await browser.newPage();
    await page.goto(server.address);
    return await follow(page);
  } finally {
    await browser.close();
    server.stop();
  }
}

const beside = process.argv.includes('--choosing') ? FOLLOWED_FOR_CHOOSING : FOLLOWED_FOR_REPORTING;
gather(beside);
printFigures([
  ...(await inHarness(path.join(root, 'demo', 'clips'), followBall)),
  ...(await inHarness(FOLDER, (page) => followBeside(page, beside))),
]);
