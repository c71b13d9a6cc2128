import { create } from 'zustand';
import type { Clip } from '../../core/model/clip';
import { onsetBetween } from '../../core/sound/onset';
import { frameOfSound, pairBySound } from '../../core/sound/sound-time';
import { realTimes, timeAtFrame } from '../../core/timing/clip-time';
import { compareSounds, readSound, type ClipSound } from '../../media/clip-sound';
import { player } from '../bench/bench-player';
import { changeClip } from './clip-use-cases';
import { useDocument } from '../stores/document-store';
import { markEvent } from '../events/event-use-cases';
import { notify } from '../stores/notices';
import { videoOf } from '../files/stored-clips';
import { setView, useView } from '../stores/view-store';
import { TEXT } from '../../text/application/clips';

export type { ClipSound } from '../../media/clip-sound';

/** What is known of the sound of clips, by the id of their video: null is that there is none. */
export const useSounds = create<Readonly<Record<string, ClipSound | null>>>(() => ({}));
const reading = new Map<string, Promise<ClipSound | null>>();

/** Of a part of a file the sound is its own. */
const keyOf = ({ mediaId, part }: Clip): string => `${mediaId} ${part?.from ?? ''} ${part?.to ?? ''}`;

/** How far the rate of the camera may be from that of the file for its sound to run with the pictures. */
const REAL_TIME = 0.01;

/** Slowed footage has no sound that belongs to its time. */
const runsInRealTime = ({ captureRate, rateChanges, fileRate, pictures, mediaId }: Clip): boolean =>
  mediaId !== null && !pictures && rateChanges.length === 0 && Math.abs(captureRate / fileRate - 1) < REAL_TIME;

/** The sound of a clip, as far as it was read and belongs to the clip's time. */
export const soundOf = (sounds: Readonly<Record<string, ClipSound | null>>, clip: Clip): ClipSound | null =>
  runsInRealTime(clip) ? (sounds[keyOf(clip)] ?? null) : null;

/** Reads the sound of a clip once; null where it has none of its own time. */
export async function readSoundOf(clip: Clip): Promise<ClipSound | null> {
  if (!runsInRealTime(clip)) return null;
  const key = keyOf(clip);
  if (!reading.has(key)) {
    const read = async (): Promise<ClipSound | null> => {
      const video = await videoOf(clip);
      const sound = video.ok ? await readSound(video.value) : video;
      if (sound.ok) return sound.value;
      // It is read anew once its video is there again, of which whoever opens the clip is told.
      reading.delete(key);
      if (sound.issue.code !== 'no-media') notify('info', sound.issue.message);
      return null;
    };
    reading.set(key, read());
  }
  const sound = await reading.get(key)!;
  // It may have been let go of meanwhile.
  if (reading.has(key)) useSounds.setState({ [key]: sound });
  return sound;
}

/** Lets go of the sound of clips that are not on the bench any more. */
export function keepSoundsOf(clips: readonly Clip[]): void {
  const kept = new Set(clips.map(keyOf));
  for (const key of reading.keys()) if (!kept.has(key)) reading.delete(key);
  const sounds = useSounds.getState();
  const left = Object.entries(sounds).filter(([key]) => kept.has(key));
  if (left.length < Object.keys(sounds).length) useSounds.setState(Object.fromEntries(left), true);
}

/** Joins another camera to its first one by what both heard. */
export async function joinBySound(own: Clip): Promise<void> {
  const first = useDocument.getState().session?.clips.find((c) => c.id === own.sync?.to);
  if (!own.sync || !first) return;
  const [heard, heardOwn] = await Promise.all([readSoundOf(first), readSoundOf(own)]);
  if (!heard || !heardOwn) {
    const silent = (heard ? own : first).fileName;
    return notify('info', TEXT.silentHasNoSoundThat(silent));
  }
  const later = await compareSounds(heard.wave, heardOwn.wave);
  if (!later.ok) return notify('info', TEXT.messageNothingWasJoinedJoin(later.issue.message));
  const at = (clip: Clip): Parameters<typeof pairBySound>[0] => ({ times: realTimes(clip), metres: clip.soundMetres });
  const pair = pairBySound(at(first), at(own), later.value.seconds);
  if (!pair) return notify('info', TEXT.whatBothHeardLiesOutside);
  const rounded = { own: Math.round(pair.own * 1000) / 1000, other: pair.other };
  changeClip(own.id, { sync: { to: own.sync.to, pairs: [rounded] } });
  const known = first.soundMetres !== null && own.soundMetres !== null;
  notify('info', TEXT.joinedBySoundToLess + (known ? TEXT.travelTimeIsTakenOff : TEXT.distancesToSoundAreNotKnown));
}

/** Whether a sound is heard at a speed: slower or faster it tells nothing. */
export const isHeardAt = (rate: number): boolean => rate > 0.45 && rate < 2.2;

/** Has the chosen clip heard while it plays, or no more. */
export function toggleSound(): void {
  const { sound, speed } = useView.getState();
  setView({ sound: !sound });
  if (!sound && !isHeardAt(speed)) notify('info', TEXT.soundIsHeardFromHalf);
}

/** How far from the frame shown a sound may lie that a moment is set on, seconds. */
const NEARBY = 0.15;

/** Marks a moment where something was heard near the frame shown: a contact is often heard more exactly than seen. */
export async function markOnSound(clip: Clip, eventId: string): Promise<void> {
  const shown = player.pendingFrame(clip.id);
  const sound = await readSoundOf(clip);
  const times = realTimes(clip);
  const time = timeAtFrame(times, shown);
  const onset = sound && onsetBetween(sound.wave, time - NEARBY, time + NEARBY);
  if (!onset) return notify('info', TEXT.nothingStandsOutInSound(NEARBY));
  const frame = Math.round(100 * frameOfSound(times, onset.at, clip.soundMetres)) / 100;
  markEvent(clip.id, eventId, frame);
  player.goTo(clip.id, Math.round(frame));
  notify(
    'info',
    TEXT.setOnSoundDecibelsD(Math.round(onset.decibels)) + (clip.soundMetres === null ? TEXT.itCame29Ms : '.'),
  );
}
