import { stickTrial } from '../../tests/fixtures/stick-trial';
import type { CameraPath } from '../core/model/clip';
import { focusOf, heldGround } from './focus';
import { followBody, toPane } from './viewport';

const FRAMES = 41;
const FOCAL = 2;
const PANE = { width: 450, height: 560 };
const SHOWN = { mirrored: false, turn: 0 };
const zeros = (): Float64Array<ArrayBuffer> => new Float64Array(FRAMES);
const ones = (): Float64Array<ArrayBuffer> => new Float64Array(FRAMES).fill(1);

/** Half a degree to the right from frame to frame: what stands still goes to the left. */
const angle = (i: number): number => (-0.5 * i * Math.PI) / 180;
const pans: CameraPath = {
  frames: Float64Array.from({ length: FRAMES }, (_, i) => i),
  x: Float64Array.from({ length: FRAMES }, (_, i) => FOCAL * Math.tan(angle(i))),
  y: zeros(),
  scale: ones(),
  roll: zeros(),
  share: ones(),
  cuts: [],
  turned: {
    x: zeros(),
    y: Float64Array.from({ length: FRAMES }, (_, i) => angle(i)),
    z: zeros(),
    zoom: ones(),
    own: zeros(),
    drift: zeros(),
    focal: FOCAL,
    focalLogSd: 0.02,
  },
};

/** Somebody who stays in the middle of the picture of a camera that follows. */
const followed = stickTrial(
  () => ({
    'left-shoulder': [640, 200],
    'right-shoulder': [640, 200],
    'left-hip': [640, 360],
    'right-hip': [640, 360],
    'left-knee': [640, 460],
    'left-ankle': [640, 560],
  }),
  {},
  { camera: pans, width: 1280, height: 720 },
);

/** Where a mark on the ground is in the picture of a frame: straight ahead of the camera at the first. */
const mark = (frame: number) => ({ x: 640 + 1280 * FOCAL * Math.tan(angle(frame)), y: 360 });

test('a pane that holds the ground still shows a mark on it at one place', () => {
  const held = heldGround(followed)!;
  const places = [0, 10, 20, 40].map((frame) => toPane(followBody(held(frame)!, PANE, SHOWN), PANE, mark(frame)));
  for (const { x, y } of places) {
    // Twenty degrees of a lens bend the edge of a picture by a part of its height.
    expect(Math.abs(x - places[0]!.x)).toBeLessThan(0.05 * PANE.width);
    expect(Math.abs(y - places[0]!.y)).toBeLessThan(0.02 * PANE.height);
  }
});

test('a pane that follows the body shows the body at one place', () => {
  const follows = focusOf(followed);
  const places = [0, 20, 40].map((frame) => toPane(followBody(follows(frame)!, PANE, SHOWN), PANE, { x: 640, y: 360 }));
  for (const { x, y } of places) {
    expect(x).toBeCloseTo(PANE.width / 2, 0);
    expect(Math.abs(y - places[0]!.y)).toBeLessThan(0.03 * PANE.height);
  }
});

test('where the camera stands still there is nothing to hold', () => {
  expect(heldGround({ ...followed, clip: { ...followed.clip, camera: null } })).toBeNull();
});
