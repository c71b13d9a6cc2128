import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Slider from '@mui/material/Slider';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState, type ReactNode } from 'react';
import { groundPlane } from '../../../core/calibration/ground';
import { offPlaneSd } from '../../../core/calibration/view';
import { agrees, estimateOffPlane, viewAsEstimated } from '../../../core/trial/view-estimate';
import type { Clip } from '../../../core/model/clip';
import type { Movement } from '../../../core/model/movement';
import type { Trial } from '../../../core/trial/trial';
import { COVERAGE_95 } from '../../../core/statistics/normal';
import type { BenchClip, Derived } from '../../../state/derived';
import { joinHere } from '../../../state/camera-use-cases';
import { changeClip, compareWith } from '../../../state/clip-use-cases';
import { dropWorkCopy, makeWorkCopy } from '../../../state/work-copy';
import { useJobs } from '../../../state/jobs';
import { notify } from '../../../state/notices';
import { setView, useView } from '../../../state/view-store';
import { VIEW_NAMES } from '../../components/clip-name';
import { signedMilliseconds } from '../../components/format';
import { RoleName } from '../../components/role-name';
import { NUMBER_PAUSE, useCommittedText } from '../../components/use-committed-text';

/** What must be equal before two pictures can be compared. */
export function MatchPanel({ derived }: { readonly derived: Derived }): ReactNode {
  const sizeBy = useView((state) => state.sizeBy);
  const clips = [derived.athlete?.clip, derived.reference?.clip].filter((c) => c !== undefined);
  const facing = clips.map((c) => (c.mirrored ? (c.travel === 'left' ? 'right' : 'left') : c.travel));
  return (
    <>
      {facing.length === 2 && facing[0] !== facing[1] && (
        <div className="caution">They move in opposite directions on the screen. Mirror one of them.</div>
      )}
      {derived.clips.map((on) => (
        <ClipMatch
          key={`${on.trial.clip.id}-${on.trial.clip.captureRate}`}
          on={on}
          lengths={derived.movement.knownLengths}
        />
      ))}
      {derived.panes.every((c) => c.trial.clip.scale) && derived.panes.length > 1 && (
        <TextField
          select
          label="Pictures that follow the body are equal by"
          value={sizeBy}
          onChange={(event) => setView({ sizeBy: event.target.value as 'body' | 'length' })}
        >
          <MenuItem value="body">the performer’s size</MenuItem>
          <MenuItem value="length">the known lengths</MenuItem>
        </TextField>
      )}
      <Typography sx={{ fontSize: '.84rem', color: 'text.secondary' }}>
        Mirroring changes the picture only: measured values count forward as forward either way. With points detected,
        “follow the body” shows both performers at the same size.
      </Typography>
    </>
  );
}

