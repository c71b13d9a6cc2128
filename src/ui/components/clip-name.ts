import type { BenchClip } from '../../application/bench/bench-clips';
import type { ViewKind } from '../../core/model/clip';
import { TEXT } from '../../text/components/common';

export const VIEW_NAMES: Readonly<Record<ViewKind, string>> = {
  side: TEXT.sideView,
  front: TEXT.frontView,
  back: TEXT.backView,
  overhead: TEXT.overheadView,
};

/** What a clip is called in sentences: its role, which one of several, and its camera where there are more. */
export function clipName(clip: Pick<BenchClip, 'id' | 'join' | 'trial'>): string {
  const role = clip.id.replace(/-view-\d+$/, '').replace('-', ' ');
  return clip.join ? TEXT.roleViewnamesView(role, VIEW_NAMES[clip.trial.clip.view.kind]) : role;
}
