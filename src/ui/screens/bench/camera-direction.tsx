import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMemo, type ReactNode } from 'react';
import { downSd, offPlaneSd } from '../../../core/calibration/view';
import { agrees, estimateOffPlane, viewAsEstimated } from '../../../core/trial/view-estimate';
import type { View } from '../../../core/model/clip';
import type { Trial } from '../../../core/trial/trial';
import { COVERAGE_95 } from '../../../core/statistics/normal';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { NUMBER_PAUSE, useCommittedText } from '../../components/use-committed-text';
import { TEXT } from '../../../text/screens/bench/match';

/** From where the camera of a clip sees the performer, as far as somebody stated it or the body says. */
export function CameraDirection({ trial }: { readonly trial: Trial }): ReactNode {
  const { view } = trial.clip;
  if (view.kind === 'overhead') return null;
  return (
    <div style={{ display: 'grid', gap: 6, fontSize: '.86rem' }}>
      {view.kind === 'side' && <OffPlane trial={trial} />}
      <LooksDown trial={trial} />
    </div>
  );
}

/** How far the camera is off the side view: stated, or as the body says. */
function OffPlane({ trial }: { readonly trial: Trial }): ReactNode {
  const { id, view } = trial.clip;
  const { offPlaneDegrees: off, offPlaneSdDegrees: sd, downDegrees } = view;
  const said = useMemo(() => estimateOffPlane(trial), [trial]);
  const taken = said.ok && off === viewAsEstimated(view, said.value).offPlaneDegrees && sd !== undefined;
  const change = (changed: View): void => changeClip(id, { view: changed });
  return (
    <>
      <AngleField
        label={TEXT.cameraOffSideViewDegrees}
        value={off}
        most={90}
        known={off === null ? TEXT.notSaidTakenAsSquare : sd === undefined ? TEXT.stated : TEXT.fromBody}
        sd={offPlaneSd(view)}
        onChange={(degrees) => change({ kind: view.kind, offPlaneDegrees: degrees, downDegrees })}
      />
      {said.ok && !taken && (
        <span>
          {TEXT.shouldersAndHipsSayDegrees(
            said.value.degrees.toFixed(0).replace('-', '−'),
            Math.round(COVERAGE_95 * said.value.sdDegrees),
            agrees(view, said.value) ? TEXT.whichAgrees : off === null ? '.' : TEXT.whichDoesNotAgree,
          )}{' '}
          {(!agrees(view, said.value) || said.value.sdDegrees < offPlaneSd(view)) && (
            <Button onClick={() => change(viewAsEstimated(view, said.value))}>{TEXT.takeThisAngle}</Button>
          )}
        </span>
      )}
    </>
  );
}

/** How far the camera looks down on the performer. */
function LooksDown({ trial: { clip } }: { readonly trial: Trial }): ReactNode {
  const { downDegrees } = clip.view;
  return (
    <AngleField
      label={TEXT.cameraLooksDownDegrees}
      value={downDegrees ?? null}
      most={60}
      known={downDegrees === undefined ? TEXT.notSaidTakenAsLevel : TEXT.stated}
      sd={downSd(clip.view)}
      onChange={(degrees) => changeClip(clip.id, { view: { ...clip.view, downDegrees: degrees ?? undefined } })}
    />
  );
}

interface AngleFieldProps {
  readonly label: string;
  /** Degrees; null where nobody said. */
  readonly value: number | null;
  readonly most: number;
  /** How it is known, and how well. */
  readonly known: string;
  readonly sd: number;
  readonly onChange: (degrees: number | null) => void;
}

function AngleField({ label, value, most, known, sd, onChange }: AngleFieldProps): ReactNode {
  const text = useCommittedText(
    value === null ? '' : String(value),
    (typed) => {
      const degrees = degreesOf(typed, most);
      if (degrees !== undefined) onChange(degrees);
    },
    NUMBER_PAUSE,
  );
  const wrong = degreesOf(text.value, most) === undefined;
  return (
    <TextField
      label={label}
      {...text}
      error={wrong}
      helperText={wrong ? TEXT.valueIsNotAngleFrom(text.value, most) : `${known}, ±${Math.round(COVERAGE_95 * sd)}°`}
    />
  );
}

/** The angle that was typed; null where nothing was, undefined where it is none. */
function degreesOf(typed: string, most: number): number | null | undefined {
  if (typed.trim() === '') return null;
  const degrees = Number(typed.replace(',', '.').replace('−', '-'));
  return Number.isFinite(degrees) && Math.abs(degrees) <= most ? degrees : undefined;
}
