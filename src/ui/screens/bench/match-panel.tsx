import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Slider from '@mui/material/Slider';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import type { Derived } from '../../../state/derived';
import { changeClip } from '../../../state/use-cases';
import { setView, useView } from '../../../state/view-store';
import { RoleName } from '../../components/role-name';

/** What must be equal before two pictures can be compared. */
export function MatchPanel({ derived }: { readonly derived: Derived }): ReactNode {
  const clips = [derived.athlete?.clip, derived.reference?.clip].filter((c) => c !== undefined);
  const facing = clips.map((c) => (c.mirrored ? (c.travel === 'left' ? 'right' : 'left') : c.travel));
  return (
    <>
      {facing.length === 2 && facing[0] !== facing[1] && <div className="caution">They move in opposite directions on the screen. Mirror one of them.</div>}
      {clips.map((clip) => <ClipMatch key={`${clip.id}-${clip.captureRate}`} clip={clip} />)}
      <Typography sx={{ fontSize: '.84rem', color: 'text.secondary' }}>
        Mirroring changes the picture only: measured values count forward as forward either way. With points found, “follow the body” shows both performers at the same size.
      </Typography>
    </>
  );
}

function ClipMatch({ clip }: { readonly clip: Clip }): ReactNode {
  const levelling = useView((state) => state.tool === 'level');
  return (
    <section className="card" style={{ display: 'grid', gap: 10 }}>
      <Typography variant="h3" component="h2"><RoleName role={clip.role} name={clip.performer.name} /></Typography>
      <TextField select label="Moves in the picture" value={clip.travel} onChange={(event) => changeClip(clip.id, { travel: event.target.value as Clip['travel'] })}>
        <MenuItem value="right">To the right</MenuItem>
        <MenuItem value="left">To the left</MenuItem>
      </TextField>
      <FormControlLabel control={<Checkbox checked={clip.mirrored} onChange={(event) => changeClip(clip.id, { mirrored: event.target.checked })} />} label="Show mirrored" />
      <div style={{ display: 'flex', gap: 8, alignItems: 'center', fontSize: '.86rem' }}>
        <Button variant={levelling ? 'contained' : 'outlined'} onClick={() => setView({ tool: levelling ? 'move' : 'level' })}>{levelling ? 'Draw along a level or plumb line' : 'Level by a line'}</Button>
        {clip.levelDegrees !== 0 && <span>turned by {clip.levelDegrees.toFixed(1)}° <Button onClick={() => changeClip(clip.id, { levelDegrees: 0 })}>As filmed</Button></span>}
      </div>
      <Shade label="Brightness" value={clip.brightness} most={4} onKeep={(brightness) => changeClip(clip.id, { brightness })} />
      <Shade label="Contrast" value={clip.contrast} most={3} onKeep={(contrast) => changeClip(clip.id, { contrast })} />
      <TextField
        label="Capture rate, frames per second"
        type="number"
        defaultValue={clip.captureRate}
        helperText={`The file plays ${clip.fileRate} frames per second`}
        onBlur={(event) => {
          const rate = Number(event.target.value);
          if (rate > 0 && rate !== clip.captureRate) changeClip(clip.id, { captureRate: rate });
          else event.target.value = String(clip.captureRate);
        }}
      />
    </section>
  );
}

/** How light or hard a picture is shown; kept when the slider is let go. */
function Shade({ label, value, most, onKeep }: { readonly label: string; readonly value: number; readonly most: number; readonly onKeep: (value: number) => void }): ReactNode {
  const [moving, setMoving] = useState<number | null>(null);
  return (
    <div style={{ display: 'flex', alignItems: 'center', gap: 14, fontSize: '.86rem' }}>
      <span style={{ width: 76 }}>{label}</span>
      <Slider
        size="small"
        aria-label={label}
        min={0.5}
        max={most}
        step={0.05}
        value={moving ?? value}
        onChange={(_, next) => setMoving(next as number)}
        onChangeCommitted={(_, next) => {
          setMoving(null);
          if (next !== value) onKeep(next as number);
        }}
      />
    </div>
  );
}
