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

const LAYOUT_NAMES: Readonly<Record<Layout, string>> = {
  columns: 'Side by side',
  rows: 'One above the other',
  grid: 'Two by two',
  large: 'The chosen one large',
  over: 'Laid over each other',
};
const ANCHOR_NAMES: Readonly<Record<GhostAnchor, string>> = {
  'mid-hip': 'Hips',
  'opposite-ankle': 'Ankle of the other side',
  'dominant-ankle': 'Ankle of the dominant side',
  'mid-shoulder': 'Shoulders',
};

/** What the arrows with Alt move: the camera chosen, or a trial against the leading one. */
function movedBy(derived: Derived): string {
  const active = activeOf(derived, useView.getState().activeClip);
  if (active?.join) return clipName(active);
  const moved = derived.clips.find((c) => c.trial.clip.id === player.movable?.clip.id);
  return moved ? clipName(moved) : 'reference';
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
      <MenuItem value="">{which === 'from' ? 'the beginning' : 'the end'}</MenuItem>
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
      <Tooltip title="Playing, panes and matching by hand">
        <IconButton
          aria-label="Playing, panes and matching by hand"
          onClick={(event) => setAnchor(event.currentTarget)}
        >
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
            {moment('from', 'Play from')}
            {moment('to', 'Play to')}
          </div>
          <FormControlLabel
            control={<Checkbox checked={loop} onChange={(event) => setView({ loop: event.target.checked })} />}
            label="Again and again (L)"
          />
          <div style={{ display: 'flex', alignItems: 'center' }}>
            <FormControlLabel
              sx={{ flex: 1 }}
              control={
                <Checkbox checked={thumbnails} onChange={(event) => setView({ thumbnails: event.target.checked })} />
              }
              label="Pictures along the time (T)"
            />
            <Button aria-label="Time closer (Z)" onClick={() => zoomRibbons(derived, 0.5)}>
              Closer
            </Button>
            <Button aria-label="All of the time (0)" onClick={() => setView({ ribbonSpan: null })}>
              All
            </Button>
          </div>
          {audible && (
            <FormControlLabel
              control={<Checkbox checked={waves} onChange={(event) => setView({ waves: event.target.checked })} />}
              label="Sound along the time"
            />
          )}
          <TextField
            select
            label="Panes"
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
              label="Hold the ground still where the camera moved (Shift+B)"
            />
          )}
          {derived.clips.length > 2 && (
            <div role="group" aria-label="Pictures shown, at most four">
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
                label="Laid on each other at"
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
                <span>How much of what lies on top</span>
                <Slider
                  size="small"
                  aria-label="How much of what lies on top"
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
                label="What lies on top is shown as"
                value={ghost.show}
                onChange={(event) => setView({ ghost: { ...ghost, show: event.target.value as typeof ghost.show } })}
              >
                <MenuItem value="picture">its picture</MenuItem>
                <MenuItem value="edges">its outlines</MenuItem>
                <MenuItem value="lines">its measured lines only</MenuItem>
              </TextField>
            </>
          )}
          <div>
            <Button disabled={!movable} onClick={() => player.catchUp()}>
              Align here (C)
            </Button>
            <Button disabled={!movable} onClick={() => player.lockAsTheyStand()}>
              Lock as they stand
            </Button>
          </div>
          <div style={{ display: 'flex', alignItems: 'center', gap: 6, fontSize: '.86rem' }}>
            <span style={{ flex: 1 }}>Move the {moved}, frames</span>
            {[-1, -0.1, 0.1, 1].map((by) => (
              <Button
                key={by}
                disabled={!movable}
                sx={{ minWidth: 44 }}
                aria-label={`Move the ${moved} by ${by} frames`}
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
