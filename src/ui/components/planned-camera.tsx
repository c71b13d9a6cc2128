import { useEffect, useMemo, useState, type ReactNode } from 'react';
import type { CameraPlan } from '../../core/model/camera-plan';
import { asFilmed, extentOf, fastest } from '../../core/planning/as-filmed';
import { levelHeight, looksDown, metresSeen, pixelsPerMetre, hasSecond } from '../../core/planning/camera-plan';
import { plannedErrors, type PlannedError } from '../../core/planning/planned-errors';
import type { Measure } from '../../core/model/measure';
import type { Trial } from '../../core/trial/trial';

import type { Derived } from '../../application/analysis/derived';
import { errorsByTwo, planAsFilmed } from '../../application/season/camera-plan-use-cases';
import { TEXT } from '../../text/components/planning';

/** A smear of more than this share of the standing height hides where a joint is. */
const SMEAR = 0.01;
/** Shutter times that cameras have, one by so many seconds. */
const SHUTTERS = [60, 125, 250, 500, 1000, 2000, 4000] as const;
/** Nearer to straight ahead than this a camera stands in the way (common practice), degrees. */
const AHEAD = 15;
/** A camera that looks down by less is level, degrees. */
const LEVEL = 4;
/** What must be left of the picture on each side of the movement. */
const ROOM = 0.05;

/** A camera as it is planned, and what follows from it. */
export interface PlannedCamera {
  readonly trial: Trial;
  readonly plan: CameraPlan;
  /** The performance as that camera would give it. */
  readonly filmed: Trial;
  readonly errors: readonly PlannedError[];
  /** How far what the second camera adds is: computing, or why it adds nothing; null where it is in the errors. */
  readonly second: 'none' | 'computing' | { readonly refusal: string } | null;
  /** What the movement takes of the place, metres. */
  readonly takes: { readonly width: number; readonly height: number };
}

export function usePlannedCamera(
  { movement, session, clips, bodies }: Pick<Derived, 'movement' | 'session' | 'clips' | 'bodies'>,
  trial: Trial,
): PlannedCamera {
  const { cameraPlan } = session;
  const plan = useMemo(() => cameraPlan ?? planAsFilmed({ clips, bodies }, trial), [cameraPlan, clips, bodies, trial]);
  const filmed = useMemo(() => asFilmed(trial, plan), [trial, plan]);
  const byOne = useMemo(
    () => plannedErrors(movement.measures, trial, plan, [filmed]),
    [movement.measures, trial, plan, filmed],
  );
  const byTwo = useErrorsByTwo(movement.measures, trial, plan);
  const extent = extentOf(filmed);
  const takes = {
    width: (extent.right - extent.left) / pixelsPerMetre(plan),
    height: (extent.bottom - extent.top) / pixelsPerMetre(plan),
  };
  return { trial, plan, filmed, errors: byTwo.errors ?? byOne, second: byTwo.state, takes };
}

interface ByTwo {
  readonly errors: readonly PlannedError[] | null;
  readonly state: PlannedCamera['second'];
}

/** A row of changes is waited for, ms. */
const QUIET = 300;

/** What measures are to expect from both cameras of a plan; computed anew when the plan has rested for a moment. */
function useErrorsByTwo(measures: readonly Measure[], trial: Trial, plan: CameraPlan): ByTwo {
  const [known, setKnown] = useState<ByTwo & { readonly plan: CameraPlan; readonly trial: Trial }>();
  useEffect(() => {
    if (!hasSecond(plan)) return;
    const stop = new AbortController();
    const timer = setTimeout(() => {
      void errorsByTwo(measures, trial, plan, stop.signal).then((errors) => {
        if (stop.signal.aborted) return;
        const found: ByTwo = errors.ok
          ? { errors: errors.value, state: null }
          : { errors: null, state: { refusal: errors.issue.message } };
        setKnown({ plan, trial, ...found });
      });
    }, QUIET);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [measures, trial, plan]);
  if (!hasSecond(plan)) return { errors: null, state: 'none' };
  return known?.plan === plan && known.trial === trial ? known : { errors: null, state: 'computing' };
}

const filmedBySecond = ({ films }: NonNullable<CameraPlan['second']>): string =>
  films ? TEXT.secondFilms(films.focal, films.width, films.height, films.rate) : TEXT.secondFilmsAlike;

/** What the plan shows, what it misses, and the shutter that it needs. */
export function PlanNotes({ trial, plan, takes, second }: PlannedCamera): ReactNode {
  const seen = metresSeen(plan);
  const down = Math.round(looksDown(plan, plan.distance));
  const pixels = pixelsPerMetre(plan) * plan.stature;
  const speed = fastest(trial, plan.stature);
  const wanted = speed / (SMEAR * plan.stature);
  const shutter = SHUTTERS.find((one) => one >= wanted) ?? SHUTTERS[SHUTTERS.length - 1]!;
  // How often the picture must be as large for the movement to fit.
  const over = Math.max(takes.width / seen.width, takes.height / seen.height) / (1 - 2 * ROOM);
  return (
    <ul style={{ margin: 0, paddingLeft: 18, fontSize: '.86rem', display: 'grid', gap: 4 }}>
      <li>{TEXT.pictureShowsWidthByHeight(seen.width.toFixed(1), seen.height.toFixed(1), Math.round(pixels))}</li>
      {Math.abs(down) >= LEVEL && (
        <li>{TEXT.looksBy(down > 0 ? TEXT.down : TEXT.up, Math.abs(down), levelHeight(plan))}</li>
      )}
      {over > 1 && (
        <li>
          <strong>{TEXT.movementDoesNotFitIt(takes.width.toFixed(1), takes.height.toFixed(1))}</strong>{' '}
          {TEXT.goToDistanceMOr((plan.distance * over).toFixed(1))}
        </li>
      )}
      {/* What guards people stands where nobody has to scroll for it. */}
      {plan.second && (
        <li>
          {TEXT.secondCameraStands(plan.second.distance.toFixed(1), plan.second.apart, filmedBySecond(plan.second))}
          {Math.abs(plan.offPlane + plan.second.apart - 90) < AHEAD && <strong> {TEXT.secondStandsAhead}</strong>}
          {typeof second === 'object' && second !== null && <strong> {second.refusal}</strong>}
        </li>
      )}
      <li>{TEXT.neverInLineOfFlight}</li>
      <li>{TEXT.shutter1ShutterSOr(shutter, speed.toFixed(0), ((100 * speed) / plan.rate).toFixed(0))}</li>
      <li>{TEXT.cameraOnTripod}</li>
    </ul>
  );
}
