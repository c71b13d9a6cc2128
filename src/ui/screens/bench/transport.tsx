import CenterFocusStrongIcon from '@mui/icons-material/CenterFocusStrong';
import ChevronLeftIcon from '@mui/icons-material/ChevronLeft';
import ChevronRightIcon from '@mui/icons-material/ChevronRight';
import KeyboardDoubleArrowLeftIcon from '@mui/icons-material/KeyboardDoubleArrowLeft';
import KeyboardDoubleArrowRightIcon from '@mui/icons-material/KeyboardDoubleArrowRight';
import MicNoneIcon from '@mui/icons-material/MicNone';
import PauseIcon from '@mui/icons-material/Pause';
import PlayArrowIcon from '@mui/icons-material/PlayArrow';
import TimelineIcon from '@mui/icons-material/Timeline';
import VolumeOffIcon from '@mui/icons-material/VolumeOff';
import VolumeUpIcon from '@mui/icons-material/VolumeUp';
import ViewInArIcon from '@mui/icons-material/ViewInAr';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import ToggleButton from '@mui/material/ToggleButton';
import Tooltip from '@mui/material/Tooltip';
import type { ReactNode } from 'react';
import { timeAtFrame } from '../../../core/timing/clip-time';
import type { MatchMode } from '../../../core/timing/time-map';
import { player } from '../../../application/bench/bench-player';
import type { Derived } from '../../../application/analysis/derived';
import { soundOf, toggleSound, useSounds } from '../../../application/clips/clip-sounds';
import { toggleTalk, useTalk } from '../../../application/talk/talk-recorder';
import { setSpace, setView, SPEEDS, useView, type Speed } from '../../../application/stores/view-store';
import { clipName } from '../../components/clip-name';
import { signedMilliseconds } from '../../components/format';
import { goToMoment } from './bench-keys';
import { PlayMenu } from './play-menu';
import { hasSpace } from './space-pane';

const SPEED_NAMES: Readonly<Record<string, string>> = {
  '0.0625': '1/16 speed',
  '0.125': '1/8 speed',
  '0.25': '1/4 speed',
  '0.5': '1/2 speed',
  '1': 'Full speed',
  '2': 'Double speed',
};

