import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import type { CameraPlan } from '../../core/model/camera-plan';
import { LIMITS } from '../../core/model/limits';
import { measureName } from '../../core/model/movement';
import { changedPlan } from '../../core/planning/camera-plan';
import type { PlannedError } from '../../core/planning/planned-errors';
import type { Trial } from '../../core/trial/trial';
import { planAsFilmed, plannedOn, setCameraPlan } from '../../application/season/camera-plan-use-cases';
import type { Derived } from '../../application/analysis/derived';
import { plusMinus, readingText } from './format';
import { PlanFromAbove } from './plan-from-above';
import { PlanThroughCamera } from './plan-through-camera';
import { PlanNotes, usePlannedCamera } from './planned-camera';
import { TEXT } from '../../text/components/planning';

const RATES = [25, 30, 50, 60, 100, 120, 240] as const;
const SIZES = [
  [1280, 720],
  [1920, 1080],
  [3840, 2160],
] as const;
/** Opens the plan of where the camera stands next time; nothing where no points tell of the movement. */
export function CameraPlanner({ derived }: { readonly derived: Derived }): ReactNode {
  const [open, setOpen] = useState(false);
  const trial = plannedOn(derived);
  if (!trial) return null;
  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)}>
        {TEXT.planCamera}
      </Button>
      {open && <Planner derived={derived} trial={trial} onClose={() => setOpen(false)} />}
    </>
  );
}

interface PlannerProps {
  readonly derived: Derived;
  readonly trial: Trial;
  readonly onClose: () => void;
}

function Planner({ derived, trial, onClose }: PlannerProps): ReactNode {
  const planned = usePlannedCamera(derived, trial);
  const { plan, filmed, errors, takes, second } = planned;
  const change = (part: Partial<CameraPlan>): void => setCameraPlan(changedPlan(plan, part));
  return (
    <Dialog open onClose={onClose} maxWidth="lg" fullWidth>
      <DialogTitle>{TEXT.whereCameraStandsNextTime}</DialogTitle>
      <DialogContent>
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: '1fr', md: '360px 1fr' },
            gap: '20px',
            alignItems: 'start',
          }}
        >
          <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', md: '1fr' }, gap: '10px' }}>
            <PlanFromAbove plan={plan} travels={takes.width} onChange={change} />
            <PlanThroughCamera filmed={filmed} />
            <Box sx={{ gridColumn: '1 / -1' }}>
              <PlanNotes {...planned} />
            </Box>
          </Box>
          <div style={{ display: 'grid', gap: 12 }}>
            <div style={COLUMNS}>
              <PlanFields plan={plan} onChange={change} />
              {trial.clip.view.kind === 'side' && <SecondCamera plan={plan} onChange={change} />}
            </div>
            {second === 'computing' && (
              <p role="status" style={{ margin: 0 }}>
                {TEXT.computingBothCameras}
              </p>
            )}
            <PlannedTable derived={derived} errors={errors} />
          </div>
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={() => setCameraPlan(planAsFilmed(derived, trial))}>{TEXT.asThisClipWasFilmed}</Button>
        <Button variant="contained" onClick={onClose}>
          {TEXT.done}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

interface FieldsProps {
  readonly plan: CameraPlan;
  readonly onChange: (part: Partial<CameraPlan>) => void;
}

interface NumberProps {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly onChange: (value: number) => void;
}

/** A number that is taken once its field is left; one out of its range is put back. */
function PlanNumber({ label, value, least, most, onChange }: NumberProps): ReactNode {
  return (
    <TextField
      key={value}
      label={label}
      type="number"
      defaultValue={value}
      onBlur={(event) => {
        const typed = Number(event.target.value);
        if (event.target.value !== '' && typed >= least && typed <= most && typed !== value) onChange(typed);
        else event.target.value = String(value);
      }}
    />
  );
}

const COLUMNS = {
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fill, minmax(175px, 1fr))',
  gap: 10,
  paddingTop: 6,
  alignItems: 'center',
} as const;

/** A second camera by default: out of the way ahead, and far enough round to tell a turn, degrees from the first. */
const APART = 70;

