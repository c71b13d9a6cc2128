import Button from '@mui/material/Button';
import CloseIcon from '@mui/icons-material/Close';
import IconButton from '@mui/material/IconButton';
import type { ReactNode } from 'react';
import type { Views } from '../../../core/comparison/side';
import type { StyleKey } from '../../../core/model/slots';
import type { Quantity } from '../../../core/model/quantity';
import { readQuantity } from '../../../core/quantities/read';
import { spaceFigureAt } from '../../../core/scene/space-figure';
import { COVERAGE_95 } from '../../../core/statistics/normal';
import type { FigureCamera } from '../../../core/tracks/spatial-view';
import type { Trial } from '../../../core/trial/trial';
import { withMinusSign } from '../../../core/units';
import { SpaceChart } from '../../charts/space-chart';
import { ROLE_STYLE } from '../../../rendering/role-style';
import type { Derived } from '../../../application/analysis/derived';
import { setSpace, useView } from '../../../application/stores/view-store';
import { TEXT } from '../../../text/screens/bench/match';

const CAMERAS: readonly (readonly [string, FigureCamera])[] = [
  [TEXT.side, { azimuthDegrees: 0, elevationDegrees: 0 }],
  [TEXT.front, { azimuthDegrees: 90, elevationDegrees: 0 }],
  [TEXT.aboveLabel, { azimuthDegrees: 0, elevationDegrees: 90 }],
];

/** What turns about the vertical, in the order in which it is told. */
const TURNS: readonly (readonly [string, Quantity])[] = [
  [TEXT.hips, { type: 'facing', points: ['opposite-hip', 'dominant-hip'] }],
  [TEXT.shoulders, { type: 'facing', points: ['opposite-shoulder', 'dominant-shoulder'] }],
  [
    TEXT.shouldersToHips,
    {
      type: 'line-separation',
      points: ['opposite-shoulder', 'dominant-shoulder'],
      from: ['opposite-hip', 'dominant-hip'],
    },
  ],
];

/** The view of a performance from above, if its points are known in space. */
const aboveOf = (views: Views | undefined): Trial | null =>
  views?.find((v) => v.space?.azimuthDegrees !== undefined && v.clip.view.kind === 'overhead') ?? null;

/** Whether anything can be shown in space. */
export const hasSpace = ({ sides }: Derived): boolean =>
  [sides.athlete, sides.reference].some((side) => aboveOf(side[0]) !== null);

function angleText(trial: Trial, quantity: Quantity, frame: number): string {
  const reading = readQuantity(trial, quantity, { plane: 'transverse', frame, lengthIn: '%BH', timeSd: 0 });
  if (!reading.measurable) return '\u2013';
  const degrees = 180 / Math.PI;
  const value = withMinusSign(String(Math.round(reading.value * degrees)));
  return `${value}\u00b0 \u00b1${Math.round(COVERAGE_95 * reading.sd * degrees)}`;
}

/** The athlete's body in space at the frame that is shown, the reference's laid over it at the hips. */
export function SpacePane({ derived }: { readonly derived: Derived }): ReactNode {
  const { camera } = useView((state) => state.space);
  const shown = useView((state) => state.shown);
  const both = (
    [
      ['athlete', aboveOf(derived.sides.athlete[0])],
      ['reference', aboveOf(derived.sides.reference[0])],
    ] as const
  ).flatMap(([styleKey, trial]) => {
    if (!trial) return [];
    const frame = shown[trial.clip.id] ?? 0;
    return [{ styleKey: styleKey as StyleKey, trial, frame, figure: spaceFigureAt(trial, frame) }];
  });
  // The athlete lies over the reference.
  const drawn = both.flatMap(({ styleKey, figure }) => (figure ? [{ styleKey, figure }] : [])).reverse();
  return (
    <figure className="pane space-pane" aria-label={TEXT.bodyInSpace}>
      <figcaption>
        <span>{TEXT.bodyInSpace}</span>
        <span className="space-views">
          {CAMERAS.map(([name, from]) => (
            <Button key={name} size="small" onClick={() => setSpace({ camera: from })}>
              {name}
            </Button>
          ))}
          <IconButton size="small" aria-label={TEXT.closeBodyInSpace} onClick={() => setSpace({ shown: false })}>
            <CloseIcon fontSize="small" />
          </IconButton>
        </span>
      </figcaption>
      <SpaceChart figures={drawn} camera={camera} onTurn={(next) => setSpace({ camera: next })} />
      {drawn.length === 0 && <p className="space-none">{TEXT.noTwoCamerasSeeBody}</p>}
      <table className="space-turns">
        <caption>{TEXT.turnedFromStraightAheadAway}</caption>
        <thead>
          <tr>
            <td />
            {both.map(({ styleKey, trial }) => (
              <th key={styleKey} scope="col" style={{ color: ROLE_STYLE[styleKey].onPicture }}>
                {trial.clip.performer.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {TURNS.map(([name, quantity]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              {both.map(({ styleKey, trial, frame }) => (
                <td key={styleKey}>{angleText(trial, quantity, frame)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </figure>
  );
}
