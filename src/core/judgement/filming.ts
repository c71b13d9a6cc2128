import type { ViewKind } from '../model/clip';
import type { Trial } from '../trial/trial';
import { cameraAhead, cameraDown } from '../calibration/view';
import type { NotMeasurable } from '../reading';
import { durationSd } from '../statistics/event-time';
import { COVERAGE_95 } from '../statistics/normal';
import type { Judged } from './state';
import { TEXT } from '../../text/core/judgement';

/** What to film better next time, and what it would make measurable. */
export interface FilmingRequest {
  readonly request: string;
  readonly because: string;
  /** Names of the measures that it would help. */
  readonly measures: readonly string[];
}

const CAMERA_REASONS: readonly NotMeasurable['reason'][] = [
  'wrong-view',
  'view-too-oblique',
  'camera-moves',
  'too-uncertain',
  'not-visible',
];
/** What is read once its moments and points are there, whatever the camera saw. */
const STILL_TO_DO: readonly NotMeasurable['reason'][] = ['moment-missing', 'unsure-moment', 'point-missing'];
/** Cameras of both clips that stand farther apart than this are to be brought together, degrees. */
const APART = 10;
/** Where a camera of each view is square. */
const SQUARE: Readonly<Record<ViewKind, string>> = {
  side: TEXT.atRightAnglesToWay,
  front: TEXT.straightInFrontOfPerformer,
  back: TEXT.straightBehindPerformer,
  overhead: TEXT.straightAbovePerformer,
};
/** A performer lower than this share of the picture is filmed from too far away. */
const SMALL = 0.3;

/** Requests collected from everything that could not be measured, and from how the two clips were filmed. */
export function filmingRequests(
  judged: readonly Judged[],
  athlete: Trial | null,
  reference: Trial | null,
): readonly FilmingRequest[] {
  const requests = new Map<string, { because: string; measures: string[] }>();
  const add = (request: string, because: string, measure: string | null): void => {
    const known = requests.get(request) ?? { because, measures: [] };
    if (measure && !known.measures.includes(measure)) known.measures.push(measure);
    requests.set(request, known);
  };
  for (const { measure, athlete: a, reference: r } of judged) {
    for (const reading of [a, r])
      if (!reading.measurable && CAMERA_REASONS.includes(reading.reason))
        add(reading.remedy, reading.message, measure.name);
  }
  if (athlete && reference && athlete.clip.view.kind === reference.clip.view.kind) {
    const apart = (Math.abs(cameraAhead(athlete.clip) - cameraAhead(reference.clip)) * 180) / Math.PI;
    if (apart > APART)
      add(
        TEXT.standWhereReferencesCameraStood(SQUARE[athlete.clip.view.kind]),
        TEXT.twoCamerasStandDegreesApart(Math.round(apart)),
        null,
      );
    const higher = ((cameraDown(athlete.clip).angle - cameraDown(reference.clip).angle) * 180) / Math.PI;
    if (Math.abs(higher) > APART)
      add(
        TEXT.filmFromReferencesHeight,
        TEXT.oneLooksDownMore(higher > 0 ? TEXT.athlete : TEXT.reference, Math.round(Math.abs(higher))),
        null,
      );
  }
  if (athlete) {
    const share = athlete.bodyHeight / athlete.clip.height;
    if (share < SMALL) {
      const nearer = Math.round((1 - share / 0.5) * 100);
      add(TEXT.goNearerOrZoom(nearer), TEXT.performerIsOfPicturesHeight(Math.round(100 * share)), null);
    }
    const unsure = judged.filter(
      (j) =>
        j.state === 'within-error' &&
        j.athlete.measurable &&
        (j.athlete.unit === 'ms' || j.athlete.unit === 's') &&
        j.measure.target,
    );
    if (unsure.length > 0 && athlete.clip.captureRate < 200)
      for (const j of unsure)
        add(
          TEXT.filmAtFramesPerSecond(athlete.clip.captureRate < 100 ? 120 : 240),
          TEXT.atFramesPerSecondTime(
            athlete.clip.captureRate,
            (1000 * COVERAGE_95 * durationSd(athlete.interval)).toFixed(0),
          ),
          j.measure.name,
        );
  }
  return [...requests].map(([request, { because, measures }]) => ({ request, because, measures }));
}

/**
 * What is said where nothing is to be filmed otherwise: only of what was read is that known. Null where nothing was
 * read, or where there is something to ask for.
 */
export function filmedWell(judged: readonly Judged[], requests: readonly FilmingRequest[]): string | null {
  if (requests.length > 0 || !judged.some(({ athlete }) => athlete.measurable)) return null;
  const waiting = judged.filter((j) =>
    [j.athlete, j.reference].some((r) => !r.measurable && STILL_TO_DO.includes(r.reason)),
  ).length;
  return waiting === 0 ? TEXT.nothingToFilmBetter : TEXT.nothingToFilmBetterSoFar(waiting, judged.length);
}
