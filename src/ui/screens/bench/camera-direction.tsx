import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMemo, type ReactNode } from 'react';
import { offPlaneSd } from '../../../core/calibration/view';
import { agrees, estimateOffPlane, viewAsEstimated } from '../../../core/trial/view-estimate';
import type { Trial } from '../../../core/trial/trial';
import { COVERAGE_95 } from '../../../core/statistics/normal';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { NUMBER_PAUSE, useCommittedText } from '../../components/use-committed-text';
import { TEXT } from '../../../text/screens/bench/match';

/** How far the camera is off the side view: stated, or as the body says. */
export function CameraDirection({ trial }: { readonly trial: Trial }): ReactNode {
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
  const known = off === null ? TEXT.notSaidTakenAsSquare : sd === undefined ? TEXT.stated : TEXT.fromBody;
  const wrong = degreesOf(text.value) === undefined;
  return (
    <div style={{ display: 'grid', gap: 6, fontSize: '.86rem' }}>
      <TextField
        label={TEXT.cameraOffSideViewDegrees}
        {...text}
        error={wrong}
        helperText={
          wrong
            ? TEXT.valueIsNotAngleFrom(text.value)
            : `${known}, ±${Math.round(COVERAGE_95 * offPlaneSd(clip.view))}°`
        }
      />
      {said.ok && !taken && (
        <span>
          {TEXT.shouldersAndHipsSayDegrees(
            said.value.degrees.toFixed(0).replace('-', '−'),
            Math.round(COVERAGE_95 * said.value.sdDegrees),
            agrees(clip.view, said.value) ? TEXT.whichAgrees : off === null ? '.' : TEXT.whichDoesNotAgree,
          )}{' '}
          {(!agrees(clip.view, said.value) || said.value.sdDegrees < offPlaneSd(clip.view)) && (
            <Button onClick={() => changeClip(clip.id, { view: viewAsEstimated(clip.view, said.value) })}>
              {TEXT.takeThisAngle}
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
