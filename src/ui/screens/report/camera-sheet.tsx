import type { ReactNode } from 'react';
import { measureName } from '../../../core/model/movement';
import type { PlannedError } from '../../../core/planning/planned-errors';
import type { Trial } from '../../../core/trial/trial';
import { DISPLAY_UNITS } from '../../../core/units';
import type { Derived } from '../../../application/analysis/derived';
import { plannedOn } from '../../../application/season/camera-plan-use-cases';
import { plusMinus } from '../../components/format';
import { PlanFromAbove } from '../../components/plan-from-above';
import { PlanThroughCamera } from '../../components/plan-through-camera';
import { PlanNotes, usePlannedCamera } from '../../components/planned-camera';
import { TEXT } from '../../../text/screens/report';

/** So many measures fit beside the plan. */
const MOST = 6;

/** Half a page for whoever films: where the camera stands, how it is set, and what that is good for. */
export function CameraSheet({ derived }: { readonly derived: Derived }): ReactNode {
  const trial = plannedOn(derived);
  return trial ? (
    <Sheet derived={derived} trial={trial} />
  ) : (
    <p style={{ textAlign: 'center' }}>{TEXT.whereCameraStandsIsPlanned}</p>
  );
}

/** What was worked on comes first, then what a second camera is for, then what is read least surely for what matters. */
function firstThe({ plan }: Derived): (a: PlannedError, b: PlannedError) => number {
  const isWorkedOn = ({ measure }: PlannedError): boolean => plan.items.some((item) => item.id === measure.id);
  const unsure = ({ plusMinus: half, tolerance }: PlannedError): number => half! / tolerance;
  return (a, b) =>
    Number(isWorkedOn(b)) - Number(isWorkedOn(a)) || Number(b.inSpace) - Number(a.inSpace) || unsure(b) - unsure(a);
}

function Sheet({ derived, trial }: { readonly derived: Derived; readonly trial: Trial }): ReactNode {
  const planned = usePlannedCamera(derived, trial);
  const { plan, filmed, errors, takes } = planned;
  const readable = errors.filter(({ plusMinus: half }) => half !== null);
  const shown = [...readable].sort(firstThe(derived)).slice(0, MOST);
  return (
    <article
      className="athlete-page camera-sheet"
      data-testid="camera-sheet"
      aria-busy={planned.second === 'computing'}
    >
      <header>
        <h1>{plan.second ? TEXT.whereCamerasStand : TEXT.whereCameraStands}</h1>
        <span>{derived.movement.name}</span>
      </header>
      <p className="camera-facts">
        <strong>{plan.distance.toFixed(1)} m</strong> {TEXT.away}{' '}
        <strong>
          {plan.offPlane === 0
            ? TEXT.squareToMovement
            : plan.offPlane > 0
              ? TEXT.offPlaneDegreesAheadOf(Math.abs(plan.offPlane))
              : TEXT.offPlaneDegreesBehindSquare(Math.abs(plan.offPlane))}
        </strong>
        , <strong>{TEXT.lensAboveGround(plan.lensHeight)}</strong>
        {TEXT.focalMmOf36Width(plan.focal, plan.width, plan.height)} <strong>{TEXT.rateFramesSecond(plan.rate)}</strong>
      </p>
      <div className="camera-plan">
        <PlanFromAbove plan={plan} travels={takes.width} />
        <PlanThroughCamera filmed={filmed} />
        <PlanNotes {...planned} />
        <table className="sheet" aria-label={TEXT.whatItIsGoodFor}>
          <thead>
            <tr>
              <th>{TEXT.measure}</th>
              <th style={{ whiteSpace: 'nowrap' }}>{TEXT.toExpect}</th>
            </tr>
          </thead>
          <tbody>
            {shown.map(({ measure, reading, plusMinus: half }) => (
              <tr key={measure.id}>
                <td className="wrap">{measureName(derived.movement, measure)}</td>
                <td>
                  {reading.measurable && half !== null
                    ? plusMinus(half, reading.unit) + DISPLAY_UNITS[reading.unit].suffix
                    : ''}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </article>
  );
}
