import TuneIcon from '@mui/icons-material/Tune';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import Popover from '@mui/material/Popover';
import Slider from '@mui/material/Slider';
import TextField from '@mui/material/TextField';
import Tooltip from '@mui/material/Tooltip';
import { useState, type ReactNode } from 'react';
import { steadyOf } from '../../../core/calibration/steady';
import { MOST_PANES } from '../../../core/model/slots';
import { player } from '../../../application/bench/bench-player';
import { activeOf, type Derived } from '../../../application/analysis/derived';
import { nudge } from '../../../application/clips/camera-use-cases';
import { soundOf, useSounds } from '../../../application/clips/clip-sounds';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { clipName } from '../../components/clip-name';
import { zoomRibbons } from './ribbon-span';
import {
  GHOST_ANCHORS,
  LAYOUTS,
  setView,
  toggleGround,
  useView,
  type GhostAnchor,
  type Layout,
} from '../../../application/stores/view-store';
import { TEXT } from '../../../text/screens/bench/playing';

const LAYOUT_NAMES: Readonly<Record<Layout, string>> = {
  columns: TEXT.sideBySide,
  rows: TEXT.oneAboveOther,
  grid: TEXT.twoByTwo,
  large: TEXT.chosenOneLarge,
  over: TEXT.laidOverEachOther,
};
const ANCHOR_NAMES: Readonly<Record<GhostAnchor, string>> = {
  'mid-hip': TEXT.hips,
  'opposite-ankle': TEXT.ankleOfOtherSide,
  'dominant-ankle': TEXT.ankleOfDominantSide,
  'mid-shoulder': TEXT.shoulders,
};

/** What the arrows with Alt move: the camera chosen, or a trial against the leading one. */
function movedBy(derived: Derived): string {
  const active = activeOf(derived, useView.getState().activeClip);
  if (active?.join) return clipName(active);
  const moved = derived.clips.find((c) => c.trial.clip.id === player.movable?.clip.id);
  return moved ? clipName(moved) : TEXT.referenceWithin;
}

