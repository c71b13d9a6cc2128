import { stickClip, stickTrial } from '../../../tests/fixtures/stick-trial';
import { proposeEvents } from '../events/propose-events';
import { evaluateMeasure } from '../measures';
import { cameraPathSchema, type CameraPath } from '../model/clip';
import { measureSchema, type Measure } from '../model/measure';
import { movementSchema } from '../model/movement';
import { CameraTracker } from './camera-motion';
import { cameraState, cameraWords } from './camera-state';

const FRAMES = 41;
/** A camera that does something from frame to frame. */
const camera = (of: (i: number) => Partial<Record<'x' | 'y' | 'scale' | 'roll' | 'share', number>>): CameraPath => {
  const column = (name: 'x' | 'y' | 'scale' | 'roll' | 'share', usual: number): Float64Array<ArrayBuffer> =>
    Float64Array.from({ length: FRAMES }, (_, i) => of(i)[name] ?? usual);
  return {
    frames: Float64Array.from({ length: FRAMES }, (_, i) => i),
    x: column('x', 0),
    y: column('y', 0),
    scale: column('scale', 1),
    roll: column('roll', 0),
    share: column('share', 0.9),
    cuts: [],
    turned: null,
  };
};
const STILL = camera((i) => ({ x: 0.002 * (i % 2) }));
const PANS = camera((i) => ({ x: -0.01 * i }));
const ZOOMS = camera((i) => ({ scale: 1 + 0.005 * i }));
const ROLLS = camera((i) => ({ roll: 0.002 * i }));
const LOST = camera((i) => ({ share: i % 2 === 0 ? 0.1 : 0.9 }));

test('what a camera does is told from how the background moved', () => {
  expect(cameraState(null).kind).toBe('unknown');
  expect(cameraState(STILL).kind).toBe('still');
  expect(cameraWords(cameraState(PANS))).toBe('follows over 0.40 of the picture\u2019s width');
  expect(cameraWords(cameraState(ZOOMS))).toBe('zooms 1.20 times');
  expect(cameraWords(cameraState(ROLLS))).toBe('tilts sideways by 4.6 degrees');
  expect(cameraState(LOST).kind).toBe('no hold');
});

/** A leg that swings while it goes along. */
const trial = (path: CameraPath | null) =>
  stickTrial(
    (i) => ({
      'left-shoulder': [200 + 5 * i, 200],
      'right-shoulder': [210 + 5 * i, 200],
      'left-hip': [200 + 5 * i, 400],
      'right-hip': [210 + 5 * i, 400],
      'left-knee': [200 + 5 * i + 30 * Math.sin(i / 6), 500],
      'left-ankle': [200 + 5 * i, 600],
      'left-heel': [195 + 5 * i, 610],
      'left-foot-index': [230 + 5 * i, 615],
      'right-knee': [215 + 5 * i, 500],
      'right-ankle': [215 + 5 * i, 600],
      'right-heel': [210 + 5 * i, 610],
      'right-foot-index': [245 + 5 * i, 615],
    }),
    { a: 8, b: 32 },
    { camera: path },
  );

const measure = (more: object): Measure =>
  measureSchema.parse({
    id: 'm',
    name: 'M',
    region: 'legs',
    plane: 'sagittal',
    importance: 0.5,
    cost: 'weeks',
    ...more,
  });
