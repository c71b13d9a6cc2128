import type { Marker, Recording } from './recording';
import { framesOf } from './recording';
import { BODY_POINTS, isBodyPoint, isOwnPoint, type BodyPoint, type PointId, type Side } from '../anatomy/body-points';

/** Which markers make each point: their mean. A point without markers is not known. */
export type MarkerMap = Readonly<Partial<Record<PointId, readonly string[]>>>;

/** A marker's name without the subject before a colon and without signs: "Subject:L_Knee" is "lknee". */
const plain = (name: string): string =>
  name
    .slice(name.lastIndexOf(':') + 1)
    .toLowerCase()
    .replace(/[^a-z0-9]/g, '');

/**
 * Names that joints and markers commonly have (common practice), the best first; each list names the markers whose mean
 * is the joint. `S` stands for left or right, written as a whole word or a letter.
 */
const JOINT_NAMES: Readonly<Record<string, readonly (readonly string[])[]>> = {
  shoulder: [['Sarm'], ['Suparm'], ['Sshoulder'], ['Ssho'], ['Sfsh', 'Sbsh'], ['Sacromion']],
  elbow: [['Sforearm'], ['Slowarm'], ['Selbow'], ['Selb', 'Siel'], ['Selb']],
  wrist: [['Shand'], ['Swrist'], ['Swra', 'Swrb'], ['Sowr', 'Siwr'], ['Swri'], ['Swre']],
  hip: [['Supleg'], ['Sthigh'], ['Ship', 'Smwt'], ['Ship'], ['Shjc'], ['Sasi', 'Spsi'], ['Smwt'], ['Sfwt', 'Sbwt']],
  knee: [['Sleg'], ['Slowleg'], ['Sshin'], ['Sknee'], ['Skne', 'Skni'], ['Skne']],
  ankle: [['Sfoot'], ['Sankle'], ['Sank', 'Sani'], ['Sank'], ['Smalleolus']],
  heel: [['Sheel'], ['Shee'], ['Shel']],
  'foot-index': [
    ['Stoebaseend'],
    ['Stoesend'],
    ['Sfootindex'],
    ['Stoe'],
    ['Sbigtoe'],
    ['Smt1', 'Smt5'],
    ['Stoebase'],
    ['Stoes'],
  ],
  ear: [['Sear'], ['Sfhd', 'Sbhd'], ['head', 'headend'], ['head']],
};
const NOSE: readonly (readonly string[])[] = [['nose'], ['lfhd', 'rfhd'], ['headend'], ['head']];
const SIDES: Readonly<Record<Side, readonly string[]>> = { left: ['left', 'l'], right: ['right', 'r'] };

/** Where a foot's own markers are missing its ends stand in for each other. */
const STAND_IN: Readonly<Record<string, string>> = { heel: 'ankle', 'foot-index': 'ankle' };

/**
 * The markers that most probably make each point, by their names; every marker that is called like a point is that
 * point.
 */
export function proposeMap(names: readonly string[]): MarkerMap {
  const byPlain = new Map([...names].reverse().map((name) => [plain(name), name]));
  const all = (list: readonly string[]): readonly string[] | undefined => {
    const found = list.map((word) => byPlain.get(word));
    return found.includes(undefined) ? undefined : (found as string[]);
  };
  const map: Partial<Record<PointId, readonly string[]>> = {};
  for (const side of ['left', 'right'] as const) {
    for (const [joint, lists] of Object.entries(JOINT_NAMES)) {
      const found = lists
        .flatMap((list) => SIDES[side].map((word) => all(list.map((name) => name.replace('S', word)))))
        .find((l) => l !== undefined);
      if (found) map[`${side}-${joint}` as BodyPoint] = found;
    }
    // Joint chains name what a joint moves, marker sets where it lies: "left hand" ends a chain only where nothing is
    // called wrist.
    for (const [joint, instead] of Object.entries(STAND_IN))
      map[`${side}-${joint}` as BodyPoint] ??= map[`${side}-${instead}` as BodyPoint];
  }
  const nose = NOSE.map(all).find((l) => l !== undefined);
  if (nose) map.nose = nose;
  for (const name of names) {
    const id = name.toLowerCase().replace(/[_ ]/g, '-');
    if (isBodyPoint(id) || isOwnPoint(id)) map[id] = [name];
  }
  for (const id of Object.keys(map) as PointId[]) if (map[id] === undefined) delete map[id];
  return map;
}

