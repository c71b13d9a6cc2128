import DeleteIcon from '@mui/icons-material/Delete';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import type { Clip, RateChange } from '../../../core/model/clip';
import { LIMITS } from '../../../core/model/limits';
import { captureRateAt } from '../../../core/timing/clip-time';
import { player } from '../../../state/bench-player';
import { changeClip } from '../../../state/clip-use-cases';
import { notify } from '../../../state/notices';

const keepChanges = ({ id }: Clip, rateChanges: readonly RateChange[]): void =>
  changeClip(id, { rateChanges: [...rateChanges].sort((a, b) => a.from - b.from) });

/** The frame that is shown begins a stretch of another rate. */
function changeHere(clip: Clip): void {
  const from = player.pendingFrame(clip.id);
  if (from === 0) return notify('info', 'The first frame has the rate above. Go to the frame from which it changes.');
  if (clip.rateChanges.some((change) => change.from === from))
    return notify('info', `A change stands at frame ${from + 1} already.`);
  if (clip.rateChanges.length === LIMITS.rateChanges)
    return notify('info', `A clip has at most ${LIMITS.rateChanges} changes of its rate. Remove one first.`);
  keepChanges(clip, [...clip.rateChanges, { from, captureRate: captureRateAt(clip, from) }]);
}

/** A number of frames per second; what is none leaves it as it was. */
const rateOf = (text: string): number | null => {
  const rate = Number(text);
  return rate >= LIMITS.rate.least && rate <= LIMITS.rate.most ? rate : null;
};

/** How many frames a second the camera took, and where that changes within the clip. */
export function CaptureRate({ clip }: { readonly clip: Clip }): ReactNode {
  return (
    <div style={{ display: 'grid', gap: 8 }}>
      <TextField
        label="Capture rate, frames per second"
        type="number"
        defaultValue={clip.captureRate}
        helperText={`The file plays ${clip.fileRate} frames per second; times on the bench are real times`}
        onBlur={({ target }) => {
          const rate = rateOf(target.value);
          if (rate !== null && rate !== clip.captureRate) changeClip(clip.id, { captureRate: rate });
          else target.value = String(clip.captureRate);
        }}
      />
      {clip.rateChanges.map((change) => (
        <div key={change.from} style={{ display: 'flex', alignItems: 'start', gap: 4 }}>
          <TextField
            size="small"
            sx={{ flex: 1 }}
            label={`From frame ${change.from + 1}, frames per second`}
            type="number"
            defaultValue={change.captureRate ?? ''}
            helperText={change.captureRate === null ? 'Not known: no times are measured over it' : undefined}
            onBlur={({ target }) => {
              const captureRate = target.value === '' ? null : (rateOf(target.value) ?? change.captureRate);
              target.value = String(captureRate ?? '');
              if (captureRate !== change.captureRate)
                keepChanges(
                  clip,
                  clip.rateChanges.map((own) => (own === change ? { ...own, captureRate } : own)),
                );
            }}
          />
          <IconButton
            aria-label={`Remove the change at frame ${change.from + 1}`}
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
          Rate changes at this frame
        </Button>
      </div>
    </div>
  );
}
