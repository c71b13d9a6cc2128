import { BODY_POINTS, type BodyPoint } from '../anatomy/body-points';
import { mergeDetections, placePoint, type DetectedPoints, type Track } from '../tracks/track';
import { legsAgainstArms } from './counter-swing';
import { exchangeSides, type Detections } from './fuse-detections';

const FRAMES = 60;
const LEG = /hip|knee|ankle|heel|foot-index/;

/** Somebody 300 pixels tall who walks across: arms swing against legs, or with them. */
function walker(armsWithLegs = false): DetectedPoints[] {
  return Array.from({ length: FRAMES }, (_, i) => {
    const swing = Math.sin((2 * Math.PI * i) / 30);
    const at = (id: BodyPoint): { x: number; y: number } => {
      const side = id.startsWith('left') ? 1 : -1;
      const middle = 100 + 4 * i;
      const leg = (y: number, reach: number): { x: number; y: number } => ({ x: middle + side * reach * swing, y });
      if (/ankle|heel|foot/.test(id)) return leg(290, 60);
      if (id.endsWith('knee')) return leg(225, 30);
      if (id.endsWith('hip')) return leg(155, 2);
      if (/wrist|index|thumb|pinky/.test(id)) return leg(150, armsWithLegs ? 40 : -40);
      if (id.endsWith('elbow')) return leg(120, armsWithLegs ? 20 : -20);
      return { x: middle + 3 * side, y: id.endsWith('shoulder') ? 70 : 30 };
    };
    return Object.fromEntries(BODY_POINTS.map((id) => [id, { ...at(id), confidence: 0.9 }]));
  });
}

const exchangedLegs = (seen: DetectedPoints): DetectedPoints => exchangeSides(seen, (id) => LEG.test(id));
const trackOf = (all: readonly DetectedPoints[]): Track =>
  mergeDetections({}, FRAMES, new Map(all.map((seen, i) => [i, seen])));
/** Both detectors take the one leg for the other in every so many frames. */
const namedWrongly = (all: readonly DetectedPoints[], every: number): Detections =>
  new Map(all.map((seen, i) => [i, i % every === 0 ? [exchangedLegs(seen), exchangedLegs(seen)] : [seen, seen]]));

test('legs that detectors do not know apart, and that go with the arms, are exchanged', () => {
  const right = walker();
  const mended = legsAgainstArms(trackOf(right.map(exchangedLegs)), namedWrongly(right, 2));
  expect(mended['left-ankle']!.x).toEqual(trackOf(right)['left-ankle']!.x);
  expect(mended['right-knee']!.x).toEqual(trackOf(right)['right-knee']!.x);
  expect(mended['left-wrist']!.x).toEqual(trackOf(right)['left-wrist']!.x);
});

test('legs that go against the arms stay, and so do those that both detectors name surely', () => {
  const right = walker();
  const track = trackOf(right);
  expect(legsAgainstArms(track, namedWrongly(right, 2))).toBe(track);
  const together = walker(true);
  const sure = trackOf(together);
  expect(legsAgainstArms(sure, namedWrongly(together, 30))).toBe(sure);
});

test('legs of which a point was placed by hand stay', () => {
  const right = walker();
  const track = placePoint(trackOf(right.map(exchangedLegs)), FRAMES, 'left-knee', 12, 150, 225);
  expect(legsAgainstArms(track, namedWrongly(right, 2))).toBe(track);
});
