import { execFileSync, spawnSync } from 'node:child_process';
import path from 'node:path';
import { betweenStands } from '../../src/core/calibration/turning-camera';
import { steadyOf } from '../../src/core/calibration/steady';
import { compareAll } from '../../src/core/comparison/compare';
import { distance } from '../../src/core/geometry/vec2';
import { judge, type State } from '../../src/core/judgement/state';
import { differenceOf, evaluateMeasure } from '../../src/core/measures';
import type { CameraPath } from '../../src/core/model/clip';
import type { Trial } from '../../src/core/trial/trial';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import { clipFile } from '../../demo/drive-job';
import { clipNamed } from '../../demo/named';
import { MOVING_CLIPS } from '../../demo/scenario';
import { movementOf } from '../../src/movements';
import { cameraBySight, estimatedStand, filmedTwice, proposedOff, trueCamera } from '../../tests/fixtures/moving-clip';
import { printFigures, round, type Figure } from '../figure';
import { percentile } from '../percentile';
import { walkerFigures } from './walkers';

/** Rendered cameras that pan, zoom and tremble, against their truth; trials filmed by them against a tripod's. */
const PAIRS = 60;
const root = path.join(import.meta.dirname, '..', '..');
/** Where people are, from the picture's middle, widths; and where they are when somebody close by keeps them there. */
const PLACES = {
  anywhere: [
    { x: -0.3, y: 0.1 },
    { x: 0.3, y: 0 },
  ],
  followed: [
    { x: -0.1, y: 0.1 },
    { x: 0.1, y: 0 },
  ],
} as const;
const DEGREES = 180 / Math.PI;

interface Told {
  /** Turn between two frames that is told wrongly, degrees. */
  readonly turn: readonly number[];
  /** Zoom, share. */
  readonly zoom: readonly number[];
  /** How far apart two pictures' places come in the steady picture, two seconds after each other, share of its width. */
  readonly drift: number;
  /** Whether places lie within the stated 95 %, one coordinate at a time. */
  readonly inside: readonly boolean[];
}

function told(id: string, camera: CameraPath, at: keyof typeof PLACES, folder?: string): Told {
  const { stands, focal } = trueCamera(id, folder);
  const turned = camera.turned!;
  const { width, height, frameRate } = clipNamed(id)!.camera;
  const steady = steadyOf({ camera, width, height })!;
  // The picture that all are brought to, as the truth would have it.
  const reference = stands.map((_, i) => i).reduce((best, i) => (steady.sdAt(i) < steady.sdAt(best) ? i : best), 0);
  const off = (i: number, from: number): readonly { x: number; y: number }[] =>
    PLACES[at].map((place) => {
      const [a, b] = [
        betweenStands(estimatedStand(turned, i), estimatedStand(turned, from), turned.focal)(place),
        betweenStands(stands[i]!, stands[from]!, focal)(place),
      ];
      return { x: a.x - b.x, y: a.y - b.y };
    });
  const first = off(0, reference);
  const frames = stands.map((_, i) => i).filter((i) => i !== reference);
  return {
    turn: stands
      .slice(1)
      .flatMap((_, k) =>
        off(k + 1, k).map(({ x, y }) => (Math.hypot(x, y) / turned.focal / turned.zoom[k]!) * DEGREES),
      ),
    zoom: stands.map(({ zoom }, i) => Math.abs(turned.zoom[i]! / zoom - 1)),
    drift: Math.max(
      ...off(Math.min(stands.length - 1, 2 * frameRate), reference).map((by, i) => distance(by, first[i]!)),
    ),
    inside: frames.flatMap((i) => {
      const most = (COVERAGE_95 * steady.sdBetween(i, reference)) / width;
      return off(i, reference).flatMap(({ x, y }) => [Math.abs(x) <= most, Math.abs(y) <= most]);
    }),
  };
}

const share = (values: readonly boolean[]): number => values.filter(Boolean).length / values.length;
/** Performers filmed from so near that the camera has to turn as fast as a hand can. */
const FAST = ['pace', 'walk', 'hurdle'].map((movement) => `${movement}-side-athlete-pans-fast`);

/** They are rendered for this alone: the demo has none of them. */
function fastPans(): readonly Told[] {
  const into = path.join(root, 'test-results', 'fast-pans');
  const rendered = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'demo/render/render-clips.ts', '--only', FAST.join(','), '--into', into],
    { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] },
  );
  if (rendered.status !== 0) throw new Error('The clips of fast cameras could not be rendered.');
  return FAST.map((id) => told(id, cameraBySight(id, into), 'followed', into));
}

