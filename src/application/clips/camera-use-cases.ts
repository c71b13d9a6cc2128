import type { Clip } from '../../core/model/clip';
import { player } from '../bench/bench-player';
import { changeClip } from './clip-use-cases';
import { useDocument } from '../stores/document-store';
import { useView } from '../stores/view-store';

/** Notes that another camera's clip and the first camera's show the same instant in the frames shown. */
export function joinHere(clip: Clip): void {
  const { sync } = clip;
  if (!sync) return;
  const pair = { own: player.pendingFrame(clip.id), other: player.pendingFrame(sync.to) };
  changeClip(clip.id, {
    sync: {
      to: sync.to,
      pairs: [...sync.pairs.filter((p) => p.own !== pair.own && p.other !== pair.other), pair],
    },
  });
}

/**
 * Moves what is chosen against the rest by frames (fractions too): another camera against its first one, else a
 * trial.
 */
export function nudge(frames: number): void {
  const { session } = useDocument.getState();
  const chosen = session?.clips.find((c) => c.id === useView.getState().activeClip);
  if (!chosen?.sync) return player.nudge(frames);
  const { to, pairs } = chosen.sync;
  const known = pairs.length > 0 ? pairs : [{ own: 0, other: 0 }];
  changeClip(chosen.id, {
    sync: { to, pairs: known.map((p) => ({ ...p, own: Math.round((p.own + frames) * 1e6) / 1e6 })) },
  });
}
