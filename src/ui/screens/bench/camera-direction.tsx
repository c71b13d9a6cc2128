import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMemo, type ReactNode } from 'react';
import { downSd, offPlaneSd } from '../../../core/calibration/view';
import { agrees, estimateOffPlane, viewAsEstimated } from '../../../core/trial/view-estimate';
import { viewAsByGround, viewByGround } from '../../../core/trial/view-by-ground';
import type { Clip, View } from '../../../core/model/clip';
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
  const { offPlaneDegrees: off, offPlaneSdDegrees: sd } = view;
  const said = useMemo(() => estimateOffPlane(trial), [trial]);
  const taken = said.ok && off === viewAsEstimated(view, said.value).offPlaneDegrees && sd !== undefined;
  const change = (changed: View): void => changeClip(id, { view: changed });
  return (
    <>
      <AngleField
        label={TEXT.cameraOffSideViewDegrees}
        value={off}
        most={90}
        known={off === null ? TEXT.notSaidTakenAsSquare : sd === undefined ? TEXT.stated : TEXT.measured}
        sd={offPlaneSd(view)}
        onChange={(degrees) => change({ ...view, offPlaneDegrees: degrees, offPlaneSdDegrees: undefined })}
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

/** How far the camera looks down on the performer: stated, or as a rectangle on the ground says. */
function LooksDown({ trial: { clip } }: { readonly trial: Trial }): ReactNode {
  const { downDegrees, downSdDegrees } = clip.view;
  const how = downDegrees === undefined ? TEXT.notSaidTakenAsLevel : TEXT.stated;
  const change = (view: View): void => changeClip(clip.id, { view });
  return (
    <>
      <AngleField
        label={TEXT.cameraLooksDownDegrees}
        value={downDegrees ?? null}
        most={60}
        known={downSdDegrees === undefined ? how : TEXT.measured}
        sd={downSd(clip.view)}
        onChange={(degrees) => change({ ...clip.view, downDegrees: degrees ?? undefined, downSdDegrees: undefined })}
      />
      <ByGround clip={clip} onUse={change} />
    </>
  );
}

const isSame = (a: View, b: View): boolean =>
  a.offPlaneDegrees === b.offPlaneDegrees && a.downDegrees === b.downDegrees && a.downSdDegrees === b.downSdDegrees;
const inWords = (degrees: number): string => String(Math.round(degrees)).replace('-', '\u2212');

/** What a rectangle on the ground says of the camera, until it is taken. */
function ByGround({ clip, onUse }: { readonly clip: Clip; readonly onUse: (view: View) => void }): ReactNode {
  const said = useMemo(() => viewByGround(clip), [clip]);
  if (!clip.ground) return null;
  if (!said.ok) return <span>{said.issue.message}</span>;
  const { down, off } = said.value;
  const [level, both] = (['down', 'both'] as const).map((use) => viewAsByGround(clip.view, said.value, use));
  const half = ({ sd }: typeof down): number => Math.ceil(COVERAGE_95 * sd);
  return (
    <>
      {!isSame(clip.view, level!) && (
        <span>
          {TEXT.rectangleSaysItLooksDown(inWords(down.degrees), half(down))}{' '}
          <Button onClick={() => onUse(level!)}>{TEXT.takeThisAngle}</Button>
        </span>
      )}
      {!isSame(clip.view, both!) && (
        <span>
          {TEXT.rectangleSaysItIsOff(inWords(off.degrees), half(off))}{' '}
          <Button onClick={() => onUse(both!)}>{TEXT.takeBothAngles}</Button>
        </span>
      )}
    </>
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
