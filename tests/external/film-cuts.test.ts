import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { CameraTracker } from '../../src/core/calibration/camera-motion';
import { ShotFinder } from '../../src/core/calibration/shot-finder';
import { grayPictures } from '../fixtures/moving-clip';

/** Films that ffmpeg cut together of the demo's shots, the frame of each cut known; and shots without any. */
const clip = (name: string): string => path.join(import.meta.dirname, '..', '..', 'demo', 'clips', `${name}.webm`);
const RATE = 15;
type Pictures = ReturnType<typeof grayPictures>;

let folder = '';
beforeAll(() => (folder = mkdtempSync(path.join(tmpdir(), 'cuts-'))));
afterAll(() => rmSync(folder, { recursive: true }));

const picturesOf = (file: string, rate: number): Pictures => grayPictures(file, `fps=${rate}`, [320, 180]);

function cutsIn(pictures: Pictures): readonly number[] {
  const tracker = new CameraTracker();
  pictures.forEach((picture, i) => tracker.observe(i, picture, []));
  return tracker.path().cuts;
}

/** By the pictures alone, whatever the camera does. */
function shotsIn(pictures: Pictures): readonly number[] {
  const finder = new ShotFinder();
  pictures.forEach((picture, i) => finder.observe(i, picture));
  return finder.cuts();
}

/** So many pictures of each clip, one after the other. */
function sync(parts: readonly (readonly [name: string, pictures: number])[]): string {
  const file = path.join(folder, `${parts.map(([name]) => name).join('+')}.mkv`);
  const inputs = parts.flatMap(([name, pictures]) => ['-t', String((pictures + 1) / RATE), '-i', clip(name)]);
  const shots = parts.map(
    ([, pictures], i) => `[${i}:v]fps=${RATE},trim=end_frame=${pictures},scale=640:360,setsar=1[s${i}]`,
  );
  const filter = `${shots.join(';')};${parts.map((_, i) => `[s${i}]`).join('')}concat=n=${parts.length}[out]`;
  execFileSync('ffmpeg', [
    '-y',
    '-v',
    'error',
    ...inputs,
    '-filter_complex',
    filter,
    '-map',
    '[out]',
    '-c:v',
    'libx264',
    '-crf',
    '20',
    file,
  ]);
  return file;
}

it.each([
  [
    [
      ['pace-side-athlete', 14],
      ['pace-front-athlete', 14],
    ],
    [14],
  ],
  [
    [
      ['pace-side-athlete', 10],
      ['pace-overhead-athlete', 12],
      ['pace-side-athlete', 10],
    ],
    [10, 22],
  ],
  [
    [
      ['walk-side-athlete', 12],
      ['hurdle-side-reference', 10],
    ],
    [12],
  ],
  [
    [
      ['walk-side-athlete-pans', 12],
      ['walk-side-reference', 12],
    ],
    [12],
  ],
] as const)('%j is cut before %j', (parts, cuts) => {
  const pictures = picturesOf(sync(parts), RATE);
  expect([cutsIn(pictures), shotsIn(pictures)]).toEqual([cuts, cuts]);
});

it.each([
  'pace-side-reference',
  'pace-overhead-athlete',
  'pace-front-reference',
  'walk-crossing',
  'hurdle-oblique-athlete',
  'pace-side-athlete-pans',
  'walk-side-athlete-pans',
  'hurdle-side-athlete-zooms',
  'walk-side-reference-hand-held',
])('%s has no cut', (name) => {
  const pictures = picturesOf(clip(name), 2 * RATE);
  expect([cutsIn(pictures.filter((_, i) => i % 2 === 0)), shotsIn(pictures)]).toEqual([[], []]);
});

it('every cut of a film of twelve shots is found at its picture, however short the shots are', () => {
  const names = ['pace-side-athlete', 'walk-side-reference', 'pace-front-athlete', 'hurdle-side-reference'];
  const film = Array.from({ length: 12 }, (_, k): [string, number] => [names[k % names.length]!, 4 + ((7 * k) % 9)]);
  const ends = film.map((_, k) => film.slice(0, k + 1).reduce((sum, [, pictures]) => sum + pictures, 0));
  expect(shotsIn(picturesOf(sync(film), RATE))).toEqual(ends.slice(0, -1));
});

it('a flash is no cut, nor is what lies beside it', () => {
  const file = path.join(folder, 'flash.mkv');
  const filter = `fps=${RATE},trim=end_frame=14,scale=640:360,eq=brightness=0.9:contrast=0.05:enable='between(n,5,6)'`;
  execFileSync('ffmpeg', ['-y', '-v', 'error', '-i', clip('pace-side-athlete'), '-vf', filter, file]);
  expect(shotsIn(picturesOf(file, RATE))).toEqual([]);
});

it('a whip of the camera is no cut', () => {
  const file = path.join(folder, 'whip.mkv');
  // A window that goes a third of its width from picture to picture.
  const filter = `fps=${RATE},trim=end_frame=8,crop=iw*0.4:ih:iw*0.08*n:0,scale=640:360`;
  execFileSync('ffmpeg', ['-y', '-v', 'error', '-i', clip('pace-side-athlete'), '-vf', filter, file]);
  expect(cutsIn(picturesOf(file, RATE))).toEqual([]);
});
