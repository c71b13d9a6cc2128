import { figureOf, metresByHeight, proposeFigure, recordingOf, viewOfCamera } from './figure';
import { proposeMap, spatialTrack, upAxis } from './marker-map';
import type { Recording } from './recording';
import { pictureAxes, seenFrom, sideAzimuth, spatialHeight } from './spatial-view';
import { mergeRecorded, placePoint, ORIGIN } from './track';

/**
 * Someone who stands facing +x, right side towards +z, 1 unit to the knee; names as a motion capture program writes
 * them.
 */
const BODY: Readonly<Record<string, readonly [number, number, number]>> = {
  LeftArm: [0, 1.44, -0.2],
  RightArm: [0, 1.44, 0.2],
  LeftForeArm: [0, 1.1, -0.2],
  RightForeArm: [0, 1.1, 0.2],
  LeftHand: [0, 0.85, -0.2],
  RightHand: [0, 0.85, 0.2],
  LeftUpLeg: [0, 0.95, -0.1],
  RightUpLeg: [0, 0.95, 0.1],
  LeftLeg: [0, 0.5, -0.1],
  RightLeg: [0, 0.5, 0.1],
  LeftFoot: [0, 0.08, -0.1],
  RightFoot: [0, 0.08, 0.1],
  LeftToeBase: [0.15, 0.02, -0.1],
  RightToeBase: [0.15, 0.02, 0.1],
  Head: [0, 1.6, 0],
};
const standing = (
  turn: (p: readonly [number, number, number]) => readonly [number, number, number] = (p) => p,
): Recording => ({
  name: 'stand',
  rate: 100,
  unit: 'unknown',
  up: 'y',
  markers: Object.entries(BODY).map(([name, p]) => {
    const [x, y, z] = turn(p);
    return { name: `Subject:${name}`, x: Float64Array.of(x, x), y: Float64Array.of(y, y), z: Float64Array.of(z, z) };
  }),
});
const mapped = (recording: Recording): ReturnType<typeof proposeMap> =>
  proposeMap(recording.markers.map((m) => m.name));

describe('which markers are which joints', () => {
  it('knows the names of joint chains, of marker sets and our own', () => {
    const chain = mapped(standing());
    expect([
      chain['left-shoulder'],
      chain['right-hip'],
      chain['left-ankle'],
      chain['right-foot-index'],
      chain['left-heel'],
    ]).toEqual([
      ['Subject:LeftArm'],
      ['Subject:RightUpLeg'],
      ['Subject:LeftFoot'],
      ['Subject:RightToeBase'],
      ['Subject:LeftFoot'],
    ]);
    const set = proposeMap([
      'LASI',
      'LPSI',
      'LKNE',
      'RKNE',
      'RKNI',
      'LSHO',
      'LANK',
      'LHEE',
      'LTOE',
      'LWRA',
      'LWRB',
      'LELB',
    ]);
    expect([
      set['left-hip'],
      set['left-knee'],
      set['right-knee'],
      set['left-wrist'],
      set['left-heel'],
      set['right-ankle'],
    ]).toEqual([['LASI', 'LPSI'], ['LKNE'], ['RKNE', 'RKNI'], ['LWRA', 'LWRB'], ['LHEE'], undefined]);
    const own = proposeMap(['left_shoulder', 'right_knee', 'nose', 'own-ball']);
    expect([own['left-shoulder'], own['right-knee'], own.nose, own['own-ball']]).toEqual([
      ['left_shoulder'],
      ['right_knee'],
      ['nose'],
      ['own-ball'],
    ]);
  });

  it('finds which way is up by heads and feet, whatever the file says', () => {
    expect(upAxis(standing(), mapped(standing()))).toBe('y');
    const lying = standing(([x, y, z]) => [x, -z, y]);
    expect(upAxis(lying, mapped(lying))).toBe('z');
    // Turned upright both are the same body.
    const [a, b] = [standing(), lying].map((r) => spatialTrack(r, mapped(r), 1));
    for (const id of ['left-hip', 'right-wrist'] as const)
      for (const axis of ['x', 'y', 'z'] as const) expect(b![id]![axis][0]).toBeCloseTo(a![id]![axis][0]!, 12);
  });
});

