import CloseIcon from '@mui/icons-material/Close';
import FiberManualRecordIcon from '@mui/icons-material/FiberManualRecord';
import StopIcon from '@mui/icons-material/Stop';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import IconButton from '@mui/material/IconButton';
import { useState, type ReactNode } from 'react';
import type { TalkSection } from '../../../core/model/talk';
import type { Derived } from '../../../application/analysis/derived';
import { download } from '../../../application/files/download';
import { useJobs } from '../../../application/stores/jobs';
import { notify } from '../../../application/stores/notices';
import { makeTalkFilm } from '../../../application/export/talk-film';
import { startTalking, stopTalking, toggleTalk, useTalk } from '../../../application/talk/talk-recorder';
import { fileSafe } from '../../components/format';
import { TalkSectionMenu } from './talk-section-menu';
import { TEXT } from '../../../text/screens/bench/review';

/** Minutes and seconds. */
const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

async function saveFilm(derived: Derived): Promise<void> {
  const made = await makeTalkFilm(derived);
  if (!made.ok) return notify(made.issue.code === 'cancelled' ? 'info' : 'error', made.issue.message);
  const { format, video, chapters, captions } = made.value;
  const name = `${fileSafe(derived.session.name)}-talk`;
  download(`${name}.${format}`, `video/${format}`, video);
  download(`${name}.chapters.vtt`, 'text/vtt', chapters);
  if (captions.includes('-->')) download(`${name}.captions.vtt`, 'text/vtt', captions);
}

/** Talking over the pictures: recorded section by section, made into one video afterwards. */
export function TalkBar({ derived }: { readonly derived: Derived }): ReactNode {
  const { phase, seconds, level } = useTalk();
  const making = useJobs(({ jobs }) => jobs.some(({ id }) => id === 'film'));
  const [opened, setOpened] = useState<{ readonly section: TalkSection; readonly on: HTMLElement } | null>(null);
  const { talk } = derived.session;
  const all = talk.reduce((sum, { from, to }) => sum + to - from, 0);
  const recording = phase === 'recording';
  return (
    <div className="talk" role="region" aria-label={TEXT.talk}>
      <Button
        variant="contained"
        size="small"
        color={recording ? 'secondary' : 'primary'}
        disabled={phase === 'opening' || phase === 'ending'}
        startIcon={recording ? <StopIcon /> : <FiberManualRecordIcon />}
        onClick={() => void (recording ? stopTalking() : startTalking())}
      >
        {recording ? TEXT.pauseR : TEXT.recordR}
      </Button>
      {recording && (
        <>
          <span className="talk-time" role="timer" aria-label={TEXT.recorded}>
            {clock(seconds)}
          </span>
          {level === null ? (
            <span className="note">{TEXT.withoutSound}</span>
          ) : (
            <meter min={0} max={1} value={level} aria-label={TEXT.loudnessOfMicrophone} />
          )}
        </>
      )}
      {!recording && talk.length === 0 && <span className="note">{TEXT.recordsWhatYouSayAnd}</span>}
      <span className="talk-sections">
        {talk.map((section, i) => (
          <Chip
            key={section.id}
            size="small"
            clickable
            label={`${i + 1} \u00b7 ${clock(section.to - section.from)}`}
            aria-label={TEXT.sectionIToSeconds(i + 1, Math.round(section.to - section.from))}
            aria-haspopup="dialog"
            onClick={(event) => setOpened({ section, on: event.currentTarget })}
          />
        ))}
      </span>
      {talk.length > 0 && !recording && (
        <Button size="small" variant="outlined" disabled={making} onClick={() => void saveFilm(derived)}>
          {TEXT.makeVideoClock(clock(all))}
        </Button>
      )}
      <IconButton size="small" aria-label={TEXT.closeTalkBar} disabled={phase !== 'idle'} onClick={toggleTalk}>
        <CloseIcon fontSize="small" />
      </IconButton>
      {opened && talk.some(({ id }) => id === opened.section.id) && (
        <TalkSectionMenu
          section={talk.find(({ id }) => id === opened.section.id)!}
          on={opened.on}
          onClose={() => setOpened(null)}
        />
      )}
    </div>
  );
}
