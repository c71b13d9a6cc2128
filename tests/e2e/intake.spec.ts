import { expect, test } from '@playwright/test';
import path from 'node:path';
import { addClip, createSession, goToStep } from '../../demo/drive-job';
import { newSession } from '../../src/core/model/session';
import { movementJson } from '../../src/formats/movement-json/movement-json';
import { sessionJson } from '../../src/formats/session-json/session-json';
import { MOVEMENTS } from '../../src/movements';
import { ffmpeg, makeCodedClip } from '../fixtures/coded-clips';
import { codesIn, fixtureClip, seriousFindings, watchErrors } from './pages';

const UNUSABLE: readonly (readonly [file: string, says: RegExp])[] = [
  ['empty.webm', /“empty\.webm” is empty.*Copy it from the camera again/],
  ['text.mp4', /“text\.mp4” is not a video file.*Choose a WebM, MP4, MOV or MKV file/],
  ['truncated.mp4', /“truncated\.mp4” .*incomplete.*Copy it from the camera again/],
  ['sound-only.webm', /“sound-only\.webm” has sound but no picture.*Choose the video/],
  ['unknown-codec.mp4', /“unknown-codec\.mp4” is coded as .*Convert it to H\.264, VP9 or AV1/],
];

test('a file that cannot be used gets a message that names it and says what to do; the clip that was there stays', async ({
  page,
  baseURL,
}) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'Broken files');
  const card = page.getByTestId('intake-athlete');
  await addClip(page, 'athlete', fixtureClip('coded-vp9-120.webm'), { name: 'Sela Orr' });
  for (const [file, says] of UNUSABLE) {
    await card.locator('input[type=file]').setInputFiles(fixtureClip(file));
    await expect(card.getByRole('alert')).toContainText(says);
    await expect(card.getByRole('alert')).toContainText('The clip that was here stays.');
    await expect(card).toContainText('coded-vp9-120.webm. Drop another file to replace it.');
    await card.getByRole('alert').getByRole('button', { name: 'Close' }).click();
  }
  await expect(card.getByRole('combobox', { name: 'Name' })).toHaveValue('Sela Orr');
  expect(errors).toEqual([]);
});

test('what the container says is shown, and consent is asked before a clip is used', async ({ page, baseURL }) => {
  await createSession(page, baseURL!, 'Consent');
  const card = page.getByTestId('intake-reference');
  await card.locator('input[type=file]').setInputFiles(fixtureClip('coded-vp9-120.webm'));
  await expect(card).toContainText('512 × 288, 360 frames, 120 frames per second in the file');
  await card.getByRole('combobox', { name: 'Name' }).fill('Sela Orr');
  await card.getByRole('button', { name: 'Use as reference' }).click();
  await expect(card).toContainText('Without consent the footage must not be analysed');
  await card.getByLabel('Capture rate').fill('240');
  await expect(card).toContainText('Slow motion: the file plays 2.0 times slower than life');
});

test('a dropped file is taken like a chosen one', async ({ page, baseURL }) => {
  await createSession(page, baseURL!, 'Dropped');
  const card = page.getByTestId('intake-athlete');
  const data = await page.evaluateHandle(() => {
    const transfer = new DataTransfer();
    transfer.items.add(new File(['not a video'], 'notes.txt', { type: 'text/plain' }));
    return transfer;
  });
  await card.locator('.drop').dispatchEvent('drop', { dataTransfer: data });
  await expect(card.getByRole('alert')).toContainText('“notes.txt” is not a video file');
});

