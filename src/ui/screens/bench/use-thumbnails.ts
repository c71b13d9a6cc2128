import { useEffect, useState } from 'react';
import { player } from '../../../state/bench-player';
import type { Derived } from '../../../state/derived';
import { useView } from '../../../state/view-store';
import type { Trial } from '../../../core/trial/trial';
import { focusOf } from '../../../stage/focus';
import { useLatest } from '../../../stage/use-latest';
import { ribbonClips } from './ribbon-span';

/** Pixels of the strip under a ribbon; the pictures are made twice as high for sharp screens. */
export const THUMBNAIL_HEIGHT = 34;
const COUNT = 20;
/** How often a clip that is still being opened is asked for, ms. */
const PATIENCE = 300;

/** Clip id -> small pictures along it, as they come. */
export type Thumbnails = Readonly<Record<string, readonly { readonly frame: number; readonly address: string }[]>>;

/** Side of the square round a performer, in standing heights. */
const ROUND_BODY = 1.4;

/** A square round the performer in every frame; null where nobody has been found. */
function cropsOf(trial: Trial): Float64Array | null {
  const focusAt = focusOf(trial);
  if (focusAt(0) === null) return null;
  const crops = new Float64Array(3 * trial.times.length);
  for (let i = 0; i < trial.times.length; i++) {
    const { x, y, height } = focusAt(i)!;
    const side = ROUND_BODY * height;
    crops.set([x - side / 2, y - side / 2, side], 3 * i);
  }
  return crops;
}

/** Small pictures along the clips that have a ribbon, made once they are wanted. */
export function useThumbnails(derived: Derived): Thumbnails {
  const wanted = useView((state) => state.thumbnails);
  const [made, setMade] = useState<Thumbnails>({});
  const latest = useLatest(derived);
  const ids = wanted
    ? ribbonClips(derived)
        .map((c) => c.trial.clip.id)
        .join(' ')
    : '';
  useEffect(() => {
    const addresses: string[] = [];
    const timers: ReturnType<typeof setTimeout>[] = [];
    let current = true;
    const begin = (clipId: string): void => {
      const source = player.source(clipId);
      if (!source) return void timers.push(setTimeout(() => begin(clipId), PATIENCE));
      const on = latest.current.clips.find((c) => c.trial.clip.id === clipId);
      source.thumbnails(COUNT, 2 * THUMBNAIL_HEIGHT, on ? cropsOf(on.trial) : null, (frame, picture) => {
        if (!current) return;
        const address = URL.createObjectURL(picture);
        addresses.push(address);
        setMade((before) => ({ ...before, [clipId]: [...(before[clipId] ?? []), { frame, address }] }));
      });
    };
    ids.split(' ').filter(Boolean).forEach(begin);
    return () => {
      current = false;
      timers.forEach(clearTimeout);
      addresses.forEach((address) => URL.revokeObjectURL(address));
      setMade({});
    };
  }, [ids, latest]);
  return made;
}
