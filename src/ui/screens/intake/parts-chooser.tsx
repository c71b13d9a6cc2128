import ClearIcon from '@mui/icons-material/Clear';
import PlayArrowIcon from '@mui/icons-material/PlayArrow';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { useCallback, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import type { Part } from '../../../core/model/clip';
import { findAttempts, type ToldBy } from '../../../application/intake/attempts';
import { useJobs } from '../../../application/stores/jobs';
import { useBlobSource } from '../../components/use-blob-source';
import { shotsOf } from '../../../application/clips/shots';
import { notify } from '../../../application/stores/notices';
import { TEXT } from '../../../text/screens/intake';

interface PartsChooserProps {
  readonly file: File;
  /** How long it plays. */
  readonly seconds: number;
  /** A further camera films one attempt: a part replaces the one before. */
  readonly single: boolean;
  /** Parts that were chosen; empty takes all of the file. */
  readonly onChosen: (parts: readonly Part[]) => void;
  readonly onCancel: () => void;
}

/** Hours, minutes and seconds, as far as there are any. */
function clock(seconds: number): string {
  const rest = (seconds % 60).toFixed(2).padStart(5, '0');
  const minutes = Math.floor(seconds / 60);
  const hours = Math.floor(minutes / 60);
  return hours > 0 ? `${hours}:${String(minutes % 60).padStart(2, '0')}:${rest}` : `${minutes}:${rest}`;
}

const inOrder = (parts: readonly Part[]): readonly Part[] => [...parts].sort((a, b) => a.from - b.from);

/** Cuts attempts out of a long recording: nothing is copied, and only what is chosen is ever measured. */
export function PartsChooser({ file, seconds, single, onChosen, onCancel }: PartsChooserProps): ReactNode {
  const video = useRef<HTMLVideoElement>(null);
  const [begin, setBegin] = useState<number | null>(null);
  const [parts, setParts] = useState<readonly Part[]>([]);
  const looking = useJobs(({ jobs }) => jobs.some(({ id }) => id === `attempts-${file.name}`));
  const play = useBlobSource(file);
  const attach = useCallback(
    (element: HTMLVideoElement | null) => {
      video.current = element;
      return play(element);
    },
    [play],
  );
  const here = (): number => video.current?.currentTime ?? 0;
  const end = (): void => {
    const [from, to] = [begin ?? 0, here()];
    if (to <= from) return notify('info', TEXT.partEndsAfterItBegins(clock(from)));
    setParts(single ? [{ from, to }] : inOrder([...parts, { from, to }]));
    setBegin(null);
  };
  const show = ({ from }: Part): void => {
    if (video.current) video.current.currentTime = from;
  };
  const propose = async (by: ToldBy): Promise<void> => {
    const found = await findAttempts(file, by);
    if (!found.ok) return notify(found.issue.code === 'cancelled' ? 'info' : 'error', found.issue.message);
    if (found.value.length === 0) return notify('info', TEXT.nothingInThisFileStands(by));
    setParts(inOrder(found.value));
  };
  const proposeShots = async (): Promise<void> => {
    const found = await shotsOf(file);
    if (!found.ok) return notify(found.issue.code === 'cancelled' ? 'info' : 'error', found.issue.message);
    if (found.value.length === 1) return notify('info', TEXT.noCutWasFoundIn(file.name));
    setParts(found.value.map(({ part: { from, to } }) => ({ from, to: Math.min(to, seconds) })));
  };
  const onKey = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const act = { i: () => setBegin(here()), o: end }[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };
  return (
    <div className="parts-chooser" role="group" aria-label={TEXT.partsOfFile} onKeyDown={onKey}>
      <span>
        <strong>{file.name}</strong> {TEXT.playsClockChooseAttemptsIn(clock(seconds))}
      </span>
      {/* Sound of a sports field: there are no words to be had. */}
      <video ref={attach} controls muted playsInline preload="metadata" aria-label={TEXT.videoName(file.name)} />
      <div className="parts-strip" aria-hidden>
        {parts.map(({ from, to }) => (
          <i
            key={`${from}-${to}`}
            style={{ left: `${(100 * from) / seconds}%`, width: `max(3px, ${(100 * (to - from)) / seconds}%)` }}
          />
        ))}
        {begin !== null && <b style={{ left: `${(100 * begin) / seconds}%` }} />}
      </div>
      <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
        <Button variant="outlined" onClick={() => setBegin(here())}>
          {TEXT.beginsHereI}
        </Button>
        <Button variant="outlined" onClick={end}>
          {TEXT.endsHereO}
        </Button>
        {!single && (
          <>
            <Button disabled={looking} onClick={() => void propose('motion')}>
              {TEXT.proposeAttempts}
            </Button>
            <Tooltip describeChild title={TEXT.roundEachContactThatIs}>
              <Button disabled={looking} onClick={() => void propose('sound')}>
                {TEXT.proposeBySound}
              </Button>
            </Tooltip>
            <Tooltip describeChild title={TEXT.ofFilmThatIsCut}>
              <Button disabled={looking} onClick={() => void proposeShots()}>
                {TEXT.proposeShots}
              </Button>
            </Tooltip>
          </>
        )}
      </div>
      {begin !== null && <span className="note">{TEXT.partBeginsAtClockGo(clock(begin))}</span>}
      {parts.length > 0 && (
        <ol className="parts-list">
          {parts.map((part, i) => (
            <li key={`${part.from}-${part.to}`}>
              {TEXT.clockToClock2ToS(clock(part.from), clock(part.to), (part.to - part.from).toFixed(2))}
              <IconButton size="small" aria-label={TEXT.showPartI(i + 1)} onClick={() => show(part)}>
                <PlayArrowIcon fontSize="small" />
              </IconButton>
              <IconButton
                size="small"
                aria-label={TEXT.removePartI(i + 1)}
                onClick={() => setParts(parts.filter((other) => other !== part))}
              >
                <ClearIcon fontSize="small" />
              </IconButton>
            </li>
          ))}
        </ol>
      )}
      <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
        <Button variant="contained" disabled={parts.length === 0} onClick={() => onChosen(parts)}>
          {parts.length < 2 ? TEXT.takeThisPart : TEXT.takeCountParts(parts.length)}
        </Button>
        <Button variant="outlined" onClick={() => onChosen([])}>
          {TEXT.takeAllOfIt}
        </Button>
        <Button onClick={onCancel}>{TEXT.doNotUseThisFile}</Button>
      </div>
    </div>
  );
}