const cameras = MOVING_CLIPS.map(({ id, movement }) => ({
  id,
  movement: movementOf(movement)!,
  camera: cameraBySight(id),
}));
const all = cameras.map(({ id, camera }) => told(id, camera, 'anywhere'));

/** States in which the athlete is not beside what is good. */
const GOOD: readonly State[] = ['on-target', 'strength', 'style'];
const counts = { moving: 0, fixed: 0, late: 0, lateFixed: 0, proposed: 0, read: 0, inside: 0 };
for (let n = 0; n < PAIRS; n++) {
  const { id, movement, camera } = cameras[n % cameras.length]!;
  const seed = 1000 + 40 * n;
  const { moving, fixed, truth } = filmedTwice(id, movement, camera, seed);
  const other = filmedTwice(id, movement, camera, seed + 20).fixed;
  const judged = (athlete: Trial) =>
    compareAll(movement, [athlete], [fixed]).map((comparison) => judge(comparison, undefined));
  const inTruth = judged(truth);
  const falseGaps = (athlete: Trial): number =>
    judged(athlete).filter(({ state }, i) => state === 'gap' && GOOD.includes(inTruth[i]!.state)).length;
  counts.moving += falseGaps(moving);
  counts.fixed += falseGaps(other);
  const off = proposedOff(id, movement, moving);
  counts.proposed += off.length;
  counts.late += off.filter(({ frames }) => !(frames <= 3)).length;
  counts.lateFixed += proposedOff(id, movement, fixed).filter(({ frames }) => !(frames <= 3)).length;
  for (const measure of movement.measures) {
    const [read, known] = [evaluateMeasure(measure, moving), evaluateMeasure(measure, truth)];
    if (!read.measurable || !known.measurable) continue;
    counts.read++;
    if (Math.abs(differenceOf(measure, read.value, known.value)) <= COVERAGE_95 * read.sd) counts.inside++;
  }
}

/** Seconds that something takes, the least of three. */
const seconds = (work: () => void): number =>
  Math.min(
    ...[0, 1, 2].map(() => {
      const began = performance.now();
      work();
      return (performance.now() - began) / 1000;
    }),
  );
const decoding = seconds(() =>
  execFileSync('ffmpeg', ['-v', 'error', '-threads', '1', '-i', clipFile('walk-side-athlete-pans'), '-f', 'null', '-']),
);
const looking = seconds(() => void cameraBySight('walk-side-athlete-pans'));

const figure = (name: string, value: number, unit: string, goal: string, holds: boolean, against: string): Figure => ({
  bench: 'camera',
  figure: name,
  value: round(value, 4),
  unit,
  goal,
  holds,
  against,
});
/** What is told of some cameras, against their truth. */
function toldFigures(all: readonly Told[], against: string): readonly Figure[] {
  const median = (of: (t: Told) => readonly number[]): number =>
    percentile(
      all.flatMap(of).sort((a, b) => a - b),
      0.5,
    );
  const [turn, zoom] = [median((t) => t.turn), 100 * median((t) => t.zoom)];
  const drift = 100 * Math.max(...all.map((t) => t.drift));
  const inside = 100 * share(all.flatMap((t) => t.inside));
  return [
    figure('turn from frame to frame, median error', turn, 'degrees', '<= 0.15', turn <= 0.15, against),
    figure('zoom, median error', zoom, '%', '<= 0.5', zoom <= 0.5, against),
    figure('drift after two seconds, the worst', drift, '% of the width', '<= 2', drift <= 2, against),
    figure('places within the stated 95 %', inside, '%', '90 to 98', inside >= 90 && inside <= 98, against),
  ];
}
const pairs = `${PAIRS} pairs of a moving camera and a tripod`;
printFigures([
  ...toldFigures(all, `${MOVING_CLIPS.length} rendered cameras that pan, zoom and tremble`),
  ...toldFigures(fastPans(), `${FAST.length} rendered cameras that pan at up to 60 degrees a second`),
  figure(
    'false gaps',
    counts.moving,
    'gaps',
    `<= ${counts.fixed}`,
    counts.moving <= counts.fixed,
    `${pairs}; fixed against fixed`,
  ),
  figure(
    'proposed moments more than 3 frames off and not unsure',
    counts.late,
    `of ${counts.proposed}`,
    '0',
    counts.late === 0,
    `${pairs}; by the tripod ${counts.lateFixed}`,
  ),
  figure(
    'measures within the stated 95 %',
    (100 * counts.inside) / counts.read,
    '%',
    '>= 90',
    counts.inside >= 0.9 * counts.read,
    pairs,
  ),
  figure(
    'time to tell the camera',
    looking / decoding,
    'times',
    '-',
    true,
    'decoding the same clip by one thread of ffmpeg',
  ),
  ...walkerFigures(),
]);