/** What is played, how the panes lie, and bringing the two clips together by hand. */
export function PlayMenu({ derived }: { readonly derived: Derived }): ReactNode {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const region = useView((state) => state.region);
  const loop = useView((state) => state.loop);
  const thumbnails = useView((state) => state.thumbnails);
  const waves = useView((state) => state.waves);
  const audible = useSounds((state) => derived.panes.some(({ trial }) => soundOf(state, trial.clip)));
  const layout = useView((state) => state.layout);
  const holdGround = useView((state) => state.holdGround);
  const ghost = useView((state) => state.ghost);
  const { movement } = derived;
  const moment = (which: 'from' | 'to', label: string): ReactNode => (
    <TextField
      select
      label={label}
      value={region?.[which] ?? ''}
      sx={{ flex: 1 }}
      onChange={(event) => {
        const id = event.target.value;
        const { moments } = movement;
        if (id === '') return setView({ region: null });
        const other =
          which === 'from' ? (region?.to ?? moments[moments.length - 1]!.id) : (region?.from ?? moments[0]!.id);
        setView({ region: which === 'from' ? { from: id, to: other } : { from: other, to: id } });
      }}
    >
      <MenuItem value="">{which === 'from' ? TEXT.beginning : TEXT.endWithin}</MenuItem>
      {movement.moments.map((m) => (
        <MenuItem key={m.id} value={m.id}>
          {m.name}
        </MenuItem>
      ))}
    </TextField>
  );
  const movable = derived.clips.filter((c) => !c.join).length > 1 || derived.clips.some((c) => c.join);
  useView((state) => state.activeClip);
  const moved = movedBy(derived);
  return (
    <>
      <Tooltip title={TEXT.playingPanesAndMatchingBy}>
        <IconButton aria-label={TEXT.playingPanesAndMatchingBy} onClick={(event) => setAnchor(event.currentTarget)}>
          <TuneIcon />
        </IconButton>
      </Tooltip>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'top', horizontal: 'right' }}
        transformOrigin={{ vertical: 'bottom', horizontal: 'right' }}
      >
        <div style={{ padding: 14, width: 380, display: 'grid', gap: 10 }}>
          <div style={{ display: 'flex', gap: 8 }}>
            {moment('from', TEXT.playFrom)}
            {moment('to', TEXT.playTo)}
          </div>
          <FormControlLabel
            control={<Checkbox checked={loop} onChange={(event) => setView({ loop: event.target.checked })} />}
            label={TEXT.loopL}
          />
          <div style={{ display: 'flex', alignItems: 'center' }}>
            <FormControlLabel
              sx={{ flex: 1 }}
              control={
                <Checkbox checked={thumbnails} onChange={(event) => setView({ thumbnails: event.target.checked })} />
              }
              label={TEXT.picturesAlongTimeT}
            />
            <Button aria-label={TEXT.zoomInOnTime} onClick={() => zoomRibbons(derived, 0.5)}>
              {TEXT.closer}
            </Button>
            <Button aria-label={TEXT.showAllOfTime} onClick={() => setView({ ribbonSpan: null })}>
              {TEXT.allLabel}
            </Button>
          </div>
          {audible && (
            <FormControlLabel
              control={<Checkbox checked={waves} onChange={(event) => setView({ waves: event.target.checked })} />}
              label={TEXT.soundAlongTime}
            />
          )}
          <TextField
            select
            label={TEXT.panes}
            value={layout}
            onChange={(event) => setView({ layout: event.target.value as Layout })}
          >
            {LAYOUTS.map((each) => (
              <MenuItem key={each} value={each}>
                {LAYOUT_NAMES[each]}
              </MenuItem>
            ))}
          </TextField>
          {derived.panes.some(({ trial }) => steadyOf(trial.clip)) && (
            <FormControlLabel
              control={<Checkbox checked={holdGround} onChange={toggleGround} />}
              label={TEXT.holdGroundStillWhereCamera}
            />
          )}
          {derived.clips.length > 2 && (
            <div role="group" aria-label={TEXT.picturesShownAtMostFour}>
              {derived.clips.map((on) => {
                const { clip } = on.trial;
                const shown = derived.panes.includes(on);
                return (
                  <FormControlLabel
                    key={clip.id}
                    control={
                      <Checkbox
                        checked={shown}
                        disabled={!shown && derived.panes.length >= MOST_PANES}
                        onChange={(event) => changeClip(clip.id, { onBench: event.target.checked })}
                      />
                    }
                    label={`${clip.performer.name}, ${clipName(on)}`}
                  />
                );
              })}
            </div>
          )}
          {layout === 'over' && (
            <>
              <TextField
                select
                label={TEXT.laidOnEachOtherAt}
                value={ghost.anchor}
                onChange={(event) => setView({ ghost: { ...ghost, anchor: event.target.value as GhostAnchor } })}
              >
                {GHOST_ANCHORS.map((each) => (
                  <MenuItem key={each} value={each}>
                    {ANCHOR_NAMES[each]}
                  </MenuItem>
                ))}
              </TextField>
              <div style={{ display: 'flex', alignItems: 'center', gap: 14, fontSize: '.86rem' }}>
                <span>{TEXT.opacityOfWhatLies}</span>
                <Slider
                  size="small"
                  aria-label={TEXT.opacityOfWhatLies}
                  disabled={ghost.show === 'lines'}
                  min={0.1}
                  max={1}
                  step={0.05}
                  value={ghost.opacity}
                  onChange={(_, value) => setView({ ghost: { ...ghost, opacity: value as number } })}
                />
              </div>
              <TextField
                select
                label={TEXT.whatLiesOnTopIs}
                value={ghost.show}
                onChange={(event) => setView({ ghost: { ...ghost, show: event.target.value as typeof ghost.show } })}
              >
                <MenuItem value="picture">{TEXT.itsPicture}</MenuItem>
                <MenuItem value="edges">{TEXT.itsOutlines}</MenuItem>
                <MenuItem value="lines">{TEXT.itsMeasuredLinesOnly}</MenuItem>
              </TextField>
            </>
          )}
          <div>
            <Button disabled={!movable} onClick={() => player.catchUp()}>
              {TEXT.alignHereC}
            </Button>
            <Button disabled={!movable} onClick={() => player.lockAsTheyStand()}>
              {TEXT.lockAsTheyStand}
            </Button>
          </div>
          <div style={{ display: 'flex', alignItems: 'center', gap: 6, fontSize: '.86rem' }}>
            <span style={{ flex: 1 }}>{TEXT.moveMovedFrames(moved)}</span>
            {[-1, -0.1, 0.1, 1].map((by) => (
              <Button
                key={by}
                disabled={!movable}
                sx={{ minWidth: 44 }}
                aria-label={TEXT.moveMovedByFrames(moved, by)}
                onClick={() => nudge(by)}
              >
                {by > 0 ? `+${by}` : `\u2212${-by}`}
              </Button>
            ))}
          </div>
        </div>
      </Popover>
    </>
  );
}