/** A point in space through a recording, metres, y upwards; NaN where missing. */
export interface SpatialSeries {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly z: Float64Array;
}
export type SpatialTrack = Readonly<Partial<Record<PointId, SpatialSeries>>>;

/** Mean of markers at every frame; of those that are seen where `partial`, else NaN where one is missing. */
function meanOf(markers: readonly Marker[], frames: number): { x: Float64Array; y: Float64Array; z: Float64Array } {
  const mean = (axis: 'x' | 'y' | 'z'): Float64Array =>
    Float64Array.from(
      { length: frames },
      (_, i) => markers.reduce((sum, m) => sum + (m[axis]?.[i] ?? 0), 0) / markers.length,
    );
  return { x: mean('x'), y: mean('y'), z: mean('z') };
}

/** The axis along which the head lies above the feet, where names tell heads from feet; else what the file says. */
export function upAxis(recording: Recording, map: MarkerMap): 'y' | 'z' {
  const frames = framesOf(recording);
  const at = (ids: readonly BodyPoint[]): ReturnType<typeof meanOf> | null => {
    const markers = recording.markers.filter((m) => ids.some((id) => map[id]?.includes(m.name)));
    return markers.length === 0 ? null : meanOf(markers, frames);
  };
  const high = at(['left-shoulder', 'right-shoulder']);
  const low = at(['left-ankle', 'right-ankle']);
  if (!high || !low) return recording.up;
  const rise = (axis: 'y' | 'z'): number => {
    let sum = 0;
    let n = 0;
    for (let i = 0; i < frames; i++) {
      const d = high[axis][i]! - low[axis][i]!;
      if (Number.isNaN(d)) continue;
      sum += d;
      n++;
    }
    return n === 0 ? 0 : sum / n;
  };
  return rise('z') > Math.abs(rise('y')) ? 'z' : rise('y') > Math.abs(rise('z')) ? 'y' : recording.up;
}

/**
 * The points of a recording in space, y upwards.
 * @param metresPerUnit length of the recording's unit, metres
 */
export function spatialTrack(recording: Recording, map: MarkerMap, metresPerUnit: number): SpatialTrack {
  const frames = framesOf(recording);
  const up = upAxis(recording, map);
  const track: Partial<Record<PointId, SpatialSeries>> = {};
  for (const [id, names] of Object.entries(map) as [PointId, readonly string[]][]) {
    const markers = names.flatMap((name) => recording.markers.find((m) => m.name === name) ?? []);
    if (markers.length === 0 || markers.length < names.length) continue;
    const { x, y, z } = meanOf(markers, frames);
    const scaled = (values: Float64Array, by: number): Float64Array => values.map((v) => v * by);
    // Turned about x so that what was up is y: (x, y, z) becomes (x, z, -y).
    track[id] =
      up === 'y'
        ? { x: scaled(x, metresPerUnit), y: scaled(y, metresPerUnit), z: scaled(z, metresPerUnit) }
        : { x: scaled(x, metresPerUnit), y: scaled(z, metresPerUnit), z: scaled(y, -metresPerUnit) };
  }
  return track;
}

/** Points of the body in the order in which a mapping is shown. */
export const MAPPED_POINTS: readonly BodyPoint[] = BODY_POINTS.filter(
  (id) => id === 'nose' || /ear$|shoulder|elbow|wrist|hip|knee|ankle|heel|foot-index/.test(id),
);
