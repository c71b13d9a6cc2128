import { wrapDegrees } from '../geometry/angle';
import { viewFrom } from '../calibration/camera-direction';
import type { Size } from '../geometry/vec2';
import type { Clip, View } from '../model/clip';
import { proposeMap, spatialTrack, type MarkerMap, type SpatialSeries, type SpatialTrack } from './marker-map';
import type { PointId } from '../anatomy/body-points';
import { cutRecording, framesOf, LENGTH_UNITS, type Marker, type Recording } from './recording';
import { seenFrom, sideAzimuth, spatialHeight, type FigureCamera } from './spatial-view';
import { isFromDetector, ORIGIN, type PointSeries, type Track } from './track';

/** Size of the picture in which points in space are drawn, pixels. */
export const FIGURE_PICTURE: Size = { width: 1280, height: 720 };
/** Room beside the points of a flat recording, share of its extent. */
const MARGIN = 0.05;
const LEAST_PICTURE = 320;

/** A recording with the answers that make a clip of it. */
export interface FigureAnswers {
  readonly recording: Recording;
  /** The frames that are used: one attempt of a long recording. */
  readonly use: { readonly first: number; readonly last: number };
  readonly map: MarkerMap;
  readonly metresPerUnit: number;
  readonly camera: FigureCamera;
}

export interface Figure {
  readonly picture: Size;
  readonly track: Track;
  /** Points in space, metres; null for a flat recording. */
  readonly spatial: SpatialTrack | null;
  readonly pixelsPerMetre: number | null;
}

const isSpatial = (recording: Recording): boolean => recording.markers.every((m) => m.z !== null);

function flatTrack({ markers }: Recording, map: MarkerMap): Track {
  const track: Partial<Record<PointId, PointSeries>> = {};
  for (const [id, names] of Object.entries(map) as [PointId, readonly string[]][]) {
    const used = names.flatMap((name) => markers.find((m) => m.name === name) ?? []);
    if (used.length === 0) continue;
    const mean = (axis: 'x' | 'y'): Float64Array =>
      used[0]!.x.map((_, i) => used.reduce((sum, m) => sum + m[axis][i]!, 0) / used.length);
    const x = mean('x');
    // What a detector found errs as detectors do, whichever program kept it.
    const sure = used.length === 1 ? used[0]!.confidence : undefined;
    const isDetected = (i: number): boolean => sure !== undefined && !Number.isNaN(sure[i]!);
    track[id] = {
      x,
      y: mean('y'),
      confidence: Float32Array.from(x, (v, i) => (Number.isNaN(v) ? 0 : isDetected(i) ? sure![i]! : 1)),
      origin: Uint8Array.from(x, (v, i) =>
        Number.isNaN(v) ? ORIGIN.missing : isDetected(i) ? ORIGIN.detected : ORIGIN.recorded,
      ),
    };
  }
  return track;
}

/** A drawn figure from points: seen from a camera where they lie in space, as they are where they lie in a picture. */
export function figureOf({ recording: whole, use, map, metresPerUnit, camera }: FigureAnswers): Figure {
  const recording = cutRecording(whole, use);
  if (isSpatial(recording)) {
    const spatial = spatialTrack(recording, map, metresPerUnit);
    return { picture: FIGURE_PICTURE, spatial, ...seenFrom(spatial, camera, FIGURE_PICTURE) };
  }
  const track = flatTrack(recording, map);
  const extent = (axis: 'x' | 'y'): number => {
    let most = LEAST_PICTURE;
    for (const series of Object.values(track) as PointSeries[]) for (const v of series[axis]) if (v > most) most = v;
    return Math.ceil(most * (1 + MARGIN));
  };
  return { picture: { width: extent('x'), height: extent('y') }, track, spatial: null, pixelsPerMetre: null };
}

/** Standing height from which an unknown unit of length is computed, until the user gives another, metres. */
export const USUAL_HEIGHT = 1.75;

/** What is taken until the user says otherwise: names that are known, the unit of the file, a camera at the side. */
export function proposeFigure(recording: Recording, saved: MarkerMap | null): FigureAnswers {
  const map = saved ?? proposeMap(recording.markers.map((m) => m.name));
  const metresPerUnit = LENGTH_UNITS[recording.unit] ?? metresByHeight(recording, map, USUAL_HEIGHT);
  const azimuthDegrees = isSpatial(recording)
    ? Math.round(sideAzimuth(spatialTrack(recording, map, metresPerUnit)))
    : 0;
  return {
    recording,
    use: { first: 0, last: framesOf(recording) - 1 },
    map,
    metresPerUnit,
    camera: { azimuthDegrees, elevationDegrees: 0 },
  };
}

/** Other frames of the same recording, seen from the side of what happens in them. */
export function withFrames(answers: FigureAnswers, use: FigureAnswers['use']): FigureAnswers {
  if (!isSpatial(answers.recording)) return { ...answers, use };
  const spatial = spatialTrack(cutRecording(answers.recording, use), answers.map, answers.metresPerUnit);
  return { ...answers, use, camera: { ...answers.camera, azimuthDegrees: Math.round(sideAzimuth(spatial)) } };
}

