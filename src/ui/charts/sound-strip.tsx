import type { ScaleLinear } from 'd3-scale';
import { area } from 'd3-shape';
import type { ReactNode } from 'react';
import { waveColumns } from '../../core/sound/sound-wave';
import type { RibbonClip } from './ribbons-props';
import { TEXT } from '../../text/charts';

/** Room that a wave takes under a ribbon, pixels. */
export const SOUND_HEIGHT = 18;
const HALF = 7;
/** Width of a column of it, pixels. */
const COLUMN = 1.5;
const INK = '#3d4a52';

export interface SoundStripProps {
  readonly id: string;
  readonly sound: NonNullable<RibbonClip['sound']>;
  readonly x: ScaleLinear<number, number>;
  readonly y: number;
  /** The part of the axis that is drawn. */
  readonly from: number;
  readonly to: number;
}

/** Under a ribbon, how loud its clip is: a contact is often heard more exactly than seen. */
export function SoundStrip({ id, sound, x, y, from, to }: SoundStripProps): ReactNode {
  const columns = Math.floor((x(to) - x(from)) / COLUMN);
  if (columns < 2) return null;
  const edges = Array.from({ length: columns + 1 }, (_, i) => from + ((to - from) * i) / columns);
  const heights = waveColumns(
    sound.levels,
    edges.map((at) => sound.timeAt(at)),
  );
  const drawn = area<number>()
    .x((_, i) => x((edges[i]! + edges[i + 1]!) / 2))
    .y0((height) => y + HALF - Math.max(0.4, HALF * height))
    .y1((height) => y + HALF + Math.max(0.4, HALF * height))(heights as number[]);
  return (
    <path data-testid={`sound-${id}`} d={drawn ?? ''} fill={INK} fillOpacity={0.75}>
      <title>{TEXT.soundOfClip}</title>
    </path>
  );
}