/** Whether there is a second camera, and where it stands. */
function SecondCamera({ plan, onChange }: FieldsProps): ReactNode {
  const { second } = plan;
  return (
    <>
      <FormControlLabel
        control={
          <Checkbox
            checked={second !== null}
            onChange={(_, wanted) => onChange({ second: wanted ? { apart: APART, distance: plan.distance } : null })}
          />
        }
        label={TEXT.secondCamera}
      />
      {second && (
        <>
          <PlanNumber
            label={TEXT.degreesFromFirst}
            value={second.apart}
            {...LIMITS.cameraApart}
            onChange={(apart) => onChange({ second: { ...second, apart } })}
          />
          <PlanNumber
            label={TEXT.itsDistanceMetres}
            value={second.distance}
            {...LIMITS.cameraMetres}
            onChange={(distance) => onChange({ second: { ...second, distance } })}
          />
        </>
      )}
    </>
  );
}

function PlanFields({ plan, onChange }: FieldsProps): ReactNode {
  const number = (
    key: 'focal' | 'stature' | 'distance' | 'lensHeight' | 'offPlane',
    label: string,
    least: number,
    most: number,
  ) => (
    <PlanNumber
      label={label}
      value={plan[key]}
      least={least}
      most={most}
      onChange={(value) => onChange({ [key]: value })}
    />
  );
  const rates = [...new Set([...RATES, plan.rate])].sort((a, b) => a - b);
  const sizes = SIZES.some(([width]) => width === plan.width) ? SIZES : [...SIZES, [plan.width, plan.height] as const];
  return (
    <>
      {number('distance', TEXT.distanceMetres, LIMITS.cameraMetres.least, LIMITS.cameraMetres.most)}
      {number('offPlane', TEXT.offSquareViewDegrees, -90, 90)}
      {number('lensHeight', TEXT.lensMetresAboveGround, LIMITS.lensMetres.least, LIMITS.lensMetres.most)}
      {number('focal', TEXT.focalLength36Mm, 5, 2000)}
      <TextField
        select
        label={TEXT.picture}
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
        label={TEXT.framesPerSecond}
        value={plan.rate}
        onChange={(event) => onChange({ rate: Number(event.target.value) })}
      >
        {rates.map((rate) => (
          <MenuItem key={rate} value={rate}>
            {rate}
          </MenuItem>
        ))}
      </TextField>
      {number('stature', TEXT.performersHeightMetres, 0.5, 2.6)}
    </>
  );
}

/** The error that the athlete's reading has in this session. */
function foundOf(judged: Derived['judged'], measureId: string): string {
  const reading = judged.find(({ measure }) => measure.id === measureId)?.athlete;
  return reading?.measurable ? readingText(reading).plusMinus : '\u2013';
}

function PlannedTable({
  derived: { movement, judged },
  errors,
}: {
  readonly derived: Derived;
  readonly errors: readonly PlannedError[];
}): ReactNode {
  return (
    <div style={{ overflow: 'auto', maxHeight: '56vh' }} role="region" aria-label={TEXT.whatToExpect} tabIndex={0}>
      <table className="sheet">
        <thead>
          <tr>
            <th className="left">{TEXT.measure}</th>
            <th>{TEXT.about}</th>
            <th>{TEXT.toExpect}</th>
            <th>{TEXT.now}</th>
            <th>{TEXT.mattersFrom}</th>
            <th className="left">{TEXT.whatWouldHelp}</th>
          </tr>
        </thead>
        <tbody>
          {errors.map(({ measure, reading, plusMinus: half, tolerance, improvement, inSpace }) => (
            <tr key={measure.id}>
              <td className="left wrap">
                {measureName(movement, measure)}
                {inSpace && <div style={{ fontSize: '.8rem', color: '#545c61' }}>{TEXT.inSpaceFromBoth}</div>}
              </td>
              {reading.measurable && half !== null ? (
                <>
                  <td>{readingText(reading).value}</td>
                  <td style={half > tolerance ? { color: '#8a5a12', fontWeight: 700 } : undefined}>
                    {plusMinus(half, reading.unit)}
                  </td>
                  <td>{foundOf(judged, measure.id)}</td>
                  <td>{plusMinus(tolerance, reading.unit).replace('±', '')}</td>
                  <td className="left wrap">
                    {improvement ? `${plusMinus(improvement.plusMinus, reading.unit)} ${improvement.words}` : ''}
                  </td>
                </>
              ) : (
                <td className="left wrap" colSpan={5}>
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
