import AddIcon from '@mui/icons-material/Add';
import DeleteOutlinedIcon from '@mui/icons-material/DeleteOutlined';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import type { ReactNode } from 'react';
import { pointRefs, type Field } from '../../../core/model/measure-form';
import type { Movement } from '../../../core/model/movement';
import { refName } from './names';
import { Choice } from './plain-fields';
import { TEXT } from '../../../text/screens/movement';

const LETTERS = 'ABCDEFGHIJKL';
/** What the points of axes are called; others have letters. */
const NAMED: Readonly<Record<string, readonly string[]>> = {
  line: [TEXT.lineFrom, TEXT.lineTo],
  axes: [TEXT.axesFrom, TEXT.axesAheadTo, TEXT.axesUpTo],
};

interface PointsFieldProps {
  readonly field: Extract<Field, { readonly ask: 'points' }>;
  /** Null for the axes of the picture. */
  readonly points: readonly string[] | null;
  readonly movement: Movement;
  readonly onChange: (points: readonly string[] | null) => void;
}

/** Asks for several points, each by its letter. */
export function PointsField({ field, points, movement, onChange }: PointsFieldProps): ReactNode {
  const refs = pointRefs(movement).map((ref) => [ref, refName(ref, movement)] as const);
  if (points === null)
    return (
      <Button
        size="small"
        onClick={() =>
          onChange(
            movement.points.length > 1 ? movement.points.slice(0, 2).map((p) => p.id) : ['mid-hip', 'mid-shoulder'],
          )
        }
      >
        {TEXT.axesAlongLine}
      </Button>
    );
  const first = field.key === 'from' ? 2 : 0;
  const named = (i: number): string =>
    NAMED[field.key]?.[i] ?? `${field.key === 'from' ? TEXT.fromLabel : TEXT.pointLabel}${LETTERS[i + first]}`;
  return (
    <>
      {points.map((ref, i) => (
        <Choice
          key={i}
          label={named(i)}
          value={ref}
          options={refs}
          onChange={(next) => onChange(points.with(i, next))}
        />
      ))}
      {field.optional && (
        <IconButton size="small" aria-label={TEXT.axesOfPictureAgain} onClick={() => onChange(null)}>
          <DeleteOutlinedIcon />
        </IconButton>
      )}
      {field.count === null && (
        <>
          <IconButton size="small" aria-label={TEXT.addPoint} onClick={() => onChange([...points, 'dominant-hip'])}>
            <AddIcon />
          </IconButton>
          {points.length > 2 && (
            <IconButton size="small" aria-label={TEXT.removePoint} onClick={() => onChange(points.slice(0, -1))}>
              <DeleteOutlinedIcon />
            </IconButton>
          )}
        </>
      )}
    </>
  );
}
