import { cameraPathSchema } from './clip';

const path = (samples: number, change: object = {}) => {
  const column = (): Float64Array => new Float64Array(samples).fill(1);
  return {
    frames: Float64Array.from({ length: samples }, (_, i) => 2 * i),
    x: column(),
    y: column(),
    scale: column(),
    roll: column(),
    share: column(),
    ...change,
  };
};
const turned = (samples: number) => {
  const column = (): Float64Array => new Float64Array(samples).fill(1);
  return {
    x: column(),
    y: column(),
    z: column(),
    zoom: column(),
    own: column(),
    drift: column(),
    focal: 2,
    focalLogSd: 0.1,
  };
};
const isRead = (value: unknown): boolean => cameraPathSchema.safeParse(value).success;

test('a path of an older version has no cuts and was not told as a turning camera', () => {
  expect(cameraPathSchema.parse(path(3))).toMatchObject({ cuts: [], turned: null });
});

test.each([
  ['whole', path(4, { turned: turned(4) }), true],
  ['shorter than its frames', path(4, { x: new Float64Array(3) }), false],
  ['turned less often than looked at', path(4, { turned: turned(3) }), false],
  ['without a number in it', path(2, { roll: Float64Array.of(0, NaN) }), false],
  ['back in time', path(2, { frames: Float64Array.of(4, 2) }), false],
  ['of a lens that is none', path(2, { turned: { ...turned(2), focal: 0 } }), false],
])('a path that is %s', (_, value, read) => expect(isRead(value)).toBe(read));
