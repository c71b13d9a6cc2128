import { nearestFrame, timeAtFrame } from './clip-time';
import {
  chain,
  lockedMap,
  matchedMap,
  offsetMap,
  SAME_TIME,
  type MatchMode,
  type OrderedEvent,
  type EventTimes,
  type TimeMap,
} from './time-map';

/** A clip whose frames belong to those of others. */
export interface SynchronisedClip {
  readonly id: string;
  /** Real time of every frame, seconds. */
  readonly times: Float64Array;
  readonly moments: EventTimes;
  /** Of a further camera: the first camera's clip, and the map from that one's time to its own. */
  readonly camera: { readonly mainId: string; readonly map: TimeMap } | null;
}

/** How clips are matched; offsets in seconds, by the id of a first camera's clip. */
export interface Matching {
  readonly mode: MatchMode;
  readonly lockEvent: string | null;
  readonly offsets: Readonly<Record<string, number>>;
}

/** Clips, the first of which leads, the order of the movement's moments, and how they are matched. */
export interface Synchrony extends Matching {
  readonly clips: readonly SynchronisedClip[];
  readonly order: readonly OrderedEvent[];
  /** Moment id -> what the movement calls it. */
  readonly names?: Readonly<Record<string, string>>;
}

type Frames = Record<string, number>;

const clipOf = ({ clips }: Synchrony, id: string): SynchronisedClip | null => clips.find((c) => c.id === id) ?? null;

/** The first camera of the trial that a clip shows. */
export const mainOf = (sync: Synchrony, clip: SynchronisedClip): SynchronisedClip =>
  (clip.camera && clipOf(sync, clip.camera.mainId)) ?? clip;

/** The map from the leading clip's time to that of another first camera; null where the mode ties them not. */
function mapFromLead({ clips, order, mode, lockEvent, offsets }: Synchrony, main: SynchronisedClip): TimeMap | null {
  const lead = clips[0];
  if (!lead) return null;
  if (main.id === lead.id) return SAME_TIME;
  if (mode === 'free') return null;
  if (mode === 'offset') return offsetMap(offsets[main.id] ?? 0);
  if (mode === 'locked') {
    const moment = lockEvent ?? order.find(({ id }) => id in lead.moments && id in main.moments)?.id;
    const map = moment === undefined ? null : lockedMap(moment, lead.moments, main.moments);
    return map?.ok ? map.value : null;
  }
  const map = matchedMap(order, lead.moments, main.moments);
  return map.ok ? map.value : null;
}

/** The map from the leading clip's time to a clip's, or null where nothing ties it. */
export function timeMapOf(sync: Synchrony, clipId: string): TimeMap | null {
  const clip = clipOf(sync, clipId);
  if (!clip) return null;
  const toMain = mapFromLead(sync, mainOf(sync, clip));
  return toMain && (clip.camera ? chain(toMain, clip.camera.map) : toMain);
}

/** First cameras that a given one does not bring along. */
export const untiedFrom = (sync: Synchrony, main: SynchronisedClip): readonly SynchronisedClip[] =>
  sync.clips.filter((c) => !c.camera && c.id !== main.id && (!mapFromLead(sync, main) || !mapFromLead(sync, c)));

/** A frame inside a clip. */
export const insideClip = ({ times }: Pick<SynchronisedClip, 'times'>, frame: number): number =>
  Math.min(times.length - 1, Math.max(0, frame));

/** A frame of a first camera with those of the further cameras of its trial. */
export function withCameras({ clips }: Synchrony, main: SynchronisedClip, frame: number): Frames {
  const time = timeAtFrame(main.times, frame);
  const views = clips.filter(({ camera }) => camera?.mainId === main.id);
  return {
    [main.id]: frame,
    ...Object.fromEntries(views.map((v) => [v.id, nearestFrame(v.times, v.camera!.map.map(time))])),
  };
}

/**
 * Frames of all clips that belong to a frame of one of them, by clip id; clips that nothing ties to it are left out.
 */
export function framesWith(sync: Synchrony, clipId: string, frame: number): Frames {
  const clip = clipOf(sync, clipId);
  if (!clip) return {};
  const inside = insideClip(clip, Math.round(frame));
  const time = timeAtFrame(clip.times, inside);
  const main = mainOf(sync, clip);
  const mainTime = clip.camera ? clip.camera.map.inverse(time) : time;
  const fromLead = mapFromLead(sync, main);
  const frames: Frames = { [clipId]: inside };
  for (const other of sync.clips) {
    if (other.id === clipId) continue;
    const otherMain = mainOf(sync, other);
    const same = otherMain.id === main.id;
    const toOther = same ? SAME_TIME : mapFromLead(sync, otherMain);
    if (!toOther || (!same && !fromLead)) continue;
    const at = same ? mainTime : toOther.map(fromLead!.inverse(mainTime));
    frames[other.id] = nearestFrame(other.times, other.camera ? other.camera.map.map(at) : at);
  }
  return frames;
}

/** Offsets by which first cameras that follow keep to the leading one as they stand at some frames. */
export function offsetsAt({ clips: [lead, ...others] }: Synchrony, frames: Readonly<Frames>): Frames {
  if (!lead) return {};
  const at = ({ id, times }: SynchronisedClip): number => timeAtFrame(times, frames[id] ?? 0);
  return Object.fromEntries(others.filter((c) => !c.camera).map((c) => [c.id, at(c) - at(lead)]));
}

/**
 * Offsets by which the others come to the moment at which one clip is, by the moments marked in both; with the
 * clips whose moments do not tell, and why.
 * @returns null where nothing brings any of them there
 */
export function offsetsByEvents(
  sync: Synchrony,
  clipId: string,
  frame: number,
): { readonly offsets: Frames; readonly without: readonly { readonly id: string; readonly why: string }[] } | null {
  const [lead, ...others] = sync.clips;
  const clip = clipOf(sync, clipId);
  if (!lead || !clip) return null;
  const maps = new Map<string, TimeMap>([[lead.id, SAME_TIME]]);
  const without: { id: string; why: string }[] = [];
  const followers = others.filter((c) => !c.camera);
  for (const follower of followers) {
    const map = matchedMap(sync.order, lead.moments, follower.moments, sync.names);
    if (map.ok) maps.set(follower.id, map.value);
    else without.push({ id: follower.id, why: map.issue.message });
  }
  const toMain = maps.get(mainOf(sync, clip).id);
  if (!toMain || maps.size === 1) return { offsets: {}, without };
  const time = timeAtFrame(clip.times, frame);
  const now = toMain.inverse(clip.camera ? clip.camera.map.inverse(time) : time);
  const offsets = Object.fromEntries(
    followers.map(({ id }) => [id, maps.has(id) ? maps.get(id)!.map(now) - now : (sync.offsets[id] ?? 0)]),
  );
  return { offsets, without };
}