function ClipMatch({ on, lengths }: { readonly on: BenchClip; readonly lengths: Movement['knownLengths'] }): ReactNode {
  const { clip } = on.trial;
  const levelling = useView((state) => state.tool === 'level');
  return (
    <section className="card" style={{ display: 'grid', gap: 10 }}>
      <Typography variant="h3" component="h2">
        <RoleName
          role={on.styleKey}
          name={on.join ? `${clip.performer.name}, ${VIEW_NAMES[clip.view.kind]} view` : clip.performer.name}
        />
      </Typography>
      {on.join && <Joint on={on} />}
      {on.id.startsWith('reference-') && !on.join && (
        <Button variant="outlined" onClick={() => compareWith(clip.id)}>
          Compare the athlete with this one
        </Button>
      )}
      <TextField
        select
        label="Moves in the picture"
        value={clip.travel}
        onChange={(event) => changeClip(clip.id, { travel: event.target.value as Clip['travel'] })}
      >
        <MenuItem value="right">To the right</MenuItem>
        <MenuItem value="left">To the left</MenuItem>
      </TextField>
      <FormControlLabel
        control={
          <Checkbox
            checked={clip.mirrored}
            onChange={(event) => changeClip(clip.id, { mirrored: event.target.checked })}
          />
        }
        label="Show mirrored"
      />
      <div style={{ display: 'flex', gap: 8, alignItems: 'center', fontSize: '.86rem' }}>
        <Button
          variant={levelling ? 'contained' : 'outlined'}
          onClick={() => setView({ tool: levelling ? 'move' : 'level' })}
        >
          {levelling ? 'Draw along a level or plumb line' : 'Level by a line'}
        </Button>
        {clip.levelDegrees !== 0 && (
          <span>
            turned by {clip.levelDegrees.toFixed(1)}°{' '}
            <Button onClick={() => changeClip(clip.id, { levelDegrees: 0 })}>As filmed</Button>
          </span>
        )}
      </div>
      {clip.view.kind === 'side' && <CameraDirection trial={on.trial} />}
      <KnownLength clip={clip} lengths={lengths} />
      <Ground clip={clip} />
      <Shade
        label="Brightness"
        value={clip.brightness}
        most={4}
        onKeep={(brightness) => changeClip(clip.id, { brightness })}
      />
      <Shade label="Contrast" value={clip.contrast} most={3} onKeep={(contrast) => changeClip(clip.id, { contrast })} />
      <TextField
        label="Capture rate, frames per second"
        type="number"
        defaultValue={clip.captureRate}
        helperText={`The file plays ${clip.fileRate} frames per second; times on the bench are real times`}
        onBlur={(event) => {
          const rate = Number(event.target.value);
          if (rate > 0 && rate !== clip.captureRate) changeClip(clip.id, { captureRate: rate });
          else event.target.value = String(clip.captureRate);
        }}
      />
      <WorkCopy clip={clip} />
    </section>
  );
}

/** How another camera's clock runs against the first camera's, and the instants that say so. */
function Joint({ on }: { readonly on: BenchClip }): ReactNode {
  const { clip } = on.trial;
  const { pairs } = clip.sync!;
  const { map } = on.join!;
  const drift = `, drifts ${(map.drift * 1e6).toFixed(0)} \u00b5s a second, fits within ${(map.misfit * 1000).toFixed(1)} ms`;
  const offset = `Starts ${signedMilliseconds(map.offset)} against the first camera${pairs.length > 1 ? drift : ''}.`;
  return (
    <div style={{ display: 'grid', gap: 6, fontSize: '.86rem' }}>
      <span>
        {pairs.length === 0
          ? 'Step both cameras to one instant that both show (a clap, a flash, a contact): Shift with the arrows steps this one alone. Then join them there.'
          : `${offset} A second instant, far from the first, measures the drift of the clocks.`}
      </span>
      <div>
        <Button variant={pairs.length === 0 ? 'contained' : 'outlined'} onClick={() => joinHere(clip)}>
          {pairs.length === 0 ? 'Same instant here' : 'One more instant here'}
        </Button>
        {pairs.length > 0 && (
          <Button onClick={() => changeClip(clip.id, { sync: { to: clip.sync!.to, pairs: [] } })}>Join anew</Button>
        )}
      </div>
      {pairs.length > 0 && (
        <span>
          {pairs
            .map(
              (p) =>
                `frame ${(p.own + 1).toFixed(1).replace(/\.0$/, '')} = ${(p.other + 1).toFixed(1).replace(/\.0$/, '')}`,
            )
            .join('; ')}
          . With this picture chosen, Alt with the arrows moves it by a frame, with Shift by a tenth.
        </span>
      )}
    </div>
  );
}

