import { LIMITS } from '../../core/model/limits';
import type { Clip, Performer, Role } from '../../core/model/clip';
import { fail, ok, type Issue, type Result } from '../../core/result';
import {
  figureOf,
  LEAST_SURE_TRAVEL,
  proposeFigure,
  recordingOf,
  travelOf,
  viewOfCamera,
  type FigureAnswers,
} from '../../core/tracks/figure';
import { proposeMap, type MarkerMap } from '../../core/tracks/marker-map';
import { withoutHold } from '../../core/calibration/camera-state';
import { FEET_SLIDE, feetSlide } from '../../core/tracks/feet-slide';
import { oddities } from '../../core/tracks/oddities';
import { framesOf, type Recording } from '../../core/tracks/recording';
import { seenFrom, type FigureCamera } from '../../core/tracks/spatial-view';
import { mergeRecorded } from '../../core/tracks/track';
import { realTimes } from '../../core/timing/clip-time';
import { POINT_FORMATS, pointFormatOf } from '../../formats/points';
import type { PointFile, PointFileIssue } from '../../formats/points/point-format';
import { figureIndex } from '../../media/figure-source';
import type { CrashIssue } from '../../media/worker-client';
import { loadMarkerMap, saveMarkerMap } from '../../storage/marker-maps';
import { edit, useDocument } from '../stores/document-store';
import { readInWorker } from '../files/file-worker';
import { notify } from '../stores/notices';
import type { PointFileWorker } from './point-file-worker';
import { placeClip, type ClipPlace } from '../clips/clip-use-cases';
import { TEXT } from '../../text/application/tracks';

/** A file of points that the user chose; nothing of the session changes. */
export interface ProbedPoints {
  readonly fileName: string;
  readonly recordings: readonly Recording[];
  readonly warnings: readonly string[];
  /** What is proposed for each recording. */
  readonly proposals: readonly FigureAnswers[];
}

/** Larger files are taken for video without being read. */
const MOST_BYTES = 400e6;
/** Video containers, which no format of points is. */
const VIDEO = /\.(mp4|mov|m4v|mkv|webm|avi|ts|mts|3gp|mpg|mpeg|wmv)$/i;

/** Whether a file holds points rather than video, by its first bytes. */
export async function isPointFile(file: File): Promise<boolean> {
  if (VIDEO.test(file.name) || file.size > MOST_BYTES) return false;
  return pointFormatOf(new Uint8Array(await file.slice(0, 4096).arrayBuffer()), file.name) !== null;
}

/** A file that is no joke to read takes seconds; after this it is a harmful one, ms. */
const READING_TAKES = 60_000;

type ReadingIssue = PointFileIssue | CrashIssue | Issue<'cancelled'>;

const readAway = (file: File): Promise<Result<PointFile, ReadingIssue>> =>
  readInWorker<PointFileWorker, PointFile, PointFileIssue>(
    new Worker(new URL('./point-file-worker.ts', import.meta.url), { type: 'module' }),
    file,
    READING_TAKES,
    (worker) => worker.read(file),
  );

export async function probePoints(file: File): Promise<Result<ProbedPoints, ReadingIssue>> {
  const read = await readAway(file);
  if (!read.ok) return read;
  const { recordings, warnings } = read.value;
  const proposals = await Promise.all(
    recordings.map(async (recording) =>
      proposeFigure(recording, await loadMarkerMap(recording.markers.map((m) => m.name))),
    ),
  );
  const odd = proposals.flatMap((proposal) => {
    const { track, spatial } = figureOf(proposal);
    return oddities(track, spatial).map((what) => `\u201c${file.name}\u201d: ${what}.`);
  });
  return ok({ fileName: file.name, recordings, warnings: [...new Set([...warnings, ...odd])], proposals });
}