for (const [codec, file] of [
  ['hevc', 'phone-hevc.mov'],
  ['mjpeg', 'camera-mjpeg.avi'],
] as const) {
  test(`${file} comes in through the converter with every frame and its time`, async ({ page, baseURL }) => {
    const clip = makeCodedClip(path.join(import.meta.dirname, '..', '..', 'test-results', 'coded'), {
      file,
      codec,
      rate: 60,
      frames: 90,
      group: 60,
      size: '512x288',
    });
    await createSession(page, baseURL!, 'Converted');
    const card = page.getByTestId('intake-athlete');
    await card.locator('input[type=file]').setInputFiles(clip);
    await card.getByRole('button', { name: 'Convert it on this machine' }).click();
    await expect(card).toContainText(
      `${file.replace(/\..*/, '.mp4')}: 512 × 288, 90 frames, 60 frames per second in the file, 1.50 s`,
    );
    await card.getByRole('combobox', { name: 'Name' }).fill('Sela Orr');
    await card.getByLabel('Consent to film and analyse is given').check();
    await card.getByRole('button', { name: 'Use as athlete' }).click();
    await goToStep(page, 'Match');
    await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
    for (const by of ['Control+ArrowRight', 'Control+ArrowRight', 'ArrowRight']) await page.keyboard.press(by);
    await expect.poll(async () => (await codesIn(page, ['athlete']))[0]).toBe(21);
    // A work copy has the same frames.
    await page.getByRole('button', { name: 'Make a work copy that jumps quicker' }).click();
    await expect(page.getByText('A work copy in short groups is shown here')).toBeVisible();
    await page.getByTestId('current-moment').click();
    await page.keyboard.press('ArrowLeft');
    await expect.poll(async () => (await codesIn(page, ['athlete']))[0]).toBe(20);
  });
}

test('a phone that says how fast it filmed is asked no more', async ({ page, baseURL }) => {
  const folder = path.join(import.meta.dirname, '..', '..', 'test-results', 'coded');
  const slow = path.join(folder, 'slow-motion.mp4');
  ffmpeg([
    '-i',
    makeCodedClip(folder, { file: 'slow-source.mp4', codec: 'h264', rate: 30, frames: 60, group: 30, size: '512x288' }),
    '-c',
    'copy',
    '-movflags',
    'use_metadata_tags',
    '-metadata',
    'com.android.capture.fps=240',
    slow,
  ]);
  await createSession(page, baseURL!, 'Slow motion');
  const card = page.getByTestId('intake-athlete');
  await card.locator('input[type=file]').setInputFiles(slow);
  await expect(card.getByLabel('Capture rate')).toHaveValue('240');
  await expect(card).toContainText('Slow motion: the file plays 8.0 times slower than life');
});

for (const [name, coding] of [
  ['camcorder.ts', ['-c:v', 'mpeg2video']],
  ['old.ogv', ['-c:v', 'libtheora']],
] as const)
  test(`${name}, whose picture nothing here can read, is offered a conversion that brings it in`, async ({
    page,
    baseURL,
  }, info) => {
    const file = info.outputPath(name);
    ffmpeg(['-f', 'lavfi', '-i', 'testsrc2=size=320x240:rate=25:duration=1', ...coding, file]);
    await createSession(page, baseURL!, 'Old');
    const card = page.getByTestId('intake-athlete');
    await card.locator('input[type=file]').setInputFiles(file);
    await card.getByRole('button', { name: 'Convert it on this machine' }).click();
    await expect(card).toContainText('320 × 240, 25 frames, 25 frames per second in the file');
  });

test('a conversion goes on while one works elsewhere, and arrives', async ({ page, baseURL }) => {
  await createSession(page, baseURL!, 'Elsewhere');
  const card = page.getByTestId('intake-athlete');
  await card.locator('input[type=file]').setInputFiles(fixtureClip('unknown-codec.mp4'));
  await card.getByRole('button', { name: 'Convert it on this machine' }).click();
  // It says so for some seconds only: somebody looks from here on, however long the report takes to draw.
  const said = expect(page.getByText('“unknown-codec.mp4” is converted and waits at Intake.')).toBeVisible();
  await goToStep(page, 'Report');
  await said;
  await goToStep(page, 'Intake');
  await expect(card.getByRole('button', { name: 'Use as athlete' })).toBeVisible();
  await expect(card).toContainText('10 frames');
});

