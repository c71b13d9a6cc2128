import path from 'node:path';
import { CameraTracker } from '../../src/core/calibration/camera-motion';
import { cameraState } from '../../src/core/calibration/camera-state';
import type { Gray } from '../../src/core/signal/gray';
import type { CameraPath } from '../../src/core/model/clip';
import { grayPictures } from '../fixtures/moving-clip';

/**
 * Cameras by their pictures. The truth of the moving ones is made: a window that goes its way over a wider picture,
 * cut out by ffmpeg.
 */
const WIDTH = 320;
const clip = (name: string): string => path.join(import.meta.dirname, '..', '..', 'demo', 'clips', `${name}.webm`);
jest.setTimeout(120_000);

/** Pictures of a clip as brightness, fifteen a second. */
const pictures = (name: string, filter: string, size: readonly [number, number]): readonly Gray[] =>
  grayPictures(clip(name), `fps=15,${filter}`, size);

function follow(all: readonly Gray[]): CameraPath {
  const tracker = new CameraTracker();
  all.forEach((picture, i) => tracker.observe(i, picture, []));
  return tracker.path();
}

test.each(['pace-front-reference', 'pace-overhead-athlete', 'hurdle-oblique-athlete'])(
  'the demo camera of %s stands still, though somebody moves before it',
  (name) => {
    const state = cameraState(follow(pictures(name, 'null', [WIDTH, 180])));
    expect(state.kind).toBe('still');
    // Far enough from where it would be said to move.
    expect(state.shift).toBeLessThan(0.005);
    expect(state.zoom).toBeLessThan(1.01);
  },
);

describe('a window over the picture', () => {
  // 0.8 of the width, which goes 0.2 of the whole, a quarter of its own, from left to right in two seconds.
  const seconds = 2;
  const pan = `trim=0:${seconds},crop=iw*0.8:ih:iw*0.2*t/${seconds}:0`;

  it.each(['pace-side-athlete', 'walk-side-athlete'])('of %s that pans is said to, by as much as it does', (name) => {
    const path = follow(pictures(name, pan, [WIDTH, 225]));
    expect(cameraState(path).kind).toBe('moves');
    const last = path.frames.length - 1;
    // What stands still goes to the left as the window goes to the right.
    const truth = path.frames.map((i) => (-0.25 * (i / 15)) / seconds);
    path.x.forEach((x, i) => expect(Math.abs(x - truth[i]!)).toBeLessThan(0.01));
    expect(Math.abs(path.x[last]! - truth[last]!)).toBeLessThan(0.0025);
    expect(Math.max(...path.y.map(Math.abs))).toBeLessThan(0.003);
    expect(cameraState(path).zoom).toBeLessThan(1.01);
  });

  it('that zooms is said to, by as much as it does', () => {
    // A quarter larger after thirty pictures, about the middle.
    const zoom = `zoompan=z='1+0.25*in/30':d=1:x='iw/2-iw/zoom/2':y='ih/2-ih/zoom/2':s=1280x720:fps=15`;
    const path = follow(pictures('pace-side-athlete', zoom, [WIDTH, 180]).slice(0, 30));
    expect(cameraState(path).kind).toBe('moves');
    path.scale.forEach((scale, i) => expect(Math.abs(scale - (1 + (0.25 * i) / 30))).toBeLessThan(0.01));
  });

  it('on a picture without anything to hold to is said to be unknown, not still', () => {
    const blank = Array.from({ length: 10 }, (): Gray => ({
      width: WIDTH,
      height: 180,
      values: new Float32Array(WIDTH * 180),
    }));
    expect(cameraState(follow(blank)).kind).toBe('no hold');
  });
});
