import {
  figureOf,
  metresByHeight,
  proposeFigure,
  recordingOf,
  travelOf,
  USUAL_HEIGHT,
  viewOfCamera,
  withFrames,
} from './figure';
import { proposeMap, spatialTrack } from './marker-map';
import { cutRecording, emptyMarker, framesOf, rateOfInterval, type Marker, type Recording } from './recording';
import { ORIGIN, placePoint, type Track } from './track';

const marker = (
  name: string,
  x: readonly number[],
  y: readonly number[],
  z: readonly number[] | null = null,
): Marker => ({ name, x: Float64Array.from(x), y: Float64Array.from(y), z: z && Float64Array.from(z) });
const flat: Recording = {
  name: 'flat',
  rate: 50,
  unit: 'px',
  up: 'y',
  markers: [
    marker('left_knee', [100, 110, NaN], [500, 510, NaN]),
    marker('left_ankle_in', [90, 92, 94], [700, 700, 700]),
    marker('left_ankle_out', [94, 96, 98], [704, 704, 704]),
  ],
};

describe('points of a flat picture', () => {
  const map = {
    'left-knee': ['left_knee'],
    'left-ankle': ['left_ankle_in', 'left_ankle_out'],
    'left-hip': ['nowhere'],
  } as const;
  const answers = {
    recording: flat,
    use: { first: 0, last: 2 },
    map: map as never,
    metresPerUnit: 1,
    camera: { azimuthDegrees: 0, elevationDegrees: 0 },
  };

  it('lie where they were measured, several markers of one joint in their middle, unknown names left out', () => {
    const { track, spatial, pixelsPerMetre } = figureOf(answers);
    expect([spatial, pixelsPerMetre]).toEqual([null, null]);
    expect(Object.keys(track)).toEqual(['left-knee', 'left-ankle']);
    expect(Array.from(track['left-ankle']!.x)).toEqual([92, 94, 96]);
    expect(Array.from(track['left-ankle']!.y)).toEqual([702, 702, 702]);
    expect(Array.from(track['left-knee']!.origin)).toEqual([ORIGIN.recorded, ORIGIN.recorded, ORIGIN.missing]);
    expect(Array.from(track['left-knee']!.confidence)).toEqual([1, 1, 0]);
  });

  it('have a picture round them with a little room, and no smaller than one can see', () => {
    // 702, the lower ankle's middle, and a twentieth; 110 is less than the least picture of 320.
    expect(figureOf(answers).picture).toEqual({ width: 336, height: 738 });
  });

  it('are cut to the frames of one attempt', () => {
    const one = withFrames(answers, { first: 1, last: 2 });
    expect(one.camera).toBe(answers.camera);
    expect(Array.from(figureOf(one).track['left-ankle']!.x)).toEqual([94, 96]);
  });

  it('have no length that a height could tell', () => {
    expect(metresByHeight(flat, map as never, 1.8)).toBe(1);
    expect(proposeFigure(flat, map as never)).toMatchObject({
      use: { first: 0, last: 2 },
      metresPerUnit: 1,
      camera: { azimuthDegrees: 0, elevationDegrees: 0 },
    });
  });
});

describe('to which side somebody moves', () => {
  const points = (all: Readonly<Record<string, readonly [number, number][]>>): Track => {
    let track: Track = {};
    for (const [id, places] of Object.entries(all))
      places.forEach(([x, y], i) => (track = placePoint(track, places.length, id as never, i, x, y)));
    return track;
  };

  it('is where the feet point on most frames, whatever the hips do', () => {
    const feet = {
      'left-heel': [
        [50, 9],
        [50, 9],
        [50, 9],
      ],
      'left-foot-index': [
        [40, 9],
        [41, 9],
        [55, 9],
      ],
      'left-hip': [
        [10, 5],
        [20, 5],
        [30, 5],
      ],
    } as never;
    expect(travelOf(points(feet)).travel).toBe('left');
  });

  it('without heels from the ankle, and without feet from the way of the hips', () => {
    expect(travelOf(points({ 'right-ankle': [[50, 9]], 'right-foot-index': [[60, 9]] })).travel).toBe('right');
    expect(
      travelOf(
        points({
          'right-hip': [
            [50, 9],
            [40, 9],
          ],
        }),
      ).travel,
    ).toBe('left');
    expect(
      travelOf(
        points({
          'left-hip': [
            [50, 9],
            [60, 9],
          ],
        }),
      ).travel,
    ).toBe('right');
    expect(travelOf({})).toEqual({ travel: 'right', sure: 0 });
    // A pixel of drift is no way.
    expect(
      travelOf(
        points({
          'left-hip': [
            [50, 9],
            [51, 9],
          ],
          'left-knee': [
            [50, 99],
            [51, 99],
          ],
        }),
      ).sure,
    ).toBeLessThan(0.4);
  });
});