/** Adds a figure drawn from points to the session. */
export async function addFigure(
  role: Role,
  fileName: string,
  answers: FigureAnswers,
  performer: Performer,
  place: ClipPlace,
): Promise<Result<string, Issue<'no-consent' | 'no-points'>>> {
  if (!performer.consent) return fail('no-consent', TEXT.withoutConsentRecordingOfName(performer.name));
  const figure = figureOf(answers);
  if (Object.keys(figure.track).length === 0) return fail('no-points', TEXT.noMarkerOfFileName(fileName));
  const { width, height } = figure.picture;
  if (Math.max(width, height) > LIMITS.pictureSide)
    return fail('no-points', TEXT.pointsOfFileNameLie(fileName, width, height, LIMITS.pictureSide));
  await saveMarkerMap(
    answers.recording.markers.map((m) => m.name),
    answers.map,
  );
  const { rate } = answers.recording;
  const seen = figure.spatial
    ? viewOfCamera(figure.spatial, answers.camera)
    : { view: { kind: 'side' as const, offPlaneDegrees: null }, travel: travelOf(figure.track).travel };
  const index = figureIndex(
    answers.use.last - answers.use.first + 1,
    rate,
    figure.picture.width,
    figure.picture.height,
  );
  const slides = !figure.spatial && feetSlide(figure.track, rate);
  const id = await placeClip(
    role,
    { fileName, mediaId: null, index },
    { performer, ...seen, captureRate: rate },
    place,
    (session, clip) => {
      session.tracks[clip.id] = figure.track as never;
      if (slides) clip.camera = withoutHold();
      if (!figure.spatial) return;
      session.spatial[clip.id] = figure.spatial as never;
      Object.assign(clip, {
        figure: answers.camera,
        scale: { pixels: figure.pixelsPerMetre!, metres: 1, alongDegrees: 90 },
      });
    },
  );
  if (slides) notify('error', TEXT.fileNameFeetslideIfCamera(fileName, FEET_SLIDE));
  if (!figure.spatial && travelOf(figure.track).sure < LEAST_SURE_TRAVEL)
    notify('info', TEXT.whichWayPerformerOfFile(fileName));
  return ok(id);
}

/** Sees a figure from another camera; what was placed by hand on the old picture is gone (and comes back on undo). */
export function turnFigure(clip: Clip, camera: FigureCamera): void {
  edit((session) => {
    const spatial = session.spatial[clip.id];
    if (!spatial) return;
    const { track, pixelsPerMetre } = seenFrom(spatial, camera, clip);
    session.tracks[clip.id] = track as never;
    const seen = viewOfCamera(spatial, camera);
    session.clips = session.clips.map((c) =>
      c.id === clip.id
        ? { ...c, ...seen, figure: camera, scale: { pixels: pixelsPerMetre, metres: 1, alongDegrees: 90 } }
        : c,
    );
  });
}

/** Puts the points of a file, measured in this clip's picture, on its frames by their time; hand-placed points stay. */
export async function readPointsInto(
  clip: Clip,
  file: File,
): Promise<Result<string, ReadingIssue | Issue<'in-space'>>> {
  const read = await readAway(file);
  if (!read.ok) return read;
  const [recording] = read.value.recordings;
  if (!recording || recording.markers.some((m) => m.z !== null)) {
    return fail('in-space', TEXT.pointsOfNameLieIn(file.name));
  }
  const saved: MarkerMap | null = await loadMarkerMap(recording.markers.map((m) => m.name));
  const { track } = figureOf({
    recording,
    use: { first: 0, last: framesOf(recording) - 1 },
    map: saved ?? proposeMap(recording.markers.map((m) => m.name)),
    metresPerUnit: 1,
    camera: { azimuthDegrees: 0, elevationDegrees: 0 },
  });
  const times = realTimes(clip);
  edit((session) => {
    session.tracks[clip.id] = mergeRecorded(session.tracks[clip.id] ?? {}, track, times, recording.rate) as never;
  });
  const others = read.value.recordings.length - 1;
  return ok(
    [
      TEXT.countPointsOfNameAre(Object.keys(track).length, recording.name),
      ...(others > 0
        ? [others === 1 ? TEXT.fileHasOthersMoreSubject(others) : TEXT.fileHasOthersMoreSubjects(others)]
        : []),
      ...read.value.warnings,
    ].join(' '),
  );
}

/** Formats in which the points of a clip can be saved. */
export const SAVED_FORMATS: readonly { readonly id: string; readonly name: string }[] = POINT_FORMATS.map(
  ({ id, name }) => ({ id, name }),
);

/** The points of a clip as a file. */
export function pointFileOf(clip: Clip, formatId: string): { readonly fileName: string; readonly bytes: Uint8Array } {
  const format = POINT_FORMATS.find((f) => f.id === formatId)!;
  const session = useDocument.getState().session!;
  // COCO knows pictures only, and a table of a video's points is most useful in its pixels.
  const flat = format.id === 'coco' || (format.id === 'csv' && !session.spatial[clip.id]);
  const metresPerPixel = clip.scale ? clip.scale.metres / clip.scale.pixels : null;
  const recording = recordingOf(
    clip.performer.name,
    clip.captureRate,
    session.tracks[clip.id] ?? {},
    session.spatial[clip.id] ?? null,
    flat,
    metresPerPixel,
  );
  return {
    fileName: `${clip.performer.name.replace(/[^\p{L}\p{N}]+/gu, '-')}.${format.extensions[0]}`,
    bytes: format.write(recording),
  };
}
