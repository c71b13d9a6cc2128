import type { ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import { countOf } from '../../components/format';

type Facts = Pick<Clip, 'width' | 'height' | 'frameTimes' | 'fileRate' | 'codec'>;

/** How long a file plays, its last frame included. */
function durationOf({ frameTimes, fileRate }: Facts): string {
  const seconds = frameTimes[frameTimes.length - 1]! / 1e6 + 1 / fileRate;
  if (seconds < 90) return `${seconds.toFixed(2)} s`;
  return `${Math.floor(seconds / 60)} min ${Math.round(seconds % 60)} s`;
}

/** Which part of a file a clip is. */
const partText = (part: Clip['part']): string =>
  part ? `${part.from.toFixed(2)} to ${part.to.toFixed(2)} s of the file, ` : '';

interface FileFactsProps {
  readonly index: Facts;
  readonly part: Clip['part'];
  /** Of a file that is not used yet. */
  readonly name: string | undefined;
  readonly still: boolean;
}

/** What the file of a clip says of itself. */
export function FileFacts({ index, part, name, still }: FileFactsProps): ReactNode {
  const { width, height, frameTimes, fileRate, codec } = index;
  return (
    <div style={{ fontSize: '.86rem' }}>
      {name === undefined ? '' : `${name}: `}
      {width} × {height},{' '}
      {still
        ? `${countOf(frameTimes.length, 'still picture')}: what is read at moments is measured, nothing of time`
        : `${partText(part)}${countOf(frameTimes.length, 'frame')}, ${fileRate} frames per second in the file, ` +
          `${durationOf(index)}, ${codec}`}
    </div>
  );
}
