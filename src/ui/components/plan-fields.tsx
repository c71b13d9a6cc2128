import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import type { CameraPlan, Filming } from '../../core/model/camera-plan';
import { LIMITS } from '../../core/model/limits';
import { filmingOf } from '../../core/planning/camera-plan';
import { TEXT } from '../../text/components/planning';

const RATES = [25, 30, 50, 60, 100, 120, 240] as const;
const SIZES = [
  [1280, 720],
  [1920, 1080],
  [3840, 2160],
] as const;
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

/** A second camera by default: out of the way ahead, and far enough round to tell a turn, degrees from the first. */
const APART = 70;

/** Whether there is a second camera, and where it stands. */
export function SecondCamera({ plan, onChange }: FieldsProps): ReactNode {
  const { second } = plan;
  return (
    <>
      <FormControlLabel
        control={
          <Checkbox
            checked={second !== null}
            onChange={(_, wanted) =>
              onChange({ second: wanted ? { apart: APART, distance: plan.distance, films: null } : null })
            }
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
          <FormControlLabel
            control={
              <Checkbox
                checked={second.films !== null}
                onChange={(_, own) => onChange({ second: { ...second, films: own ? filmingOf(plan) : null } })}
              />
            }
            label={TEXT.anotherLensOrRate}
          />
          {second.films && (
            <FilmingFields
              films={second.films}
              labels={[TEXT.itsFocalLength, TEXT.itsPicture, TEXT.itsFramesPerSecond]}
              onChange={(part) => onChange({ second: { ...second, films: { ...second.films!, ...part } } })}
            />
          )}
        </>
      )}
    </>
  );
}

interface FilmingProps {
  readonly films: Filming;
  /** Of focal length, picture and rate. */
  readonly labels: readonly [string, string, string];
  readonly onChange: (part: Partial<Filming>) => void;
}

/** Lens, picture and rate of a camera. */
function FilmingFields({ films, labels, onChange }: FilmingProps): ReactNode {
  const { focal, width, height, rate } = films;
  const rates = [...new Set([...RATES, rate])].sort((a, b) => a - b);
  const sizes = SIZES.some(([known]) => known === width) ? SIZES : [...SIZES, [width, height] as const];
  return (
    <>
      <PlanNumber
        label={labels[0]}
        value={focal}
        {...LIMITS.focalMillimetres}
        onChange={(next) => onChange({ focal: next })}
      />
      <TextField
        select
        label={labels[1]}
        value={width}
        onChange={(event) => {
          const size = sizes.find(([known]) => known === Number(event.target.value))!;
          onChange({ width: size[0], height: size[1] });
        }}
      >
        {sizes.map(([across, down]) => (
          <MenuItem key={across} value={across}>
            {across} × {down}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label={labels[2]}
        value={rate}
        onChange={(event) => onChange({ rate: Number(event.target.value) })}
      >
        {rates.map((one) => (
          <MenuItem key={one} value={one}>
            {one}
          </MenuItem>
        ))}
      </TextField>
    </>
  );
}

/** Where the first camera stands and how it films. */
export function PlanFields({ plan, onChange }: FieldsProps): ReactNode {
  const number = (
    key: 'stature' | 'distance' | 'lensHeight' | 'offPlane',
    label: string,
    limits: { readonly least: number; readonly most: number },
  ) => <PlanNumber label={label} value={plan[key]} {...limits} onChange={(value) => onChange({ [key]: value })} />;
  return (
    <>
      {number('distance', TEXT.distanceMetres, LIMITS.cameraMetres)}
      {number('offPlane', TEXT.offSquareViewDegrees, { least: -90, most: 90 })}
      {number('lensHeight', TEXT.lensMetresAboveGround, LIMITS.lensMetres)}
      <FilmingFields
        films={plan}
        labels={[TEXT.focalLength36Mm, TEXT.picture, TEXT.framesPerSecond]}
        onChange={onChange}
      />
      {number('stature', TEXT.performersHeightMetres, { least: 0.5, most: 2.6 })}
    </>
  );
}
