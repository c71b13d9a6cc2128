import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo, useState, type ReactNode } from 'react';
import type { CameraPlan } from '../../core/model/camera-plan';
import { measureName, type Movement } from '../../core/model/movement';
import { asFilmed, extentOf, fastest } from '../../core/planning/as-filmed';
import { metresSeen, pixelsPerMetre, planOf } from '../../core/planning/camera-plan';
import { plannedErrors, type PlannedError } from '../../core/planning/planned-errors';
import type { Trial } from '../../core/trial/trial';
import { setCameraPlan } from '../../state/camera-plan-use-cases';
import type { Derived } from '../../state/derived';
import { plusMinus, readingText } from './format';
import { PlanFromAbove } from './plan-from-above';
import { PlanThroughCamera } from './plan-through-camera';

const RATES = [25, 30, 50, 60, 100, 120, 240] as const;
const SIZES = [
  [1280, 720],
  [1920, 1080],
  [3840, 2160],
] as const;
/** A smear of more than this share of the standing height hides where a joint is. */
const SMEAR = 0.01;
/** Shutter times that cameras have, one by so many seconds. */
const SHUTTERS = [60, 125, 250, 500, 1000, 2000, 4000] as const;
/** What must be left of the picture on each side of the movement. */
const ROOM = 0.05;

/** Opens the plan of where the camera stands next time; nothing where no points tell of the movement. */
export function CameraPlanner({ derived }: { readonly derived: Derived }): ReactNode {
  const [open, setOpen] = useState(false);
  const known = (trial: Trial | null): trial is Trial =>
    trial !== null && !trial.clip.pictures && Number.isFinite(trial.bodyHeight);
  const trial = [derived.reference, derived.athlete].find(known);
  if (!trial) return null;
  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)}>
        Plan the camera
      </Button>
      {open && (
        <Planner
          movement={derived.movement}
          trial={trial}
          plan={derived.session.cameraPlan ?? planOf(trial)}
          onClose={() => setOpen(false)}
        />
      )}
    </>
  );
}

interface PlannerProps {
  readonly movement: Movement;
  readonly trial: Trial;
  readonly plan: CameraPlan;
  readonly onClose: () => void;
}

