import type { BenchClip } from '../../application/bench/bench-clips';
import type { ViewKind } from '../../core/model/clip';

export const VIEW_NAMES: Readonly<Record<ViewKind, string>> = {
  side: 'side',
  front: 'front',
  back: 'back',
  overhead: 'overhead',
};

/** What a clip is called in sentences: its role, which one of several, and its camera where there are more. */
export function clipName(clip: Pick<BenchClip, 'id' | 'join' | 'trial'>): string {
  const role = clip.id.replace(/-view-\d+$/, '').replace('-', ' ');
  return clip.join ? `${role}, ${VIEW_NAMES[clip.trial.clip.view.kind]} view` : role;
}
