import { useEffect, useState } from 'react';
import { player } from '../../../application/bench/bench-player';
import type { Derived } from '../../../application/analysis/derived';
import { useView } from '../../../application/stores/view-store';
import { squaresRound } from '../../../rendering/focus';
import { useLatest } from '../../components/use-latest';
import { ribbonClips } from './ribbon-span';

/** Pixels of the strip under a ribbon; the pictures are made twice as high for sharp screens. */
export const THUMBNAIL_HEIGHT = 34;
const COUNT = 20;
/** How often a clip that is still being opened is asked for, ms. */
const PATIENCE = 300;

/** Clip id -> small pictures along it, as they come. */
export type Thumbnails = Readonly<Record<string, readonly { readonly frame: number; readonly address: string }[]>>;

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
      source.thumbnails(COUNT, 2 * THUMBNAIL_HEIGHT, on ? squaresRound(on.trial) : null, (frame, picture) => {
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