/** Stepping, playing, and how the two clips are matched. */
export function Transport({
  derived,
  currentMoment,
}: {
  readonly derived: Derived;
  readonly currentMoment: string | null;
}): ReactNode {
  const playing = useView((state) => state.playing);
  const speed = useView((state) => state.speed);
  const mode = useView((state) => state.mode);
  const lockMoment = useView((state) => state.lockMoment);
  const followBody = useView((state) => state.followBody);
  const sound = useView((state) => state.sound);
  const audible = useSounds((state) => derived.panes.some(({ trial }) => soundOf(state, trial.clip)));
  const overlays = useView((state) => state.overlays);
  const space = useView((state) => state.space);
  const talking = useTalk((state) => state.open);
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
  const name = movement.moments.find((m) => m.id === currentMoment)?.name;
  const button = (title: string, icon: ReactNode, onClick: () => void): ReactNode => (
    <Tooltip title={title}>
      <IconButton aria-label={title} onClick={onClick}>
        {icon}
      </IconButton>
    </Tooltip>
  );
  const shift = mode === 'offset' && follower ? `${signedMilliseconds(offsets[follower.clip.id] ?? 0)}, ` : '';
  return (
    <div className="transport" role="toolbar" aria-label="Playing">
      {button('Moment before (Page up)', <KeyboardDoubleArrowLeftIcon />, () => goToMoment(derived, -1))}
      {button('Frame back (\u2190)', <ChevronLeftIcon />, () => player.stepBoth(-1))}
      {playing
        ? button('Pause (Space)', <PauseIcon />, () => player.pause())
        : button('Play (Space)', <PlayArrowIcon />, () => player.play())}
      {button('Frame on (\u2192)', <ChevronRightIcon />, () => player.stepBoth(1))}
      {button('Moment after (Page down)', <KeyboardDoubleArrowRightIcon />, () => goToMoment(derived, 1))}
      <Select
        value={String(speed)}
        onChange={(event) => setView({ speed: Number(event.target.value) as Speed })}
        variant="standard"
        inputProps={{ 'aria-label': 'Speed' }}
      >
        {SPEEDS.map((each) => (
          <MenuItem key={each} value={String(each)}>
            {SPEED_NAMES[String(each)]}
          </MenuItem>
        ))}
      </Select>
      <strong className="moment" data-testid="current-moment">
        {name ?? 'Before the first moment'}
      </strong>
      <span className="spacer" />
      <Select
        value={mode}
        onChange={(event) =>
          event.target.value === 'offset'
            ? player.lockAsTheyStand()
            : setView({ mode: event.target.value as MatchMode })
        }
        variant="standard"
        inputProps={{ 'aria-label': 'Matching' }}
      >
        <MenuItem value="matched">Matched in every phase</MenuItem>
        <MenuItem value="locked">Locked at a moment</MenuItem>
        <MenuItem value="offset">Locked as they stand</MenuItem>
        <MenuItem value="free">Free</MenuItem>
      </Select>
      {mode === 'locked' && (
        <Select
          value={lockMoment ?? common[0]?.id ?? ''}
          onChange={(event) => setView({ lockMoment: event.target.value })}
          variant="standard"
          inputProps={{ 'aria-label': 'Locked at' }}
          displayEmpty
        >
          {common.length === 0 && <MenuItem value="">no common moment</MenuItem>}
          {common.map((m) => (
            <MenuItem key={m.id} value={m.id}>
              {m.name}
            </MenuItem>
          ))}
        </Select>
      )}
      <Tooltip title="How fast it runs while the athlete runs at the speed chosen">
        <span className="rate">
          {rate === null
            ? mode === 'free'
              ? ''
              : 'not matched yet'
            : `${following ? clipName(following) : 'reference'} ${shift}at ${rate.toFixed(2)}`}
        </span>
      </Tooltip>
      <PlayMenu derived={derived} />
      {audible && (
        <Tooltip title="Sound of the chosen clip, from half to double speed (U)">
          <ToggleButton value="sound" size="small" selected={sound} onChange={toggleSound} aria-label="Sound">
            {sound ? <VolumeUpIcon fontSize="small" /> : <VolumeOffIcon fontSize="small" />}
          </ToggleButton>
        </Tooltip>
      )}
      <Tooltip title="Talk over the pictures (R)">
        <ToggleButton value="talk" size="small" selected={talking} onChange={toggleTalk} aria-label="Talk">
          <MicNoneIcon fontSize="small" />
        </ToggleButton>
      </Tooltip>
      <Tooltip title="Follow the body, both at one size (B)">
        <ToggleButton
          value="follow"
          size="small"
          selected={followBody}
          onChange={() => setView({ followBody: !followBody })}
          aria-label="Follow the body"
        >
          <CenterFocusStrongIcon fontSize="small" />
        </ToggleButton>
      </Tooltip>
      {hasSpace(derived) && (
        <Tooltip title="Body in space">
          <ToggleButton
            value="space"
            size="small"
            selected={space.shown}
            onChange={() => setSpace({ shown: !space.shown })}
            aria-label="Show the body in space"
          >
            <ViewInArIcon fontSize="small" />
          </ToggleButton>
        </Tooltip>
      )}
      <Tooltip title="Lines on or off (O)">
        <ToggleButton
          value="lines"
          size="small"
          selected={overlays}
          onChange={() => setView({ overlays: !overlays })}
          aria-label="Lines"
        >
          <TimelineIcon fontSize="small" />
        </ToggleButton>
      </Tooltip>
    </div>
  );
}