test('a clip that the browser cannot decode is converted on request, with every frame', async ({ page, baseURL }) => {
  await createSession(page, baseURL!, 'Converted');
  const card = page.getByTestId('intake-athlete');
  await card.locator('input[type=file]').setInputFiles(fixtureClip('unknown-codec.mp4'));
  await card.getByRole('button', { name: 'Convert it on this machine' }).click();
  await expect(card).toContainText('unknown-codec.mp4: 512 × 288, 10 frames, 30 frames per second in the file');
  await expect(card.getByRole('alert')).toHaveCount(0);
});

for (const rotation of [90, 180, 270] as const)
  test(`a work copy of a clip that is turned by ${rotation} degrees stands as the original does`, async ({
    page,
    baseURL,
  }) => {
    const clip = makeCodedClip(path.join(import.meta.dirname, '..', '..', 'test-results', 'coded'), {
      ...{ file: `turned-${rotation}.mp4`, codec: 'h264', rate: 30, frames: 30, group: 30, size: '512x288', rotation },
    });
    await createSession(page, baseURL!, 'Turned');
    await addClip(page, 'athlete', clip, { name: 'Sela Orr' });
    await goToStep(page, 'Match');
    await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
    await page.keyboard.press('Control+ArrowRight');
    await expect.poll(async () => (await codesIn(page, ['athlete']))[0]).toBe(10);
    await page.getByRole('button', { name: 'Make a work copy that jumps quicker' }).click();
    await expect(page.getByText('A work copy in short groups is shown here')).toBeVisible();
    await page.keyboard.press('ArrowRight');
    await expect.poll(async () => (await codesIn(page, ['athlete']))[0]).toBe(11);
  });

test('the camera’s place is set on a dial or in the fields, which say the same; what can be read from it is said', async ({
  page,
  baseURL,
}) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'Dial');
  const card = page.getByTestId('intake-athlete');
  await card.locator('input[type=file]').setInputFiles(fixtureClip('coded-vp9-120.webm'));
  const dial = card.getByRole('slider', { name: 'Camera’s place round the performer' });
  const off = card.getByLabel('Camera off the plane, degrees');
  await expect(card.getByText('Camera from the side; how square, nobody has said (±14°).')).toBeVisible();
  await expect(card.getByText(/^25 of 28 measures can be read from here\./)).toBeVisible();
  // To the performer’s right, a step further round is a degree towards the back.
  await dial.press('ArrowRight');
  await expect(off).toHaveValue('-1');
  await off.fill('40');
  await expect(dial).toHaveAttribute('aria-valuenow', '50');
  await expect(card.getByText(/^3 of 28 measures can be read from here\. From the side 22 more\./)).toBeVisible();
  const box = (await dial.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x + 80, y);
  await page.mouse.down();
  await page.mouse.move(x - 80, y, { steps: 4 });
  await page.mouse.up();
  await expect(off).toHaveValue('0');
  await expect(card.getByRole('combobox', { name: 'Moves in the picture' })).toHaveText('To the left');
  await card.getByRole('combobox', { name: 'Camera view' }).click();
  await page.getByRole('option', { name: 'From above' }).click();
  await expect(card.getByText(/^Camera square from above\./)).toBeVisible();
  // A list that is still fading has no contrast.
  await expect(page.locator('.MuiPopover-root')).toHaveCount(0);
  expect(await seriousFindings(page, 'dial')).toEqual([]);
  expect(errors).toEqual([]);
});