function Planner({ movement, trial, plan, onClose }: PlannerProps): ReactNode {
  const change = (part: Partial<CameraPlan>): void => setCameraPlan({ ...plan, ...part });
  const filmed = useMemo(() => asFilmed(trial, plan), [trial, plan]);
  const errors = useMemo(
    () => plannedErrors(movement.measures, trial, plan, filmed),
    [movement.measures, trial, plan, filmed],
  );
  const extent = extentOf(filmed);
  const takes = {
    width: (extent.right - extent.left) / pixelsPerMetre(plan),
    height: (extent.bottom - extent.top) / pixelsPerMetre(plan),
  };
  return (
    <Dialog open onClose={onClose} maxWidth="lg" fullWidth>
      <DialogTitle>Where the camera stands next time</DialogTitle>
      <DialogContent>
        <div style={{ display: 'grid', gridTemplateColumns: '360px 1fr', gap: 20, alignItems: 'start' }}>
          <div style={{ display: 'grid', gap: 10 }}>
            <PlanFromAbove plan={plan} travels={takes.width} onChange={change} />
            <PlanThroughCamera filmed={filmed} />
            <PlanNotes trial={trial} plan={plan} takes={takes} />
          </div>
          <div style={{ display: 'grid', gap: 12 }}>
            <PlanFields plan={plan} onChange={change} />
            <PlannedTable movement={movement} errors={errors} />
          </div>
        </div>
      </DialogContent>
      <DialogActions>
        <Button onClick={() => setCameraPlan(planOf(trial))}>As this clip was filmed</Button>
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function PlanFields({
  plan,
  onChange,
}: {
  readonly plan: CameraPlan;
  readonly onChange: (part: Partial<CameraPlan>) => void;
}): ReactNode {
  const number = (key: 'focal' | 'stature' | 'distance' | 'offPlane', label: string, least: number, most: number) => (
    <TextField
      key={`${key} ${plan[key]}`}
      label={label}
      type="number"
      defaultValue={plan[key]}
      onBlur={(event) => {
        const value = Number(event.target.value);
        if (event.target.value !== '' && value >= least && value <= most && value !== plan[key])
          onChange({ [key]: value });
        else event.target.value = String(plan[key]);
      }}
    />
  );
  const rates = [...new Set([...RATES, plan.rate])].sort((a, b) => a - b);
  const sizes = SIZES.some(([width]) => width === plan.width) ? SIZES : [...SIZES, [plan.width, plan.height] as const];
  return (
    <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr 1fr', gap: 10, paddingTop: 6 }}>
      {number('distance', 'Distance, metres', 0.5, 500)}
      {number('offPlane', 'Off the square view, degrees', -90, 90)}
      {number('focal', 'Focal length (36 mm), mm', 5, 2000)}
      <TextField
        select
        label="Picture"
        value={plan.width}
        onChange={(event) => {
          const size = sizes.find(([width]) => width === Number(event.target.value))!;
          onChange({ width: size[0], height: size[1] });
        }}
      >
        {sizes.map(([width, height]) => (
          <MenuItem key={width} value={width}>
            {width} × {height}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="Frames per second"
        value={plan.rate}
        onChange={(event) => onChange({ rate: Number(event.target.value) })}
      >
        {rates.map((rate) => (
          <MenuItem key={rate} value={rate}>
            {rate}
          </MenuItem>
        ))}
      </TextField>
      {number('stature', 'Performer’s height, metres', 0.5, 2.6)}
    </div>
  );
}

/** What the plan shows, what it misses, and the shutter that it needs. */
function PlanNotes({
  trial,
  plan,
  takes,
}: {
  readonly trial: Trial;
  readonly plan: CameraPlan;
  readonly takes: { readonly width: number; readonly height: number };
}): ReactNode {
  const seen = metresSeen(plan);
  const pixels = pixelsPerMetre(plan) * plan.stature;
  const speed = fastest(trial, plan.stature);
  const wanted = speed / (SMEAR * plan.stature);
  const shutter = SHUTTERS.find((one) => one >= wanted) ?? SHUTTERS[SHUTTERS.length - 1]!;
  // How often the picture must be as large for the movement to fit.
  const over = Math.max(takes.width / seen.width, takes.height / seen.height) / (1 - 2 * ROOM);
  return (
    <ul style={{ margin: 0, paddingLeft: 18, fontSize: '.86rem', display: 'grid', gap: 4 }}>
      <li>
        The picture shows {seen.width.toFixed(1)} by {seen.height.toFixed(1)} m; the performer is {Math.round(pixels)}{' '}
        pixels tall.
      </li>
      {over > 1 && (
        <li>
          <strong>
            The movement does not fit: it takes {takes.width.toFixed(1)} by {takes.height.toFixed(1)} m.
          </strong>{' '}
          Go to {(plan.distance * over).toFixed(1)} m, or film a part of it.
        </li>
      )}
      <li>
        Shutter 1/{shutter} s or shorter: the fastest point goes {speed.toFixed(0)} m/s, and smears by{' '}
        {((100 * speed) / plan.rate).toFixed(0)} cm in a whole frame.
      </li>
      <li>
        Camera level, at hip height, still on a tripod; a known length on the ground in the plane of the movement.
      </li>
      <li>Never in the line of flight, the landing area or the run-up, and no cable across them.</li>
    </ul>
  );
}

function PlannedTable({
  movement,
  errors,
}: {
  readonly movement: Movement;
  readonly errors: readonly PlannedError[];
}): ReactNode {
  return (
    <div style={{ overflow: 'auto', maxHeight: '56vh' }} role="region" aria-label="What to expect" tabIndex={0}>
      <table className="sheet">
        <thead>
          <tr>
            <th className="left">Measure</th>
            <th>About</th>
            <th>To expect</th>
            <th>Matters from</th>
            <th className="left">What would help</th>
          </tr>
        </thead>
        <tbody>
          {errors.map(({ measure, reading, plusMinus: half, tolerance, improvement }) => (
            <tr key={measure.id}>
              <td className="left wrap">{measureName(movement, measure)}</td>
              {reading.measurable && half !== null ? (
                <>
                  <td>{readingText(reading).value}</td>
                  <td style={half > tolerance ? { color: '#8a5a12', fontWeight: 700 } : undefined}>
                    {plusMinus(half, reading.unit)}
                  </td>
                  <td>{plusMinus(tolerance, reading.unit).replace('±', '')}</td>
                  <td className="left wrap">
                    {improvement ? `${plusMinus(improvement.plusMinus, reading.unit)} ${improvement.words}` : ''}
                  </td>
                </>
              ) : (
                <td className="left wrap" colSpan={4}>
                  {reading.measurable ? '' : `${reading.message}. ${reading.remedy}`}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
