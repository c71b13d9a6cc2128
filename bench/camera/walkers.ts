import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { CameraTracker } from '../../src/core/calibration/camera-motion';
import { cameraState } from '../../src/core/calibration/camera-state';
import { betweenStands } from '../../src/core/calibration/turning-camera';
import type { CameraPath } from '../../src/core/model/clip';
import { estimatedStand, grayPictures } from '../../tests/fixtures/moving-clip';
import { round, type Figure } from '../figure';

/**
 * People who walk over a square, filmed by a fixed camera (`vtest.avi` of Debian's opencv-doc, 768 x 576, 10 frames a
 * second), and the same through a window that moves over the picture along a known path.
 */
const CLIP = 'usr/share/doc/opencv-doc/examples/data/vtest.avi';
const WHOLE = { width: 768, height: 576 };
const WINDOW = { width: 480, height: 360 };
const RATE = 10;
const SECONDS = 10;
const STARTS = [0, 20, 40, 60];
/** Width of the pictures that are looked at, pixels. */
const LOOKED_AT = 320;
/** Left and upper edge of the window: middle and swing, pixels, and seconds to and fro. */
const PATH = { x: [144, 130, 8], y: [108, 50, 5] } as const;
/** The same in the words of ffmpeg's `crop`, which takes whole pixels. */
const inWords = ([middle, swing, period]: (typeof PATH)['x' | 'y']): string =>
  `${middle}+${swing}*sin(2*PI*t/${period})`;
const edgeAt = ([middle, swing, period]: (typeof PATH)['x' | 'y'], t: number): number =>
  Math.floor(middle + swing * Math.sin((2 * Math.PI * t) / period));
const windowAt = (t: number): { readonly x: number; readonly y: number } => ({
  x: edgeAt(PATH.x, t),
  y: edgeAt(PATH.y, t),
});

/** The clip where Debian puts it, or out of the package, which is unpacked beside the project; null without either. */
function clipOfWalkers(): string | null {
  if (existsSync(`/${CLIP}`)) return `/${CLIP}`;
  const folder = path.join(import.meta.dirname, '..', '..', '.tmp', 'opencv-doc');
  const unpacked = path.join(folder, CLIP);
  if (existsSync(unpacked)) return unpacked;
  try {
    mkdirSync(folder, { recursive: true });
    execFileSync('apt-get', ['download', '-qq', 'opencv-doc'], { cwd: folder, stdio: 'ignore' });
    const [file] = readdirSync(folder).filter((name) => name.endsWith('.deb'));
    execFileSync('dpkg', ['-x', file!, '.'], { cwd: folder });
  } catch {
    return null;
  }
  return existsSync(unpacked) ? unpacked : null;
}

function cameraOf(file: string, start: number, filter: string, { width, height }: typeof WHOLE): CameraPath {
  const tracker = new CameraTracker();
  grayPictures(file, `trim=${start}:${start + SECONDS},setpts=PTS-STARTPTS,${filter}`, [
    LOOKED_AT,
    Math.round((LOOKED_AT * height) / width),
  ]).forEach((picture, i) => tracker.observe(i, picture, []));
  return tracker.path();
}

/** How far the middle of the first picture is told from where it is, shares of the width, for every frame. */
function offPath({ turned }: CameraPath): readonly number[] {
  const first = windowAt(0);
  return Array.from({ length: SECONDS * RATE }, (_, i) => {
    const told = betweenStands(estimatedStand(turned!, 0), estimatedStand(turned!, i), turned!.focal)({ x: 0, y: 0 });
    const { x, y } = windowAt(i / RATE);
    return Math.hypot(told.x + (x - first.x) / WINDOW.width, told.y + (y - first.y) / WINDOW.width);
  });
}

/** Whether a real camera is said to stand still, and one that a moving window makes of it to move, and how far off. */
export function walkerFigures(): readonly Figure[] {
  const file = clipOfWalkers();
  const against = 'people walking over a square, real footage';
  if (!file)
    return [
      {
        bench: 'camera',
        figure: 'real walkers',
        value: 0,
        unit: 'clips',
        against: `${against}; not there: apt-get download opencv-doc failed`,
        goal: `${STARTS.length}`,
        holds: false,
      },
    ];
  const crop = `crop=${WINDOW.width}:${WINDOW.height}:x='${inWords(PATH.x)}':y='${inWords(PATH.y)}':exact=1`;
  const still = STARTS.map((start) => cameraState(cameraOf(file, start, 'null', WHOLE)).kind === 'still');
  const moved = STARTS.map((start) => cameraOf(file, start, crop, WINDOW));
  const moves = moved.map((camera) => cameraState(camera).kind === 'moves');
  const worst = Math.max(...moved.map((camera) => (camera.turned ? Math.max(...offPath(camera)) : 1)));
  const count = (told: readonly boolean[]): number => told.filter(Boolean).length;
  const said = (figure: string, told: readonly boolean[]): Figure => ({
    bench: 'camera',
    figure,
    value: count(told),
    unit: `of ${told.length}`,
    against,
    goal: `${told.length}`,
    holds: count(told) === told.length,
  });
  return [
    said('a fixed camera is said to stand still', still),
    said('a window that moves over it is said to move', moves),
    {
      bench: 'camera',
      figure: 'path of that window, the worst frame',
      value: round(100 * worst, 2),
      unit: '% of the width',
      against,
      goal: '<= 1',
      holds: worst <= 0.01,
    },
  ];
}
