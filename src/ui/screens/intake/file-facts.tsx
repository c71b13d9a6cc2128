import type { ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import { countOf } from '../../components/format';
import { TEXT } from '../../../text/screens/intake';

type Facts = Pick<Clip, 'width' | 'height' | 'frameTimes' | 'fileRate' | 'codec'>;

/** How long a file plays, its last frame included. */
function durationOf({ frameTimes, fileRate }: Facts): string {
  const seconds = frameTimes[frameTimes.length - 1]! / 1e6 + 1 / fileRate;
  if (seconds < 90) return `${seconds.toFixed(2)} s`;
  return TEXT.floorMinSecondsS(Math.floor(seconds / 60), Math.round(seconds % 60));
}

/** Which part of a file a clip is. */
const partText = (part: Clip['part']): string =>
  part ? TEXT.fromToSOfFile(part.from.toFixed(2), part.to.toFixed(2)) : '';

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
        ? TEXT.countOfWhatIsRead(countOf(frameTimes.length, TEXT.stillPicture))
        : TEXT.partTextCountOfFile(partText(part), countOf(frameTimes.length, TEXT.frame), fileRate) +
          `${durationOf(index)}, ${codec}`}
    </div>
  );
}