/** How far the camera is off the side view: stated, or as the body says. */
function CameraDirection({ trial }: { readonly trial: Trial }): ReactNode {
  const { clip } = trial;
  const { offPlaneDegrees: off, offPlaneSdDegrees: sd } = clip.view;
  const said = useMemo(() => estimateOffPlane(trial), [trial]);
  const taken = said.ok && off === viewAsEstimated(clip.view, said.value).offPlaneDegrees && sd !== undefined;
  const text = useCommittedText(
    off === null ? '' : String(off),
    (typed) => {
      const degrees = degreesOf(typed);
      if (degrees !== undefined) changeClip(clip.id, { view: { kind: clip.view.kind, offPlaneDegrees: degrees } });
    },
    NUMBER_PAUSE,
  );
  const known = off === null ? 'Not said: taken as square' : sd === undefined ? 'Stated' : 'From the body';
  const wrong = degreesOf(text.value) === undefined;
  return (
    <div style={{ display: 'grid', gap: 6, fontSize: '.86rem' }}>
      <TextField
        label="Camera off the side view, degrees"
        {...text}
        error={wrong}
        helperText={
          wrong
            ? `\u201c${text.value}\u201d is not an angle from −90 to 90 degrees; for example 12`
            : `${known}, ±${Math.round(COVERAGE_95 * offPlaneSd(clip.view))}°`
        }
      />
      {said.ok && !taken && (
        <span>
          Shoulders and hips say {said.value.degrees.toFixed(0).replace('-', '−')}° ±{' '}
          {Math.round(COVERAGE_95 * said.value.sdDegrees)}°
          {agrees(clip.view, said.value) ? ', which agrees.' : off === null ? '.' : ', which does not agree.'}{' '}
          {(!agrees(clip.view, said.value) || said.value.sdDegrees < offPlaneSd(clip.view)) && (
            <Button onClick={() => changeClip(clip.id, { view: viewAsEstimated(clip.view, said.value) })}>
              Take it
            </Button>
          )}
        </span>
      )}
    </div>
  );
}

/** The angle that was typed; null where nothing was, undefined where it is none. */
function degreesOf(typed: string): number | null | undefined {
  if (typed.trim() === '') return null;
  const degrees = Number(typed.replace(',', '.').replace('−', '-'));
  return Number.isFinite(degrees) && Math.abs(degrees) <= 90 ? degrees : undefined;
}

