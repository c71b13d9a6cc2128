import { BlobReader, BlobWriter, TextReader, ZipWriter } from '@zip.js/zip.js';
import { compareSides } from '../../src/core/comparison/compare';
import { newSession, type Session } from '../../src/core/model/session';
import { eventsOfMarks } from '../../src/core/trial/key-events';
import { prepareTrial } from '../../src/core/trial/trial';
import type { Issue, Result } from '../../src/core/result';
import { figureOf, proposeFigure, recordingOf } from '../../src/core/tracks/figure';
import { oddities } from '../../src/core/tracks/oddities';
import { cutRecording, type Recording } from '../../src/core/tracks/recording';
import { ORIGIN, type PointSeries, type Track } from '../../src/core/tracks/track';
import { POINT_FORMATS, readPointFile } from '../../src/formats/points';
import { readSessionFile } from '../../src/formats/session-archive/session-file';
import { movementJson } from '../../src/formats/movement-json/movement-json';
import { sessionJson } from '../../src/formats/session-json/session-json';
import { movementOf, MOVEMENTS } from '../../src/movements';
import { stickClip } from '../../tests/fixtures/stick-trial';
import { mutateBytes, mutateText } from './mutate';

/** A reader with a small file that it accepts, and what must hold for whatever else it accepts. */
export interface Reader {
  readonly name: string;
  readonly seed: Uint8Array;
  readonly mutate: (seed: Uint8Array, next: () => number) => Uint8Array;
  /** Reads, uses, saves and opens again; throws where one of them does not go. */
  readonly tryOut: (bytes: Uint8Array) => Promise<'accepted' | 'refused'>;
}

const textOf = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);
const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);
const asText = (seed: Uint8Array, next: () => number): Uint8Array => bytesOf(mutateText(textOf(seed), next));

/** The longest message that a screen shows whole. */
const LONGEST_MESSAGE = 2000;

/** A refusal has words for people. */
function refused({ message }: Issue): 'refused' {
  if (message.trim() === '' || message.length > LONGEST_MESSAGE)
    throw new Error(`a refusal of ${message.length} characters: ${message.slice(0, 80)}`);
  return 'refused';
}

function demand<T>(result: Result<T, Issue>, what: string): T {
  if (!result.ok) throw new Error(`${what}: ${result.issue.message.slice(0, 200)}`);
  return result.value;
}

const FRAMES = 41;
/** A point that goes its way in a straight line. */
const line = (x: number, y: number, step: number): PointSeries => ({
  x: Float64Array.from({ length: FRAMES }, (_, i) => x + step * i),
  y: new Float64Array(FRAMES).fill(y),
  confidence: new Float32Array(FRAMES).fill(1),
  origin: new Uint8Array(FRAMES).fill(ORIGIN.recorded),
});
const track: Track = {
  'left-hip': line(400, 400, 1),
  'right-hip': line(420, 400, 1),
  'left-knee': line(410, 520, 2),
  'right-ankle': line(430, 640, 1),
};

function pointsReader(format: (typeof POINT_FORMATS)[number], recording: Recording): Reader {
  const file = `seed.${format.extensions[0]}`;
  return {
    name: format.name,
    seed: format.write(recording),
    mutate: format.id === 'c3d' ? mutateBytes : asText,
    async tryOut(bytes) {
      const read = readPointFile(bytes, file);
      if (!read.ok) return refused(read.issue);
      for (const recording of read.value.recordings) {
        const answers = proposeFigure(recording, null);
        const { track, spatial } = figureOf(answers);
        oddities(track, spatial);
        const again = demand(readPointFile(format.write(recording), file), 'written, it is refused');
        if (again.recordings.length === 0) throw new Error('nothing of it is there after saving');
      }
      return 'accepted';
    },
  };
}

