import { FIRST_REFERENCE } from '../src/core/model/reference-model';
import { existsSync } from 'node:fs';
import { mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { deriveTrack } from '../src/core/detections/kept-detections';
import { realTimes } from '../src/core/timing/clip-time';
import { sessionJson } from '../src/formats/session-json/session-json';
import type { Clip } from '../src/core/model/clip';
import { newSession, type Session } from '../src/core/model/session';
import { ORIGIN, type Track } from '../src/core/tracks/track';
import { movementOf } from '../src/movements';
import { HURDLE_HEIGHT } from './athlete/sprint-hurdles';
import { project } from './camera/camera';
import { marked } from './marked';
import {
  addClip,
  clipFile,
  createSession,
  detectAllPoints,
  goToStep,
  openBrowser,
  root,
  startServer,
} from './drive-job';
import { DEMO_CLIPS, type DemoClip } from './scenario';
import type { ClipTruth } from './truth';

/**
 * Makes the demo sessions: the points are detected by the application itself, through its interface, on the demo files;
 * the moments are marked on the frames nearest to their true times, as somebody would who sees them. `npm run
 * demo:session [-- --keep FOLDER]` (after `npm run demo` has built the application); points that lie in the folder from
 * an earlier run are not found again.
 */
const folder = path.join(root, 'demo', 'clips');
const keepAt = process.argv.indexOf('--keep');
const keep = keepAt < 0 ? await mkdtemp(path.join(tmpdir(), 'falcon-found-')) : process.argv[keepAt + 1]!;

const scene = (id: string): DemoClip => DEMO_CLIPS.find((clip) => clip.id === id)!;
const truthOf = async (id: string): Promise<ClipTruth> =>
  JSON.parse(await readFile(path.join(folder, `${id}.truth.json`), 'utf8')) as ClipTruth;

interface Found {
  readonly clip: Clip;
  readonly track: Track;
  readonly detections: Session['detections'][string] | undefined;
}

async function readFound(file: string): Promise<readonly Found[]> {
  const read = sessionJson.read(await readFile(file, 'utf8'), file);
  if (!read.ok) throw new Error(read.issue.message);
  const { clips, tracks, detections } = read.value;
  return clips.map((clip) => {
    const [track, before] = [tracks[clip.id] ?? {}, detections[clip.id]];
    if (!before) return { clip, track, detections: before };
    // Rules may have become better since they were detected.
    const derived = deriveTrack(track, realTimes(clip), before, before);
    return { clip, track: derived.track, detections: derived.kept as Found['detections'] };
  });
}

/** Points of two clips, found in a session of their own. */
async function findPair(first: string, second: string): Promise<readonly Found[]> {
  const file = path.join(keep, `${first}+${second}.falcon.json`);
  if (!existsSync(file)) {
    const userData = await mkdtemp(path.join(tmpdir(), 'falcon-'));
    const server = await startServer();
    const browser = await openBrowser(userData);
    try {
      const page = await browser.newPage();
      page.on('pageerror', (error) => console.error(error));
      // Frames are detected round the key events that the movement proposes.
      const { sport, name: movement } = movementOf(scene(first).movement)!;
      await createSession(page, server.address, `${first} and ${second}`, `${sport}: ${movement}`);
      const travel = (id: string): 'left' | 'right' => (scene(id).camera.azimuth > 0 ? 'right' : 'left');
      await addClip(page, 'athlete', clipFile(first), { name: scene(first).performer, travel: travel(first) });
      await addClip(page, 'reference', clipFile(second), { name: scene(second).performer, travel: travel(second) });
      const started = Date.now();
      await detectAllPoints(page, 'Accurate');
      console.log(`${first}, ${second}: points detected in ${((Date.now() - started) / 1000).toFixed(0)} s`);
      await goToStep(page, 'Report');
      const download = page.waitForEvent('download');
      await page.getByRole('button', { name: 'Save the session without video' }).click();
      await mkdir(keep, { recursive: true });
      await (await download).saveAs(file);
    } finally {
      await browser.close();
      server.stop();
      await rm(userData, { recursive: true, force: true });
    }
  }
  return readFound(file);
}

/** A point that does not move, placed by hand once and kept. */
function standing(track: Track, id: 'own-hurdle', at: { x: number; y: number }, frames: number): Track {
  return {
    ...track,
    [id]: {
      x: new Float64Array(frames).fill(Math.round(at.x)),
      y: new Float64Array(frames).fill(Math.round(at.y)),
      confidence: new Float32Array(frames).fill(1),
      origin: new Uint8Array(frames).fill(ORIGIN.hand),
    },
  };
}

interface Member {
  readonly id: string;
  readonly role: 'athlete' | 'reference';
  readonly onBench?: boolean;
  readonly minor?: boolean;
  /** The clip of the same performance that it is a further camera of. */
  readonly beside?: string;
}

/** What the interface would have been told of a clip's view. */
const viewKind = ({ camera }: DemoClip): Clip['view']['kind'] =>
  camera.elevation > 60 ? 'overhead' : Math.abs(camera.azimuth) < 40 ? 'front' : 'side';

/** Two instants that both cameras show, on the nearest frames: both began with the same frame. */
const commonInstants = ({ moments, frameRate }: ClipTruth): { own: number; other: number }[] =>
  ['back-foot-contact', 'release'].map((id) => {
    const frame = Math.round(moments[id]! * frameRate);
    return { own: frame, other: frame };
  });

/**
 * Puts found clips together to a session; ids and file names are fixed, so that making it again changes only what was
 * measured.
 */
async function assemble(
  base: Session,
  members: readonly Member[],
  found: ReadonlyMap<string, Found>,
): Promise<Session> {
  const session: Session = { ...base, clips: [], tracks: {}, detections: {}, marks: {}, repetitions: {} };
  for (const { id, role, onBench = true, beside } of members) {
    const { clip, track, detections } = found.get(id)!;
    const truth = await truthOf(id);
    const demo = scene(id);
    const last = clip.frameTimes.length - 1;
    const clipId = `demo-${id}`;
    const hurdle = demo.perform().objects['own-hurdle']?.(0);
    const foot = hurdle && project(demo.camera, { ...hurdle, y: 0 });
    const top = hurdle && project(demo.camera, hurdle);
    session.clips.push({
      ...clip,
      id: clipId,
      role,
      onBench,
      mediaId: `demo-media-${id}`,
      view: { kind: viewKind(demo), offPlaneDegrees: null, downDegrees: Math.round(demo.camera.elevation) },
      sync: beside === undefined ? null : { to: `demo-${beside}`, pairs: commonInstants(truth) },
      performer: {
        ...clip.performer,
        name: demo.performer,
        segmentTable: demo.movement === 'pace-delivery' ? 'male' : 'female',
      },
      scale:
        foot && top
          ? { pixels: Math.round(Math.hypot(top.x - foot.x, top.y - foot.y)), metres: HURDLE_HEIGHT, alongDegrees: 90 }
          : null,
    });
    session.tracks[clipId] = (top ? standing(track, 'own-hurdle', top, last + 1) : track) as Session['tracks'][string];
    if (detections) session.detections[clipId] = detections;
    if (beside !== undefined) continue;
    session.marks[clipId] = marked(movementOf(demo.movement)!, truth.moments, truth.frameRate, last);
    const all = (truth.repetitions ?? []).map((moments) =>
      marked(movementOf(demo.movement)!, moments, truth.frameRate, last),
    );
    if (all.length > 1) session.repetitions[clipId] = { all, chosen: 0, average: true };
  }
  return session;
}

const write = async (name: string, session: Session): Promise<void> =>
  writeFile(path.join(folder, `${name}-session.falcon.json`), sessionJson.write(session));
const several: Session['referenceModel'] = { ...FIRST_REFERENCE, kind: 'several' };

const found = new Map<string, Found>();
for (const [first, second] of [
  ['walk-side-athlete', 'walk-side-reference'],
  ['hurdle-side-athlete', 'hurdle-side-reference'],
  ['walk-side-reference-2', 'walk-side-reference-3'],
  ['hurdle-side-reference-2', 'hurdle-side-reference-3'],
  ['pace-side-athlete', 'pace-side-reference'],
  ['pace-side-reference-2', 'pace-side-reference-3'],
  ['pace-side-athlete-autumn', 'pace-side-athlete-winter'],
  ['pace-front-athlete', 'pace-front-reference'],
] as const) {
  for (const one of await findPair(first, second)) found.set(one.clip.fileName.replace(/\.webm$/, ''), one);
}

const CREATED = '2026-03-02T09:00:00.000Z';
await write(
  'pace',
  await assemble(
    {
      ...newSession('demo-pace', 'Kip Marlowe, pace delivery, early season', 'pace-delivery', CREATED),
      daysToCompetition: 210,
      impressions:
        'Runs in well and lands tall on the back foot. Seems to sink as the ball goes; the front arm looks hurried.',
    },
    [
      { id: 'pace-side-athlete', role: 'athlete' },
      { id: 'pace-side-reference', role: 'reference' },
      { id: 'pace-side-reference-2', role: 'reference', onBench: false },
      { id: 'pace-side-reference-3', role: 'reference', onBench: false },
    ],
    found,
  ),
);
await write(
  'pace-two-cameras',
  await assemble(
    {
      ...newSession('demo-two-cameras', 'Kip Marlowe, pace delivery, two cameras', 'pace-delivery', CREATED),
      daysToCompetition: 210,
      impressions: 'The same trial from the side and from the front.',
    },
    [
      { id: 'pace-side-athlete', role: 'athlete' },
      { id: 'pace-front-athlete', role: 'athlete', beside: 'pace-side-athlete' },
      { id: 'pace-side-reference', role: 'reference' },
      { id: 'pace-front-reference', role: 'reference', beside: 'pace-side-reference' },
    ],
    found,
  ),
);
for (const [season, name, day, impressions] of [
  ['autumn', 'autumn trial', '2025-10-06', 'Folds over the front knee. Everything comes late.'],
  [
    'winter',
    'winter block',
    '2026-01-12',
    'Stands taller on the front leg than in autumn, and reaches further down for it.',
  ],
] as const) {
  await write(
    `pace-${season}`,
    await assemble(
      {
        ...newSession(
          `demo-pace-${season}`,
          `Kip Marlowe, pace delivery, ${name}`,
          'pace-delivery',
          `${day}T09:00:00.000Z`,
        ),
        daysToCompetition: 300,
        impressions,
      },
      [
        { id: `pace-side-athlete-${season}`, role: 'athlete' },
        { id: 'pace-side-reference', role: 'reference' },
      ],
      found,
    ),
  );
}
await write(
  'walk',
  await assemble(
    {
      ...newSession('demo-walk', 'Tess Halloran, race walking, base block', 'race-walking', CREATED),
      daysToCompetition: 96,
      referenceModel: several,
      impressions: 'Quick and tidy, a little bent over. The steps look bouncy.',
    },
    [
      { id: 'walk-side-athlete', role: 'athlete' },
      { id: 'walk-side-reference', role: 'reference' },
      { id: 'walk-side-reference-2', role: 'reference', onBench: false },
      { id: 'walk-side-reference-3', role: 'reference', onBench: false },
    ],
    found,
  ),
);
await write(
  'hurdle',
  await assemble(
    {
      ...newSession('demo-hurdle', 'Pia Korhola, hurdles, winter camp', 'sprint-hurdles', CREATED),
      daysToCompetition: 61,
      impressions: 'Gets close to the hurdle and sails over it. Sits up.',
    },
    [
      { id: 'hurdle-side-athlete', role: 'athlete' },
      { id: 'hurdle-side-reference', role: 'reference' },
      { id: 'hurdle-side-reference-2', role: 'reference', onBench: false },
      { id: 'hurdle-side-reference-3', role: 'reference', onBench: false },
    ],
    found,
  ),
);
