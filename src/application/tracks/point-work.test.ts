import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { CameraPath } from '../../core/model/clip';
import { steadyOf } from '../../core/calibration/steady';
import { sessionJson } from '../../formats/session-json/session-json';
import { derive } from '../analysis/derived';
import { setSession, useDocument } from '../stores/document-store';
import { nudgePoint, placePointAt } from './point-work';
import { setPointWork, useView } from '../stores/view-store';

const read = sessionJson.read(
  readFileSync(path.join(import.meta.dirname, '..', '..', '..', 'demo', 'clips', 'walk-session.falcon.json'), 'utf8'),
  'walk',
);
if (!read.ok) throw new Error(read.issue.message);
const session = read.value;
const clip = session.clips.find(({ role }) => role === 'athlete')!;
const FRAMES = clip.frameTimes.length;

/** A camera that pans by a tenth of a degree a frame. */
const all = (of: (i: number) => number): Float64Array<ArrayBuffer> =>
  Float64Array.from({ length: FRAMES }, (_, i) => of(i));
const angle = (i: number): number => (-0.1 * i * Math.PI) / 180;
const pans: CameraPath = {
  frames: all((i) => i),
  x: all((i) => 1.2 * Math.tan(angle(i))),
  y: all(() => 0),
  scale: all(() => 1),
  roll: all(() => 0),
  share: all(() => 1),
  cuts: [],
  turned: {
    x: all(() => 0),
    y: all(angle),
    z: all(() => 0),
    zoom: all(() => 1),
    own: all(() => 0),
    drift: all(() => 0),
    focal: 1.2,
    focalLogSd: 0.02,
  },
};

/** Points of a clip whose camera moves are kept as they were filmed, and measured in the steady picture. */
describe('points placed by hand in the picture of a camera that moves', () => {
  const panned = { ...clip, camera: pans };
  beforeEach(() => {
    setSession({ ...session, clips: session.clips.map((c) => (c.id === clip.id ? panned : c)) });
    useView.setState({ shown: { [clip.id]: 0 } });
    setPointWork({ id: 'right-knee', placing: false, shift: null });
  });
  const knee = (): readonly [number, number] => {
    const series = useDocument.getState().session!.tracks[clip.id]!['right-knee']!;
    return [series.x[0]!, series.y[0]!];
  };
  const trial = () => derive(useDocument.getState().session!).athlete!;

  it('lie elsewhere in the steady picture', () => {
    const [x, y] = knee();
    const there = steadyOf(panned)!.toGround(0, { x, y });
    expect(Math.hypot(there.x - x, there.y - y)).toBeGreaterThan(20);
  });

  it('are moved by a key from where they are in the picture', () => {
    const [x, y] = knee();
    nudgePoint(trial(), 1, -2);
    expect(knee()).toEqual([x + 1, y - 2]);
  });

  it('tell how far they were moved in the picture, to carry it on', () => {
    const { x: px, y: py } = { x: knee()[0], y: knee()[1] };
    placePointAt(derive(useDocument.getState().session!).movement, trial(), 'right-knee', 0, { x: px + 3, y: py });
    expect(useView.getState().pointWork.shift).toMatchObject({ x: 3, y: 0 });
  });
});
