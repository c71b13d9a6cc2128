import { expect, test } from '@playwright/test';
import { ALL_FORMATS, FilePathSource, Input } from 'mediabunny';
import { addClip, createSession, goToStep } from '../../demo/drive-job';
import { fixtureClip, watchErrors } from './pages';

test('without a microphone pictures are recorded all the same, and that is said', async ({ page, baseURL }, info) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'Shown without a word');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'Sela Orr' });
  await goToStep(page, 'Review');
  await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
  await page.keyboard.press('r');
  await expect(page.getByText(/[Mm]icrophone.* It is recorded without sound/)).toBeVisible();
  for (let frame = 2; frame < 6; frame++) {
    await page.keyboard.press('ArrowRight');
    await expect(page.getByTestId('frame-athlete')).toContainText(`frame ${frame}`);
  }
  await page.keyboard.press('r');
  const film = page.waitForEvent('download', (one) => one.suggestedFilename().endsWith('.webm'));
  await page.getByRole('button', { name: /^Make the video/ }).click();
  const file = info.outputPath('film.webm');
  await (await film).saveAs(file);
  const input = new Input({ source: new FilePathSource(file), formats: ALL_FORMATS });
  expect(await input.getPrimaryAudioTrack()).toBeNull();
  expect((await input.getPrimaryVideoTrack())?.displayWidth).toBe(1280);
  expect(errors).toEqual([]);
});
