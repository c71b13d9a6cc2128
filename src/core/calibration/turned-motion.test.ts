import { dice } from '../../../tests/fixtures/random';
import type { Hold } from './optical-flow';
import { sharedMotion } from './shared-motion';
import { turnedMotion } from './turned-motion';
import { fitStep, rotationOf, seenFrom, vectorOf, type Pair } from './turning-camera';

const ROUND: Hold = [1, 0, 1];
const ALONG: Hold = [0, 0, 1];
const TURN = (8 * Math.PI) / 180;

/** Corners all over a picture, and where they are once a camera has turned. */
function turned(focal: number, seed: number, by = TURN): readonly Pair[] {
  const roll = dice(seed);
  const rotation = rotationOf([0, -by, 0]);
  return Array.from({ length: 60 }, () => {
    const from = { x: roll() - 0.5, y: 0.56 * (roll() - 0.5) };
    return { from, to: seenFrom(rotation, from, [focal, focal]), hold: ROUND };
  });
}

const inPixels = ({ x, y }: Pair['from']): Pair['from'] => ({ x: 320 * x, y: 320 * y });
const shared = (pairs: readonly Pair[]) =>
  sharedMotion(
    pairs.map(({ from }) => inPixels(from)),
    pairs.map(({ to }) => inPixels(to)),
    { width: 320, height: 180 },
  )!;

test('a telephone that turns shifts the edges of its picture farther than the middle: all corners go along', () => {
  const pairs = turned(0.66, 3);
  const similar = shared(pairs);
  expect(similar.share).toBeLessThan(0.4);
  const { step, turn } = turnedMotion(pairs, similar)!;
  expect(step.share).toBeGreaterThan(0.9);
  expect(step.x).toBeCloseTo(-0.66 * Math.tan(TURN), 2);
  expect(turn.zoom).toBeCloseTo(1, 1);
});

test('through a long lens a shift of the whole picture says as much, and stays', () => {
  const pairs = turned(8, 4, TURN / 8);
  const similar = shared(pairs);
  expect(similar.share).toBeGreaterThan(0.9);
  expect(turnedMotion(pairs, similar)).toBeNull();
});

test('what slides along lines does not say how the camera turned', () => {
  const roll = dice(6);
  const slid = turned(1.2, 5).map((pair, i) =>
    i % 3 === 0 ? pair : { ...pair, to: { ...pair.to, x: pair.to.x + 0.02 * (1 + roll()) } },
  );
  const start = { x: -1.2 * Math.tan(TURN), y: 0, scale: 1, roll: 0 };
  const turnOf = (pairs: readonly Pair[]): number => -vectorOf(fitStep(pairs, 1.2, start)!.rotation)[1];
  const alongLines = slid.map((pair, i) => (i % 3 === 0 ? pair : { ...pair, hold: ALONG }));
  expect(turnOf(alongLines)).toBeCloseTo(TURN, 6);
  // Taken for corners that hold all round they would have led it astray.
  expect(Math.abs(turnOf(slid) - TURN)).toBeGreaterThan(0.005);
});
