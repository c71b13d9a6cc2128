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
import { player } from '../../../application/bench/bench-player';
import type { Derived } from '../../../application/analysis/derived';
import { soundOf, toggleSound, useSounds } from '../../../application/clips/clip-sounds';
import { toggleTalk, useTalk } from '../../../application/talk/talk-recorder';
import { setSpace, setView, SPEEDS, useView, type Speed } from '../../../application/stores/view-store';
import { goToEvent } from './bench-keys';
import { MatchingChoice } from './matching-choice';
import { PlayMenu } from './play-menu';
import { hasSpace } from './space-pane';
import { TEXT } from '../../../text/screens/bench/playing';

const SPEED_NAMES: Readonly<Record<string, string>> = {
  '0.0625': TEXT.sixteenthSpeed,
  '0.125': TEXT.eighthSpeed,
  '0.25': TEXT.quarterSpeed,
  '0.5': TEXT.halfSpeed,
  '1': TEXT.fullSpeed,
  '2': TEXT.doubleSpeed,
};

/** Stepping, playing, and what is shown meanwhile. */
export function Transport({
  derived,
  currentEvent,
}: {
  readonly derived: Derived;
  readonly currentEvent: string | null;
}): ReactNode {
  const playing = useView((state) => state.playing);
  const speed = useView((state) => state.speed);
  const followBody = useView((state) => state.followBody);
  const sound = useView((state) => state.sound);
  const audible = useSounds((state) => derived.panes.some(({ trial }) => soundOf(state, trial.clip)));
  const overlays = useView((state) => state.overlays);
  const space = useView((state) => state.space);
  const talking = useTalk((state) => state.open);
  useView((state) => state.activeClip);
  const name = derived.movement.moments.find((m) => m.id === currentEvent)?.name;
  const button = (title: string, icon: ReactNode, onClick: () => void): ReactNode => (
    <Tooltip title={title}>
      <IconButton aria-label={title} onClick={onClick}>
        {icon}
      </IconButton>
    </Tooltip>
  );
  return (
    <div className="transport" role="toolbar" aria-label={TEXT.playing}>
      {button(TEXT.previousMomentPageUp, <KeyboardDoubleArrowLeftIcon />, () => goToEvent(derived, -1))}
      {button(TEXT.backOneFrame, <ChevronLeftIcon />, () => player.stepBoth(-1))}
      {playing
        ? button(TEXT.pauseSpace, <PauseIcon />, () => player.pause())
        : button(TEXT.playSpace, <PlayArrowIcon />, () => player.play())}
      {button(TEXT.forwardOneFrame, <ChevronRightIcon />, () => player.stepBoth(1))}
      {button(TEXT.nextMomentPageDown, <KeyboardDoubleArrowRightIcon />, () => goToEvent(derived, 1))}
      <Select
        value={String(speed)}
        onChange={(event) => setView({ speed: Number(event.target.value) as Speed })}
        variant="standard"
        inputProps={{ 'aria-label': TEXT.speed }}
      >
        {SPEEDS.map((each) => (
          <MenuItem key={each} value={String(each)}>
            {SPEED_NAMES[String(each)]}
          </MenuItem>
        ))}
      </Select>
      <strong className="moment" data-testid="current-moment">
        {name ?? TEXT.beforeFirstMoment}
      </strong>
      <span className="spacer" />
      {derived.clips.length > 1 && <MatchingChoice derived={derived} />}
      <PlayMenu derived={derived} />
      {audible && (
        <Tooltip title={TEXT.soundOfChosenClipFrom}>
          <ToggleButton value="sound" size="small" selected={sound} onChange={toggleSound} aria-label={TEXT.sound}>
            {sound ? <VolumeUpIcon fontSize="small" /> : <VolumeOffIcon fontSize="small" />}
          </ToggleButton>
        </Tooltip>
      )}
      <Tooltip title={TEXT.talkOverPicturesR}>
        <ToggleButton value="talk" size="small" selected={talking} onChange={toggleTalk} aria-label={TEXT.talk}>
          <MicNoneIcon fontSize="small" />
        </ToggleButton>
      </Tooltip>
      <Tooltip title={TEXT.followBodyBothAtOne}>
        <ToggleButton
          value="follow"
          size="small"
          selected={followBody}
          onChange={() => setView({ followBody: !followBody })}
          aria-label={TEXT.followBody}
        >
          <CenterFocusStrongIcon fontSize="small" />
        </ToggleButton>
      </Tooltip>
      {hasSpace(derived) && (
        <Tooltip title={TEXT.bodyInSpace}>
          <ToggleButton
            value="space"
            size="small"
            selected={space.shown}
            onChange={() => setSpace({ shown: !space.shown })}
            aria-label={TEXT.showBodyInSpace}
          >
            <ViewInArIcon fontSize="small" />
          </ToggleButton>
        </Tooltip>
      )}
      <Tooltip title={TEXT.linesOnOrOffO}>
        <ToggleButton
          value="lines"
          size="small"
          selected={overlays}
          onChange={() => setView({ overlays: !overlays })}
          aria-label={TEXT.lines}
        >
          <TimelineIcon fontSize="small" />
        </ToggleButton>
      </Tooltip>
    </div>
  );
}
