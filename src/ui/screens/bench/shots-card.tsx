import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import { LIMITS } from '../../../core/model/limits';
import { captureRateAt } from '../../../core/timing/clip-time';
import { player } from '../../../application/bench/bench-player';
import { useJobs } from '../../../application/stores/jobs';
import { notify } from '../../../application/stores/notices';
import {
  findShots,
  makeClipsOfShots,
  type ChosenShot,
  type Shot,
  type ShotUse,
} from '../../../application/clips/shots';
import { countOf } from '../../components/format';

const USES: readonly (readonly [ShotUse, string])[] = [
  ['attempt', 'An attempt'],
  ['camera', 'The first attempt from another side'],
  ['none', 'Left out'],
];

/** What is proposed: nobody but the analyst knows which shots are replays. */
const proposedFor = (clip: Clip, shot: Shot): ChosenShot => ({
  shot,
  use: 'attempt',
  captureRate: captureRateAt(clip, shot.first),
});

const isRate = ({ captureRate }: ChosenShot): boolean =>
  captureRate === null || (captureRate >= LIMITS.rate.least && captureRate <= LIMITS.rate.most);

/** The shots of a film that is cut: each becomes a clip of its own. */
export function Shots({ clip }: { readonly clip: Clip }): ReactNode {
  const [chosen, setChosen] = useState<readonly ChosenShot[]>([]);
  const [busy, setBusy] = useState(false);
  const looking = useJobs(({ jobs }) => jobs.some(({ id }) => id === `shots-${clip.id}`));
  const look = async (): Promise<void> => {
    const found = await findShots(clip);
    if (!found.ok) return notify(found.issue.code === 'cancelled' ? 'info' : 'error', found.issue.message);
    if (found.value.length === 1) return notify('info', `No cut was found in \u201c${clip.fileName}\u201d.`);
    setChosen(found.value.map((shot) => proposedFor(clip, shot)));
  };
  const make = async (): Promise<void> => {
    setBusy(true);
    const made = await makeClipsOfShots(clip, chosen);
    setBusy(false);
    if (!made.ok) return notify('error', made.issue.message);
    setChosen([]);
  };
  const change = (at: number, to: Partial<ChosenShot>): void =>
    setChosen(chosen.map((one, i) => (i === at ? { ...one, ...to } : one)));
  if (chosen.length === 0)
    return (
      <div>
        <Button variant="outlined" disabled={looking} onClick={() => void look()}>
          Look for cuts
        </Button>
      </div>
    );
  const used = chosen.filter(({ use }) => use !== 'none');
  const first = used[0]?.use;
  return (
    <div role="group" aria-label={`Shots of ${clip.fileName}`} style={{ display: 'grid', gap: 10 }}>
      <span className="note">
        The film is cut: {chosen.length} shots. Points and moments go along with their frames. Say at Intake from where
        a replay was filmed.
      </span>
      {chosen.map(({ shot, use, captureRate }, i) => (
        <div key={shot.first} style={{ display: 'grid', gap: 8 }}>
          <span style={{ fontSize: '.86rem' }}>
            <strong>Shot {i + 1}</strong>, {countOf(shot.frames, 'frame')} from frame {shot.first + 1}{' '}
            <Button
              size="small"
              aria-label={`Show shot ${i + 1}`}
              onClick={() => player.goTo(clip.id, shot.first + (shot.frames >> 1))}
            >
              Show
            </Button>
          </span>
          <div style={{ display: 'flex', gap: 8 }}>
            <TextField
              select
              size="small"
              label={`Shot ${i + 1} is`}
              sx={{ flex: 1, minWidth: 0 }}
              value={use}
              onChange={({ target }) => change(i, { use: target.value as ShotUse })}
            >
              {USES.map(([value, text]) => (
                <MenuItem key={value} value={value}>
                  {text}
                </MenuItem>
              ))}
            </TextField>
            <TextField
              size="small"
              type="number"
              label="Capture rate"
              sx={{ width: 110 }}
              defaultValue={captureRate ?? ''}
              helperText={captureRate === null ? 'Not known' : undefined}
              error={!isRate({ shot, use, captureRate })}
              onChange={({ target }) => change(i, { captureRate: target.value === '' ? null : Number(target.value) })}
            />
          </div>
        </div>
      ))}
      {first === 'camera' && (
        <span className="caution">The first shot that is used is an attempt: a further camera needs one.</span>
      )}
      <div>
        <Button
          variant="contained"
          disabled={busy || used.length === 0 || first === 'camera' || !used.every(isRate)}
          onClick={() => void make()}
        >
          {used.length === 1 ? 'Take this shot' : `Make ${used.length} clips`}
        </Button>
        <Button onClick={() => setChosen([])}>Leave it whole</Button>
      </div>
    </div>
  );
}
