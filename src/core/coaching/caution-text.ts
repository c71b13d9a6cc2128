import type { RankedGap } from '../judgement/priority';
import type { Movement } from '../model/movement';

/** The caution of a gap or of anything that hangs under it, or null. */
export function cautionText(movement: Movement, gap: RankedGap): string | null {
  const ids = [gap.judged, ...gap.willFollow.map((f) => f.judged)]
    .map((j) => j.measure.risk)
    .filter((id) => id !== undefined);
  const texts = movement.cautions.filter((c) => ids.includes(c.id)).map((c) => c.text);
  return texts.length === 0 ? null : texts.join(' ');
}
