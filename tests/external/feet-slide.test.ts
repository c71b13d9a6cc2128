import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { truthTrack } from '../../demo/true-trial';
import type { ClipTruth } from '../../demo/truth';
import { feetSlide } from '../../src/core/tracks/feet-slide';
import type { PointSeries, Track } from '../../src/core/tracks/track';
import { normals } from '../fixtures/random';

/** The truth of the demo's clips from the side, whose cameras stand still, with noise and with pans made on them. */
const folder = path.join(import.meta.dirname, '..', '..', 'demo', 'clips');
const all = readdirSync(folder).filter((name) => /-side-.*\.truth\.json$/.test(name));
const MOVES = /-(pans|zooms|hand-held)\./;
const clips = all.filter((name) => !MOVES.test(name));

const moved = (track: Track, by: (i: number) => number): Track =>
  Object.fromEntries(
    (Object.entries(track) as [string, PointSeries][]).map(([id, series]) => [
      id,
      { ...series, x: series.x.map((x, i) => x + by(i)) },
    ]),
  );
/** Pixels a frame that the hips go. */
function pace({ x }: PointSeries): number {
  const seen = Array.from(x.keys()).filter((i) => !Number.isNaN(x[i]!));
  const [first, last] = [seen[0]!, seen.at(-1)!];
  return (x[last]! - x[first]!) / (last - first);
}

test.each(clips)('%s: feet stand, and slide where the camera follows, wholly or by half, noise or not', (name) => {
  const truth = JSON.parse(readFileSync(path.join(folder, name), 'utf8')) as ClipTruth;
  const track = truthTrack(truth);
  const still = pace(track['left-hip']!);
  const normal = normals(7);
  // Two pixels: more than half a hundredth of how tall they stand.
  for (const noise of [0, 2]) {
    const noisy = Object.fromEntries(
      (Object.entries(track) as [string, PointSeries][]).map(([id, series]) => [
        id,
        { ...series, x: series.x.map((x) => x + noise * normal()) },
      ]),
    );
    const slides = [0, 0.5, 1].map((share) =>
      feetSlide(
        moved(noisy, (i) => -share * still * i),
        truth.frameRate,
      ),
    );
    expect(slides).toEqual([false, true, true]);
  }
});

test('nothing is claimed of what glides, of who stays in place, or of points that do not tell', () => {
  const truth = JSON.parse(readFileSync(path.join(folder, clips[0]!), 'utf8')) as ClipTruth;
  const track = truthTrack(truth);
  const still = pace(track['left-hip']!);
  // A rider who passes: the feet go round and along, far faster than round.
  expect(
    feetSlide(
      moved(track, (i) => 3 * still * i),
      truth.frameRate,
    ),
  ).toBe(false);
  expect(feetSlide({ ...track, 'left-hip': undefined }, truth.frameRate)).toBe(false);
  const inPlace = Object.fromEntries(
    (Object.entries(track) as [string, PointSeries][]).map(([id, series]) => [
      id,
      { ...series, x: series.x.map((_x, i) => series.x[0]! + 3 * Math.sin(i / 20)) },
    ]),
  );
  expect(feetSlide(inPlace, truth.frameRate)).toBe(false);
});

test.each(all.filter((name) => name.includes('-pans.')))('%s: the feet tell that its camera followed', (name) => {
  const truth = JSON.parse(readFileSync(path.join(folder, name), 'utf8')) as ClipTruth;
  expect(feetSlide(truthTrack(truth), truth.frameRate)).toBe(true);
});
