import { expect, test } from '@playwright/test';
import { addClip, clipFile, createSession, detectAllPoints, goToStep } from '../../demo/drive-job';
import { watchErrors } from './pages';
import { checkToReport } from './to-report';

/**
 * The whole way on a hurdle clearance, from its files, at the fast setting. The pace delivery (`main-job.spec.ts`) and
 * the race walking stride (`few-acts.spec.ts`) have tests of their own.
 */
test('hurdle clearance: files in, points detected with moments proposed, compared, decided, reported', async ({
  page,
  baseURL,
}) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'Hurdles', 'Athletics: Hurdle clearance');
  await addClip(page, 'athlete', clipFile('hurdle-side-athlete'), { name: 'Athlete', travel: 'right' });
  await addClip(page, 'reference', clipFile('hurdle-side-reference'), { name: 'Reference', travel: 'right' });
  await goToStep(page, 'Review');
  await page.getByLabel('First impressions').fill('Looks tidy at full speed.');
  await detectAllPoints(page, 'Fast');
  await goToStep(page, 'Moments');
  // They were proposed as the points came.
  await expect(page.getByRole('button', { name: 'Propose moments of the athlete' })).toBeDisabled();
  await checkToReport(page, { moments: 5, planted: 'trunk-over-hurdle' });
  await expect(page.getByTestId('report')).toContainText('Looks tidy at full speed.');
  expect(errors).toEqual([]);
});
