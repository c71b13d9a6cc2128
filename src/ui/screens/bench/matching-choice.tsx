import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import Tooltip from '@mui/material/Tooltip';
import type { ReactNode } from 'react';
import { timeAtFrame } from '../../../core/timing/clip-time';
import type { MatchMode } from '../../../core/timing/time-map';
import { player } from '../../../application/bench/bench-player';
import type { Derived } from '../../../application/analysis/derived';
import { setView, useView } from '../../../application/stores/view-store';
import { clipName } from '../../components/clip-name';
import { signedMilliseconds } from '../../components/format';
import { TEXT } from '../../../text/screens/bench/playing';

/** How the clips are matched in time, and how fast another runs while the first runs as it does. */
export function MatchingChoice({ derived }: { readonly derived: Derived }): ReactNode {
  const mode = useView((state) => state.mode);
  const lockEvent = useView((state) => state.lockEvent);
  const offsets = useView((state) => state.offsets);
  useView((state) => state.activeClip);
  const { athlete, reference, movement } = derived;
  const common = movement.moments.filter(
    (m) => athlete?.marks[m.id] !== undefined && reference?.marks[m.id] !== undefined,
  );
  const follower = player.movable;
  const map = follower && player.timeMap(follower.clip.id);
  const following = derived.clips.find((c) => c.trial.clip.id === follower?.clip.id);
  const rate = useView((state) =>
    map && athlete
      ? Math.round(100 * map.rateAt(timeAtFrame(athlete.times, state.shown[athlete.clip.id] ?? 0))) / 100
      : null,
  );
  const shift = mode === 'offset' && follower ? `${signedMilliseconds(offsets[follower.clip.id] ?? 0)}, ` : '';
  return (
    <>
      <Select
        value={mode}
        onChange={(event) =>
          event.target.value === 'offset'
            ? player.lockAsTheyStand()
            : setView({ mode: event.target.value as MatchMode })
        }
        variant="standard"
        inputProps={{ 'aria-label': TEXT.matching }}
      >
        <MenuItem value="matched">{TEXT.matchedInEveryPhase}</MenuItem>
        <MenuItem value="locked">{TEXT.lockedAtMoment}</MenuItem>
        <MenuItem value="offset">{TEXT.lockedAsTheyStand}</MenuItem>
        <MenuItem value="free">{TEXT.free}</MenuItem>
      </Select>
      {mode === 'locked' && (
        <Select
          value={lockEvent ?? common[0]?.id ?? ''}
          onChange={(event) => setView({ lockEvent: event.target.value })}
          variant="standard"
          inputProps={{ 'aria-label': TEXT.lockedAt }}
          displayEmpty
        >
          {common.length === 0 && <MenuItem value="">{TEXT.noCommonMoment}</MenuItem>}
          {common.map((m) => (
            <MenuItem key={m.id} value={m.id}>
              {m.name}
            </MenuItem>
          ))}
        </Select>
      )}
      <Tooltip title={TEXT.howFastItRunsWhile}>
        <span className="rate">
          {rate === null
            ? mode === 'free'
              ? ''
              : TEXT.notMatchedYet
            : TEXT.whoShiftAtRate(following ? clipName(following) : TEXT.reference, shift, rate.toFixed(2))}
        </span>
      </Tooltip>
    </>
  );
}