/** A length in the plane of the movement: a line along it, and how long it is. */
function KnownLength({
  clip,
  lengths,
}: {
  readonly clip: Clip;
  readonly lengths: Movement['knownLengths'];
}): ReactNode {
  const measuring = useView((state) => state.tool === 'scale');
  const line = useView((state) => (state.measuredLine?.clipId === clip.id ? state.measuredLine : null));
  const [metres, setMetres] = useState('');
  const length = Number(metres.replace(',', '.'));
  const sound = metres.trim() !== '' && Number.isFinite(length) && length > 0;
  return (
    <div style={{ display: 'grid', gap: 6, fontSize: '.86rem' }}>
      <div style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
        <Button
          variant={measuring ? 'contained' : 'outlined'}
          onClick={() => setView({ tool: measuring ? 'move' : 'scale' })}
        >
          {measuring ? 'Draw along the known length' : 'Known length'}
        </Button>
        {clip.scale && !line && (
          <span>
            {clip.scale.metres} m are {clip.scale.pixels.toFixed(0)} pixels{' '}
            <Button onClick={() => changeClip(clip.id, { scale: null })}>Forget it</Button>
          </span>
        )}
      </div>
      {line && (
        <form
          style={{ display: 'flex', gap: 8, alignItems: 'flex-start' }}
          onSubmit={(event) => {
            event.preventDefault();
            if (!sound) return;
            const { pixels, alongDegrees, frame } = line;
            changeClip(clip.id, { scale: { pixels, metres: length, alongDegrees, frame } });
            setMetres('');
            setView({ measuredLine: null });
          }}
        >
          <TextField
            size="small"
            autoFocus
            label="Its length, metres"
            value={metres}
            onChange={(event) => setMetres(event.target.value)}
            error={metres !== '' && !sound}
            helperText={
              metres !== '' && !sound
                ? `\u201c${metres}\u201d is not a length; for example 1.22`
                : `${line.pixels.toFixed(0)} pixels`
            }
          />
          <Button type="submit" disabled={!sound}>
            Keep
          </Button>
          <Button onClick={() => setView({ measuredLine: null })}>Leave</Button>
        </form>
      )}
      {line && lengths.length > 0 && (
        <div>
          {lengths.map((known) => (
            <Button
              key={known.name}
              size="small"
              sx={{ textAlign: 'left' }}
              onClick={() => setMetres(String(known.metres))}
            >
              {known.name}: {known.metres} m
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}

const lengthOf = (text: string): number | null => {
  const value = Number(text.replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) && value > 0 ? value : null;
};

/** A rectangle on the ground, for step lengths and paths through the camera's perspective. */
function Ground({ clip }: { readonly clip: Clip }): ReactNode {
  const marking = useView((state) => state.tool === 'ground');
  const marked = useView((state) => (state.markedGround?.clipId === clip.id ? state.markedGround : null));
  const [length, setLength] = useState('');
  const [width, setWidth] = useState('');
  const [l, w] = [lengthOf(length), lengthOf(width)];
  const keep = (): void => {
    const ground = { corners: [...marked!.corners], length: l!, width: w!, frame: marked!.frame };
    const plane = groundPlane(ground);
    if (!plane.ok) return notify('info', plane.issue.message);
    changeClip(clip.id, { ground });
    setView({ markedGround: null });
  };
  return (
    <div style={{ display: 'grid', gap: 6, fontSize: '.86rem' }}>
      <div style={{ display: 'flex', gap: 8, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button
          variant={marking ? 'contained' : 'outlined'}
          onClick={() => setView({ tool: marking ? 'move' : 'ground', markedGround: null })}
        >
          {marking ? 'Press its four corners, one after the other' : 'Rectangle on the ground'}
        </Button>
        {clip.ground && !marked && (
          <span>
            {clip.ground.length} by {clip.ground.width} m{' '}
            <Button onClick={() => changeClip(clip.id, { ground: null })}>Forget it</Button>
          </span>
        )}
      </div>
      {marked && (
        <form
          style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}
          onSubmit={(event) => {
            event.preventDefault();
            if (l && w) keep();
          }}
        >
          <TextField
            size="small"
            autoFocus
            label="Corner 1 to 2, metres"
            value={length}
            error={length !== '' && l === null}
            onChange={(event) => setLength(event.target.value)}
          />
          <TextField
            size="small"
            label="Corner 2 to 3, metres"
            value={width}
            error={width !== '' && w === null}
            onChange={(event) => setWidth(event.target.value)}
          />
          <Button type="submit" disabled={l === null || w === null}>
            Keep
          </Button>
          <Button onClick={() => setView({ markedGround: null })}>Leave</Button>
        </form>
      )}
    </div>
  );
}

/** A copy in short groups for clips that jump slowly. */
function WorkCopy({ clip }: { readonly clip: Clip }): ReactNode {
  const job = useJobs((state) => state.jobs.some((j) => j.id === `work-${clip.id}`));
  if (clip.workMediaId)
    return (
      <span style={{ fontSize: '.86rem' }}>
        A work copy in short groups is shown here; measuring uses the original.{' '}
        <Button onClick={() => void dropWorkCopy(clip)}>Use the original</Button>
      </span>
    );
  return (
    <div>
      <Button
        variant="outlined"
        disabled={job}
        onClick={() =>
          void makeWorkCopy(clip).then((made) => {
            if (!made.ok && made.issue.code !== 'cancelled') notify('error', made.issue.message);
          })
        }
      >
        Make a work copy that jumps quicker
      </Button>
    </div>
  );
}

/** How light or hard a picture is shown; kept when the slider is let go. */
function Shade({
  label,
  value,
  most,
  onKeep,
}: {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly onKeep: (value: number) => void;
}): ReactNode {
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
