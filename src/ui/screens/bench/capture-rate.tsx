import DeleteIcon from '@mui/icons-material/Delete';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import type { Clip, RateChange } from '../../../core/model/clip';
import { LIMITS } from '../../../core/model/limits';
import { captureRateAt, withFirstRate } from '../../../core/timing/clip-time';
import { player } from '../../../application/bench/bench-player';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { notify } from '../../../application/stores/notices';
import { TEXT } from '../../../text/screens/bench/match';

const keepChanges = ({ id }: Clip, rateChanges: readonly RateChange[]): void =>
  changeClip(id, { rateChanges: [...rateChanges].sort((a, b) => a.from - b.from) });

/** The frame that is shown begins a stretch of another rate. */
function changeHere(clip: Clip): void {
  const from = player.pendingFrame(clip.id);
  if (from === 0) return notify('info', TEXT.firstFrameHasRateAbove);
  if (clip.rateChanges.some((change) => change.from === from))
    return notify('info', TEXT.changeStandsAtFrameFrom(from + 1));
  if (clip.rateChanges.length >= LIMITS.rateChanges - 1)
    return notify('info', TEXT.clipHasAtMostRate(LIMITS.rateChanges - 1));
  keepChanges(clip, [...clip.rateChanges, { from, captureRate: captureRateAt(clip, from) }]);
}

/** The frames per second that a field says, null where it is empty; what is no rate leaves them as they were. */
function rateOf(text: string, before: number | null): number | null {
  if (text === '') return null;
  const rate = Number(text);
  return rate >= LIMITS.rate.least && rate <= LIMITS.rate.most ? rate : before;
}

const NOT_KNOWN = TEXT.notKnownNoTimesAre;

/** One stretch's rate; empty where nobody knows it. */
function RateField({
  label,
  rate,
  helperText,
  onChange,
}: {
  readonly label: string;
  readonly rate: number | null;
  readonly helperText?: string;
  readonly onChange: (rate: number | null) => void;
}): ReactNode {
  return (
    <TextField
      size="small"
      sx={{ flex: 1 }}
      label={label}
      type="number"
      defaultValue={rate ?? ''}
      helperText={rate === null ? NOT_KNOWN : helperText}
      onBlur={({ target }) => {
        const said = rateOf(target.value, rate);
        target.value = String(said ?? '');
        if (said !== rate) onChange(said);
      }}
    />
  );
}

/** How many frames a second the camera took, and where that changes within the clip. */
export function CaptureRate({ clip }: { readonly clip: Clip }): ReactNode {
  const further = clip.rateChanges.filter(({ from }) => from > 0);
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <RateField
        label={TEXT.captureRateFramesPerSecond}
        rate={captureRateAt(clip, 0)}
        helperText={TEXT.filePlaysFileRateFrames(clip.fileRate)}
        onChange={(rate) => changeClip(clip.id, withFirstRate(clip, rate))}
      />
      {further.map((change) => (
        <div key={change.from} style={{ display: 'flex', alignItems: 'start', gap: 4 }}>
          <RateField
            label={TEXT.fromFrameFromFramesPer(change.from + 1)}
            rate={change.captureRate}
            onChange={(captureRate) =>
              keepChanges(
                clip,
                clip.rateChanges.map((own) => (own === change ? { ...own, captureRate } : own)),
              )
            }
          />
          <IconButton
            aria-label={TEXT.removeChangeAtFrameFrom(change.from + 1)}
            onClick={() =>
              keepChanges(
                clip,
                clip.rateChanges.filter((own) => own !== change),
              )
            }
          >
            <DeleteIcon fontSize="small" />
          </IconButton>
        </div>
      ))}
      <div>
        <Button size="small" onClick={() => changeHere(clip)}>
          {TEXT.rateChangesAtThisFrame}
        </Button>
      </div>
    </div>
  );
}
