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
import { TEXT } from '../../../text/screens/bench/match';

const USES: readonly (readonly [ShotUse, string])[] = [
  ['attempt', TEXT.attempt],
  ['camera', TEXT.firstAttemptFromAnotherSide],
  ['none', TEXT.leftOut],
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
    if (found.value.length === 1) return notify('info', TEXT.noCutWasFoundIn(clip.fileName));
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
          {TEXT.lookForCuts}
        </Button>
      </div>
    );
  const used = chosen.filter(({ use }) => use !== 'none');
  const first = used[0]?.use;
  return (
    <div role="group" aria-label={TEXT.shotsOfFileName(clip.fileName)} style={{ display: 'grid', gap: 10 }}>
      <span className="note">{TEXT.filmIsCutCountShots(chosen.length)}</span>
      {chosen.map(({ shot, use, captureRate }, i) => (
        <div key={shot.first} style={{ display: 'grid', gap: 8 }}>
          <span style={{ fontSize: '.86rem' }}>
            <strong>{TEXT.shotI(i + 1)}</strong>
            {TEXT.countOfFromFrameFirst(countOf(shot.frames, TEXT.frameNoun), shot.first + 1)}{' '}
            <Button
              size="small"
              aria-label={TEXT.showShotI(i + 1)}
              onClick={() => player.goTo(clip.id, shot.first + (shot.frames >> 1))}
            >
              {TEXT.show}
            </Button>
          </span>
          <div style={{ display: 'flex', gap: 8 }}>
            <TextField
              select
              size="small"
              label={TEXT.shotIIs(i + 1)}
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
              label={TEXT.captureRate}
              sx={{ width: 110 }}
              defaultValue={captureRate ?? ''}
              helperText={captureRate === null ? TEXT.notKnown : undefined}
              error={!isRate({ shot, use, captureRate })}
              onChange={({ target }) => change(i, { captureRate: target.value === '' ? null : Number(target.value) })}
            />
          </div>
        </div>
      ))}
      {first === 'camera' && <span className="caution">{TEXT.firstShotThatIsUsed}</span>}
      <div>
        <Button
          variant="contained"
          disabled={busy || used.length === 0 || first === 'camera' || !used.every(isRate)}
          onClick={() => void make()}
        >
          {used.length === 1 ? TEXT.takeThisShot : TEXT.makeCountClips(used.length)}
        </Button>
        <Button onClick={() => setChosen([])}>{TEXT.leaveItWhole}</Button>
      </div>
    </div>
  );
}
