import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState, type ReactNode } from 'react';
import type { CameraPlan } from '../../core/model/camera-plan';
import { measureName } from '../../core/model/movement';
import { changedPlan } from '../../core/planning/camera-plan';
import type { PlannedError } from '../../core/planning/planned-errors';
import type { Trial } from '../../core/trial/trial';
import { planAsFilmed, plannedOn, setCameraPlan } from '../../application/season/camera-plan-use-cases';
import type { Derived } from '../../application/analysis/derived';
import { plusMinus, readingText } from './format';
import { PlanFields, SecondCamera } from './plan-fields';
import { PlanFromAbove } from './plan-from-above';
import { PlanThroughCamera } from './plan-through-camera';
import { PlanNotes, usePlannedCamera } from './planned-camera';
import { TEXT } from '../../text/components/planning';

const COLUMNS = {
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fill, minmax(175px, 1fr))',
  gap: 10,
  paddingTop: 6,
  alignItems: 'center',
} as const;

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