describe('points as a recording', () => {
  const track: Track = placePoint(placePoint({}, 2, 'left-knee', 0, 100, 500), 2, 'left-knee', 1, 110, 480);

  it('in pixels as they lie, or in metres with y upwards in the plane', () => {
    expect(recordingOf('a', 50, track, null, true, 0.01)).toMatchObject({
      unit: 'px',
      markers: [{ name: 'left-knee', z: null }],
    });
    const metres = recordingOf('a', 50, track, null, false, 0.01);
    expect(metres.unit).toBe('m');
    expect(Array.from(metres.markers[0]!.y)).toEqual([-5, -4.8]);
    expect(Array.from(metres.markers[0]!.z!)).toEqual([0, 0]);
    expect(recordingOf('a', 50, track, null, false, null).unit).toBe('px');
  });

  it('in space where they are known in space', () => {
    const spatial = { 'left-knee': { x: Float64Array.of(1), y: Float64Array.of(2), z: Float64Array.of(3) } } as never;
    expect(recordingOf('a', 50, track, spatial, false, null)).toMatchObject({
      unit: 'm',
      markers: [{ name: 'left-knee', z: Float64Array.of(3) }],
    });
  });
});

describe('recordings', () => {
  it('are cut, both ends included, and know their length', () => {
    const cut = cutRecording(flat, { first: 1, last: 1 });
    expect(framesOf(cut)).toBe(1);
    expect(cut.markers.map((m) => m.x[0])).toEqual([110, 92, 96]);
    expect(framesOf({ ...flat, markers: [] })).toBe(0);
  });

  it('have whole rates where a file has rounded the interval, and odd ones where it has not', () => {
    expect(rateOfInterval(0.0083333)).toBe(120);
    expect(rateOfInterval(0.0333667)).toBeCloseTo(29.97, 2);
  });

  it('have markers that were never seen', () => {
    expect(emptyMarker('x', 2, true)).toEqual({
      name: 'x',
      x: Float64Array.of(NaN, NaN),
      y: Float64Array.of(NaN, NaN),
      z: Float64Array.of(NaN, NaN),
    });
    expect(emptyMarker('x', 2, false).z).toBeNull();
  });
});

test('views of a camera round somebody: side, front, back, other side and above', () => {
  // Feet point along +x, so the side camera is at azimuth 0.
  const names = ['left-heel', 'left-foot-index', 'left-ankle', 'right-ankle', 'right-foot-index'];
  const recording: Recording = {
    ...flat,
    unit: 'm',
    markers: [
      marker('left-heel', [0], [0], [0]),
      marker('left-foot-index', [0.2], [0], [0]),
      marker('left-ankle', [0.05], [0.1], [0]),
      marker('right-ankle', [0.05], [0.1], [0.2]),
      marker('right-foot-index', [0.2], [0], [0.2]),
    ],
  };
  const spatial = spatialTrack(recording, proposeMap(names), 1);
  const view = (azimuthDegrees: number, elevationDegrees = 0) =>
    viewOfCamera(spatial, { azimuthDegrees, elevationDegrees });
  expect(view(12)).toEqual({ view: { kind: 'side', offPlaneDegrees: 12 }, travel: 'right' });
  expect(view(170)).toEqual({ view: { kind: 'side', offPlaneDegrees: -10 }, travel: 'left' });
  expect(view(80).view).toEqual({ kind: 'front', offPlaneDegrees: -10 });
  expect(view(-100).view).toEqual({ kind: 'back', offPlaneDegrees: -10 });
  expect(view(0, 86)).toEqual({ view: { kind: 'overhead', offPlaneDegrees: 4 }, travel: 'right' });
  expect(USUAL_HEIGHT).toBeGreaterThan(1.5);
});