test('a saved session or a movement dropped on a clip’s place is told from a clip, and goes where it belongs', async ({
  page,
  baseURL,
}) => {
  const errors = watchErrors(page);
  await createSession(page, baseURL!, 'Dropped');
  const card = page.getByTestId('intake-athlete');
  const give = (name: string, text: string): Promise<void> =>
    card.locator('input[type=file]').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
  const movement = { ...MOVEMENTS[0]!, id: 'own-stride', name: 'Own stride' };
  await give('mine.json', movementJson.write(movement));
  await expect(card.getByRole('alert')).toContainText('“mine.json” is a movement, no clip.');
  await card.getByRole('button', { name: 'Measure this session by it' }).click();
  await expect(page.getByText(/measured by “Own stride”: \d+ moments/)).toBeVisible();
  await expect(card.getByRole('alert')).toBeHidden();

  await give('saved.json', sessionJson.write(newSession('other', 'Last winter', 'race-walking', '2026-03-02')));
  await expect(card.getByRole('alert')).toContainText('“saved.json” is a saved session, no clip.');
  await card.getByRole('button', { name: 'Open it' }).click();
  await expect(page).toHaveURL(/\/s\/other\/measure/);
  await expect(page.getByText('Last winter')).toBeVisible();

  // The start page tells them apart by what they hold, too.
  await page.goto(baseURL!);
  const drop = (name: string, text: string): Promise<void> =>
    page.getByRole('main').evaluate(
      (main, [fileName, content]) => {
        const dataTransfer = new DataTransfer();
        dataTransfer.items.add(new File([content], fileName));
        main.dispatchEvent(new DragEvent('drop', { dataTransfer, bubbles: true, cancelable: true }));
      },
      [name, text] as const,
    );
  await drop('mine.json', movementJson.write(movement));
  await expect(page.getByText(/“mine\.json” is a movement\. Create a session/)).toBeVisible();
  await drop('notes.json', '{"a": 1}');
  await expect(page.getByText(/“notes\.json” is not a session file/)).toBeVisible();
  expect(errors).toEqual([]);
});

for (const [from, to, says] of [
  [25, 50, 'Of every two frames of the file one shows the picture before again'],
  [24, 30, 'Of every five frames of the file one shows the picture before again'],
] as const)
  test(`${from} pictures a second in a file of ${to}: each is taken once, and is where it was filmed`, async ({
    page,
    baseURL,
  }, info) => {
    const made = { file: 'once.mp4', codec: 'h264', rate: from, frames: 60, group: 12, size: '512x288' } as const;
    const file = info.outputPath('twice.mp4');
    ffmpeg(['-i', makeCodedClip(info.outputPath(), made), '-vf', `fps=${to}`, '-c:v', 'libx264', file]);
    await createSession(page, baseURL!, 'Repeated');
    const card = page.getByTestId('intake-athlete');
    await card.locator('input[type=file]').setInputFiles(file);
    const once = card.getByText(`${says}. Each picture is taken once: 60 at ${from} a second.`);
    await expect(once).toBeVisible();
    await expect(card.getByLabel('Capture rate, frames per second')).toHaveValue(String(from));
    await card.getByRole('button', { name: 'Take every frame' }).click();
    await expect(card).toContainText(new RegExp(`${(60 * to) / from} frames, ${to} frames per second in the file`));
    await expect(card.getByLabel('Capture rate, frames per second')).toHaveValue(String(to));
    await card.locator('input[type=file]').setInputFiles(file);
    await expect(once).toBeVisible();
    await card.getByRole('combobox', { name: 'Name' }).fill('Sela Orr');
    await card.getByLabel('Consent to film and analyse is given').check();
    await card.getByRole('button', { name: 'Use as athlete' }).click();
    await goToStep(page, 'Match');
    await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
    for (const [by, code] of [
      ['ArrowRight', 1],
      ['ArrowRight', 2],
      ['Control+ArrowRight', 12],
      ['Control+ArrowRight', 22],
    ] as const) {
      await page.keyboard.press(by);
      await expect.poll(async () => (await codesIn(page, ['athlete']))[0]).toBe(code);
    }
    await expect(page.getByText(`frame 23 of 60, ${Math.round(22_000 / from)} ms at ${from}/s`)).toBeVisible();
    await page.reload();
    await expect(page.getByTestId('panes')).toHaveAttribute('aria-busy', 'false');
    await expect(page.getByText(/frame \d+ of 60,/)).toBeVisible();
  });