const KNEE = { type: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] };
const MEASURES = {
  'an angle of the body': measure({ kind: 'value', of: KNEE, at: 'a' }),
  'its change': measure({ kind: 'range', of: KNEE, from: 'a', to: 'b' }),
  'a time': measure({ kind: 'duration', from: 'a', to: 'b' }),
  'a lean': measure({
    kind: 'value',
    of: { type: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' },
    at: 'a',
  }),
  'a length': measure({ kind: 'value', of: { type: 'distance', points: ['opposite-hip', 'opposite-ankle'] }, at: 'a' }),
  'a height': measure({ kind: 'value', of: { type: 'height', point: 'mid-hip' }, at: 'a' }),
  'a speed': measure({ kind: 'speed', point: 'mid-hip', along: 'forward', from: 'a', to: 'b' }),
  'a path within the body': measure({
    ...{ kind: 'path', point: 'opposite-knee', relativeTo: 'opposite-hip', from: 'a', to: 'b', what: 'length' },
  }),
};

test.each([
  ['stands still', STILL, []],
  ['was not looked at', null, []],
  ['pans', PANS, ['a height', 'a speed']],
  ['zooms', ZOOMS, ['a length', 'a height', 'a speed', 'a path within the body']],
  ['rolls', ROLLS, ['a lean', 'a height', 'a speed']],
  ['has nothing to hold to', LOST, ['a height', 'a speed']],
] as const)('where the camera %s, only what does not depend on it is measured', (_, path, refused) => {
  const on = trial(path);
  const readings = Object.entries(MEASURES).map(([name, m]) => [name, evaluateMeasure(m, on)] as const);
  const moved = readings.filter(([, r]) => !r.measurable && r.reason === 'camera-moves').map(([name]) => name);
  expect(moved).toEqual(refused);
  expect(readings.filter(([name, r]) => !r.measurable && !moved.includes(name)).map(([name]) => name)).toEqual([]);
});

test('over a cut nothing is measured; in one shot what lies at one place of the picture is not', () => {
  // Between the two moments, 8 and 32.
  const refused = Object.entries(MEASURES).flatMap(([name, m]) => {
    const reading = evaluateMeasure(m, trial({ ...STILL, cuts: [20] }));
    return reading.measurable ? [] : [[name, reading.reason]];
  });
  const measurable = ['an angle of the body', 'a lean'];
  expect(refused).toEqual(
    Object.keys(MEASURES).flatMap((name) => (measurable.includes(name) ? [] : [[name, 'film-cut']])),
  );
  const after = evaluateMeasure(MEASURES['its change'], trial({ ...STILL, cuts: [36] }));
  expect(after.measurable).toBe(true);
});

test('no contact is proposed from a picture that moves, and what hangs on one is unsure', () => {
  const movement = movementSchema.parse({
    schemaVersion: 1,
    id: 'm',
    name: 'M',
    sport: 'Any',
    phases: [],
    measures: [],
    causes: [],
    cautions: [],
    moments: [
      {
        id: 'down',
        name: 'Down',
        key: '1',
        hint: '',
        rule: { rule: 'contact', side: 'either', edge: 'touch-down', take: 'first' },
      },
      {
        id: 'bent',
        name: 'Bent',
        key: '2',
        hint: '',
        rule: { rule: 'extreme', of: KNEE, which: 'smallest', after: 'down' },
      },
    ],
  });
  const bare = (path: CameraPath | null) => ({ ...trial(path), marks: {}, timing: {} });
  const [still, panned] = [proposeEvents(movement, bare(STILL)), proposeEvents(movement, bare(PANS))];
  expect(panned.map(({ eventId }) => eventId)).toEqual(['bent']);
  const bent = still.find(({ eventId }) => eventId === 'bent')!;
  expect(panned[0]!.confidence).toBeLessThanOrEqual(0.5 * bent.confidence + 1e-9);
});

test('a clip says nothing of its camera until somebody has looked', () => {
  expect(stickClip().camera).toBeNull();
});

test('a camera that sees nothing to hold to has a path that can be kept all the same', () => {
  const tracker = new CameraTracker();
  // Plain pictures, and one with so little in it that a fit has no one answer.
  for (let i = 0; i < 6; i++) {
    const values = new Float32Array(320 * 180).fill(90);
    if (i % 2 === 1) for (let y = 80; y < 100; y++) for (let x = 150; x < 170; x++) values[y * 320 + x] = 200;
    tracker.observe(i, { width: 320, height: 180, values }, []);
  }
  expect(cameraPathSchema.safeParse(tracker.path()).success).toBe(true);
});
