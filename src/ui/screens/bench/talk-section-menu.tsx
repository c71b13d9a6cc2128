import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import Slider from '@mui/material/Slider';
import { useEffect, useState, type ReactNode } from 'react';
import type { TalkSection } from '../../../core/model/talk';
import { Voice } from '../../components/voice';
import { notify } from '../../../application/stores/notices';
import { soundOfSection } from '../../../application/export/talk-film';
import { recordAnew } from '../../../application/talk/talk-recorder';
import { removeSection, trimSection } from '../../../application/talk/talk-sections';
import { TEXT } from '../../../text/screens/bench/review';

/** Least stretch of a section that can be kept, seconds. */
const LEAST = 0.5;
const STEP = 0.1;
const seconds = (s: number): string => `${s.toFixed(1)} s`;

type Kept = readonly [from: number, to: number];

/** What the slider's ends keep; as before where that is next to nothing. */
function keptOf(ends: number | readonly number[], before: Kept, section: TalkSection): Kept {
  const [from, to] = ends as Kept;
  return to - from >= LEAST ? [from, Math.min(to, section.seconds)] : before;
}

/** Listening to a section, trimming its ends, recording it anew, removing it. */
export function TalkSectionMenu({
  section,
  on,
  onClose,
}: {
  readonly section: TalkSection;
  readonly on: HTMLElement;
  readonly onClose: () => void;
}): ReactNode {
  const [kept, setKept] = useState<Kept>([section.from, section.to]);
  const [sound, setSound] = useState<Blob | null>(null);
  const { parts, seconds: length } = section;
  useEffect(() => {
    let current = true;
    // All of it, whatever is kept: trimming does not load it anew.
    void soundOfSection(parts, length).then((wav) => {
      if (!current) return;
      if (wav.ok) setSound(wav.value);
      else notify('error', wav.issue.message);
    });
    return () => {
      current = false;
    };
  }, [parts, length]);
  return (
    <Popover
      open
      anchorEl={on}
      onClose={onClose}
      anchorOrigin={{ vertical: 'top', horizontal: 'left' }}
      transformOrigin={{ vertical: 'bottom', horizontal: 'left' }}
    >
      <div className="talk-menu">
        {sound === null ? (
          <span className="note">{TEXT.thisSectionHasNoSound}</span>
        ) : (
          <Voice sound={sound} label={TEXT.listenToSection} />
        )}
        <span>{TEXT.keptSecondsToSeconds2Of(seconds(kept[0]), seconds(kept[1]), seconds(section.seconds))}</span>
        <Slider
          size="small"
          sx={{ mx: 1, width: 'auto' }}
          min={0}
          max={section.seconds}
          step={STEP}
          shiftStep={1}
          value={[...kept]}
          getAriaLabel={(i) => (i === 0 ? TEXT.beginsAt : TEXT.endsAt)}
          onChange={(_, value) => setKept(keptOf(value, kept, section))}
          onChangeCommitted={(_, value) => trimSection(section.id, keptOf(value, kept, section))}
        />
        <div style={{ display: 'flex', gap: 8 }}>
          <Button
            size="small"
            variant="outlined"
            onClick={() => {
              onClose();
              recordAnew(section.id);
            }}
          >
            {TEXT.recordItAgain}
          </Button>
          <Button
            size="small"
            onClick={() => {
              onClose();
              removeSection(section.id);
            }}
          >
            {TEXT.remove}
          </Button>
        </div>
      </div>
    </Popover>
  );
}