/** Length of a recording's unit if the performer stands so tall (metres); 1 where the height cannot be seen. */
export function metresByHeight(recording: Recording, map: MarkerMap, height: number): number {
  if (!isSpatial(recording)) return 1;
  const units = spatialHeight(spatialTrack(recording, map, 1));
  return units > 0 ? height / units : 1;
}

/** From here on a camera is above rather than beside, degrees of elevation. */
const OVERHEAD = 60;

/** Which view of the movement a camera has, and to which side the performer moves in its picture. */
export function viewOfCamera(
  spatial: SpatialTrack,
  { azimuthDegrees, elevationDegrees }: FigureCamera,
): { view: View; travel: 'left' | 'right' } {
  const off = Math.round(wrapDegrees(azimuthDegrees - sideAzimuth(spatial)));
  if (elevationDegrees > OVERHEAD)
    return {
      view: { kind: 'overhead', offPlaneDegrees: 90 - elevationDegrees },
      travel: Math.abs(off) > 90 ? 'left' : 'right',
    };
  return viewFrom(90 - off);
}

/** To which side a performer in a picture faces, and how surely that is told. */
export interface Travel {
  readonly travel: 'left' | 'right';
  /** 0 where nothing tells, 1 where all that tells says the same. */
  readonly sure: number;
}

/** A direction that is told less surely than this is a question. */
export const LEAST_SURE_TRAVEL = 0.4;
/** Hips that go so many of their distance to the knee surely go somewhere. */
const SURE_WAY = 1.5;

/** To which side a performer in a picture faces: where the feet point on most frames, or else where the hips go. */
export function travelOf(track: Track): Travel {
  let [ahead, frames] = [0, 0];
  for (const side of ['left', 'right'] as const) {
    const [heel, toe] = [track[`${side}-heel`] ?? track[`${side}-ankle`], track[`${side}-foot-index`]];
    if (!heel || !toe) continue;
    toe.x.forEach((x, i) => {
      const sign = Math.sign(x - heel.x[i]!);
      if (Number.isNaN(sign)) return;
      ahead += sign;
      frames++;
    });
  }
  if (ahead !== 0) return { travel: ahead < 0 ? 'left' : 'right', sure: Math.abs(ahead) / frames };
  const side = track['left-hip'] ? 'left' : 'right';
  const [hip, knee] = [track[`${side}-hip`], track[`${side}-knee`]];
  const trajectory = Array.from(hip?.x ?? []).filter((x) => !Number.isNaN(x));
  if (!hip || trajectory.length < 2) return { travel: 'right', sure: 0 };
  const gone = trajectory.at(-1)! - trajectory[0]!;
  const thighs = knee
    ? Array.from(hip.y, (y, i) => Math.hypot(knee.x[i]! - hip.x[i]!, knee.y[i]! - y))
        .filter((v) => !Number.isNaN(v))
        .sort((p, q) => p - q)
    : [];
  const thigh = thighs[thighs.length >> 1];
  return {
    travel: gone < 0 ? 'left' : 'right',
    sure: thigh ? Math.min(1, Math.abs(gone) / (SURE_WAY * thigh)) : LEAST_SURE_TRAVEL,
  };
}

/** Points that say so surely which way somebody goes are held against what is said of a clip. */
const SURE_TRAVEL = 0.6;

/** The way that the points of a clip from the side say, where it is plainly another than the one stated; else null. */
export function otherTravel({ view, travel }: Pick<Clip, 'view' | 'travel'>, track: Track): 'left' | 'right' | null {
  if (view.kind !== 'side') return null;
  const said = travelOf(track);
  return said.sure >= SURE_TRAVEL && said.travel !== travel ? said.travel : null;
}

/**
 * The points of a clip as a recording: in metres with y upwards where its scale is known, else in pixels of the
 * picture.
 */
export function recordingOf(
  name: string,
  rate: number,
  track: Track,
  spatial: SpatialTrack | null,
  flat: boolean,
  metresPerPixel: number | null,
): Recording {
  if (spatial && !flat) {
    return {
      name,
      rate,
      unit: 'm',
      up: 'y',
      markers: (Object.entries(spatial) as [PointId, SpatialSeries][]).map(([id, { x, y, z }]): Marker => ({
        name: id,
        x,
        y,
        z,
      })),
    };
  }
  const scale = flat ? 1 : (metresPerPixel ?? 1);
  const markers = (Object.entries(track) as [PointId, PointSeries][]).map(([id, series]): Marker => {
    const { x, y, confidence, origin } = series;
    return {
      name: id,
      x: x.map((v) => v * scale),
      y: y.map((v) => (flat ? v : -v * scale)),
      z: flat ? null : x.map((v) => (Number.isNaN(v) ? NaN : 0)),
      ...(origin.some(isFromDetector)
        ? { confidence: Float64Array.from(confidence, (c, i) => (isFromDetector(origin[i]) ? c : NaN)) }
        : {}),
    };
  });
  return { name, rate, unit: flat || metresPerPixel === null ? 'px' : 'm', up: 'y', markers };
}