const mark = (frame: number) => ({ frame, proposed: null });
const MARKS = { 'back-foot-contact': mark(4), 'front-foot-contact': mark(15.5), release: mark(30) };
const clips = (['athlete', 'reference'] as const).map((role) =>
  stickClip({ id: role, role, mediaId: null, fileName: `${role}.csv`, codec: 'points' }),
);
const session: Session = {
  ...newSession('seed', 'Seed', 'pace-delivery', '2026-03-02T09:00:00.000Z'),
  clips,
  marks: Object.fromEntries(clips.map(({ id }) => [id, MARKS])),
  tracks: Object.fromEntries(clips.map(({ id }) => [id, track])) as Session['tracks'],
};

/** Everything is measured and compared, as the screens do it. */
function measure({ clips: all, tracks, marks, checks, movementId, ownMovement }: Session): void {
  const movement = ownMovement ?? movementOf(movementId);
  if (!movement) return;
  const side = (role: 'athlete' | 'reference') =>
    all
      .filter((clip) => clip.role === role)
      .map((clip) => {
        const prepared = prepareTrial(clip, tracks[clip.id] ?? {}, marks[clip.id] ?? {}, 20, checks[clip.id] ?? {});
        return [{ ...prepared, ...eventsOfMarks(marks[clip.id] ?? {}) }];
      });
  compareSides(movement, side('athlete'), side('reference'));
}

async function trySession(bytes: Uint8Array, file: string): Promise<'accepted' | 'refused'> {
  const name = new File([bytes as BlobPart], file);
  const fresh = { id: 'fresh', now: '2026-01-01T00:00:00.000Z' };
  const repaired = await readSessionFile(name, fresh);
  if (repaired.ok) measure(repaired.value.session);
  const read = await readSessionFile(name, null);
  if (!read.ok) return refused(read.issue);
  if (!repaired.ok) throw new Error('it opens, and cannot be repaired');
  measure(read.value.session);
  const written = sessionJson.write(read.value.session);
  const again = demand(sessionJson.read(written, file), 'written, it is refused');
  if (sessionJson.write(again) !== written) throw new Error('it is another session after saving');
  return 'accepted';
}

const movementReader: Reader = {
  name: 'movement',
  seed: bytesOf(movementJson.write(MOVEMENTS.at(-1)!)),
  mutate: asText,
  async tryOut(bytes) {
    const read = movementJson.read(textOf(bytes), 'seed.json');
    if (!read.ok) return refused(read.issue);
    measure({ ...session, ownMovement: read.value, movementId: read.value.id });
    const again = demand(movementJson.read(movementJson.write(read.value), 'seed.json'), 'written, it is refused');
    if (movementJson.write(again) !== movementJson.write(read.value))
      throw new Error('it is another movement after saving');
    return 'accepted';
  },
};

async function archived(): Promise<Uint8Array> {
  const zip = new ZipWriter(new BlobWriter('application/zip'), { useWebWorkers: false });
  await zip.add('session.falcon.json', new TextReader(sessionJson.write(session)));
  await zip.add('video/media/clip.webm', new BlobReader(new Blob(['a video'])), { level: 0 });
  return new Uint8Array(await (await zip.close()).arrayBuffer());
}

export async function readers(): Promise<readonly Reader[]> {
  // A few frames of it: small files are changed where it matters.
  const flat = cutRecording(recordingOf('seed', 100, track, null, true, null), { first: 0, last: 7 });
  const spatial: Recording = {
    ...flat,
    unit: 'mm',
    markers: flat.markers.map((m) => ({ ...m, z: m.x.map((v) => v / 2) })),
  };
  const inSpace = new Set(['c3d', 'bvh', 'trc']);
  return [
    ...POINT_FORMATS.map((format) => pointsReader(format, inSpace.has(format.id) ? spatial : flat)),
    {
      name: 'session',
      seed: bytesOf(sessionJson.write(session)),
      mutate: asText,
      tryOut: (bytes) => trySession(bytes, 'seed.falcon.json'),
    },
    {
      name: 'session archive',
      seed: await archived(),
      mutate: mutateBytes,
      tryOut: (bytes) => trySession(bytes, 'seed.falcon.zip'),
    },
    movementReader,
  ];
}