describe('a figure seen from a camera', () => {
  it('has axes at right angles, and looks from the side along the hips', () => {
    const { right, up } = pictureAxes({ azimuthDegrees: 37, elevationDegrees: 21 });
    expect(right[0] * up[0] + right[1] * up[1] + right[2] * up[2]).toBeCloseTo(0, 12);
    expect(Math.hypot(...up)).toBeCloseTo(1, 12);
    const spatial = spatialTrack(standing(), mapped(standing()), 1);
    expect(sideAzimuth(spatial)).toBeCloseTo(0, 9);
    const turned = standing(([x, y, z]) => [
      x * Math.cos(0.6) + z * Math.sin(0.6),
      y,
      -x * Math.sin(0.6) + z * Math.cos(0.6),
    ]);
    expect(sideAzimuth(spatialTrack(turned, mapped(turned), 1))).toBeCloseTo((0.6 * 180) / Math.PI, 9);
  });

  it('faces right, keeps lengths in the plane and shortens them by the cosine of the angle', () => {
    const spatial = spatialTrack(standing(), mapped(standing()), 1);
    const lengthSeen = (
      azimuthDegrees: number,
      ids: readonly ['right-ankle' | 'left-shoulder', 'right-foot-index' | 'left-elbow'],
    ): number => {
      const { track, pixelsPerMetre } = seenFrom(
        spatial,
        { azimuthDegrees, elevationDegrees: 0 },
        { width: 1280, height: 720 },
      );
      const [from, to] = ids.map((id) => track[id]!);
      return (to!.x[0]! - from!.x[0]!) / pixelsPerMetre;
    };
    expect(lengthSeen(0, ['right-ankle', 'right-foot-index'])).toBeCloseTo(0.15, 9);
    expect(lengthSeen(60, ['right-ankle', 'right-foot-index'])).toBeCloseTo(0.075, 9);
    const { track } = seenFrom(spatial, { azimuthDegrees: 0, elevationDegrees: 0 }, { width: 1280, height: 720 });
    for (const series of Object.values(track)) {
      expect(series!.x[0]).toBeGreaterThanOrEqual(0);
      expect(series!.y[0]).toBeLessThanOrEqual(720);
    }
  });

  it('knows which view a camera has', () => {
    const spatial = spatialTrack(standing(), mapped(standing()), 1);
    const view = (azimuthDegrees: number, elevationDegrees = 0): unknown => {
      const seen = viewOfCamera(spatial, { azimuthDegrees, elevationDegrees });
      return [seen.view.kind, seen.view.offPlaneDegrees, seen.travel];
    };
    expect([view(10), view(170), view(95), view(-80), view(0, 80)]).toEqual([
      ['side', 10, 'right'],
      ['side', -10, 'left'],
      ['front', 5, 'right'],
      ['back', 10, 'right'],
      ['overhead', 10, 'right'],
    ]);
  });

  it('is scaled by the standing height where the file states no unit', () => {
    const twice = standing(([x, y, z]) => [2 * x, 2 * y, 2 * z]);
    const map = mapped(twice);
    expect(metresByHeight(twice, map, 1.8) * spatialHeight(spatialTrack(twice, map, 1))).toBeCloseTo(1.8, 9);
    expect(proposeFigure({ ...twice, unit: 'mm' }, null).metresPerUnit).toBe(0.001);
  });

  it('comes back as a recording in metres', () => {
    const answers = proposeFigure({ ...standing(), unit: 'm' }, null);
    const { track, spatial, pixelsPerMetre } = figureOf(answers);
    const space = recordingOf('a', 100, track, spatial, false, null);
    expect([space.unit, space.markers.find((m) => m.name === 'left-hip')!.y[0]]).toEqual(['m', 0.95]);
    const flat = recordingOf('a', 100, track, null, false, 1 / pixelsPerMetre!);
    const at = (name: string): number => flat.markers.find((m) => m.name === name)!.y[0]!;
    expect(at('left-hip') - at('left-knee')).toBeCloseTo(0.45, 9);
  });
});

test('points of a picture are put on a clip\u2019s frames by their time, hand-placed ones stay', () => {
  const source = {
    x: Float64Array.of(0, 10, 20, 30),
    y: Float64Array.of(1, 1, 1, 1),
    confidence: Float32Array.of(1, 1, 1, 1),
    origin: new Uint8Array(4).fill(ORIGIN.recorded),
  };
  const placed = placePoint({}, 5, 'own-ball', 1, 99, 99);
  const merged = mergeRecorded(placed, { 'own-ball': source }, Float64Array.of(0, 0.1, 0.2, 0.3, 0.4), 5)['own-ball']!;
  expect(Array.from(merged.x)).toEqual([0, 99, 10, 20, 20]);
  expect(Array.from(merged.origin)).toEqual([5, 1, 5, 5, 5]);
});
