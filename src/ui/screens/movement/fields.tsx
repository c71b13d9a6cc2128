import DeleteOutlinedIcon from '@mui/icons-material/DeleteOutlined';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import type { ReactNode } from 'react';
import {
  ALL_QUANTITIES,
  blankQuantity,
  fieldsOfQuantity,
  pointRefs,
  type Field,
} from '../../../core/model/measure-form';
import type { Occurrence } from '../../../core/model/measure';
import type { Movement } from '../../../core/model/movement';
import type { Quantity } from '../../../core/model/quantity';
import { PART_NAMES, refName, words } from './names';
import { Choice, NumberField, CommittedField } from './plain-fields';
import { PointsField } from './points-field';
import { TEXT } from '../../../text/screens/movement';

interface FieldProps {
  readonly field: Field;
  readonly value: unknown;
  readonly movement: Movement;
  readonly onChange: (value: unknown) => void;
}

/** Asks for one part of a measure or of a quantity. */
export function FieldEditor({ field, value, movement, onChange }: FieldProps): ReactNode {
  const label = PART_NAMES[field.key] ?? words(field.key);
  const moments = movement.moments.map((m) => [m.id, m.name] as const);
  const refs = pointRefs(movement).map((ref) => [ref, refName(ref, movement)] as const);
  switch (field.ask) {
    case 'moment':
      return (
        <Choice
          label={label}
          value={(value as string | null) ?? ''}
          options={[...(field.optional ? [['', 'any'] as const] : []), ...moments]}
          onChange={(next) => onChange(next === '' ? null : next)}
        />
      );
    case 'moments':
      return (
        <>
          {(value as string[]).map((id, i) => (
            <Choice
              key={i}
              label={i === 0 ? TEXT.wholeFrom : TEXT.wholeTo}
              value={id}
              options={moments}
              onChange={(next) => onChange((value as string[]).with(i, next))}
            />
          ))}
        </>
      );
    case 'points':
      return <PointsField field={field} points={value as string[] | null} movement={movement} onChange={onChange} />;
    case 'point':
      return (
        <Choice
          label={label}
          value={(value as string | null) ?? ''}
          options={[...(field.optional ? [['', TEXT.picture] as const] : []), ...refs]}
          onChange={(next) => onChange(next === '' ? null : next)}
        />
      );
    case 'choice':
      return (
        <Choice
          label={label}
          value={value as string}
          options={field.options.map((o) => [o, words(o)] as const)}
          onChange={onChange}
        />
      );
    case 'number':
      return (
        <NumberField
          label={label}
          value={value as number | null}
          onChange={onChange}
          {...(field.optional ? { onEmpty: () => onChange(null) } : {})}
        />
      );
    case 'text':
      return <CommittedField label={label} value={value as string} onChange={onChange} />;
    case 'quantity':
      return <QuantityEditor label={label} value={value as Quantity} movement={movement} onChange={onChange} />;
    case 'share-of-way': {
      const towards = value as { moment: string; share: number } | null;
      return towards ? (
        <>
          <Choice
            label={TEXT.onWayTo}
            value={towards.moment}
            options={[['', TEXT.notOnWay], ...moments]}
            onChange={(next) => onChange(next === '' ? null : { ...towards, moment: next })}
          />
          <NumberField
            label={TEXT.share0To1}
            value={towards.share}
            onChange={(share) => onChange({ ...towards, share })}
          />
        </>
      ) : (
        <Button size="small" onClick={() => onChange({ moment: movement.moments.at(-1)!.id, share: 0.5 })}>
          {TEXT.betweenTwoMoments}
        </Button>
      );
    }
    case 'steps': {
      const steps = value as { name: string; of: Quantity; event: string }[];
      return (
        <div style={{ display: 'grid', gap: 8, width: '100%' }}>
          {steps.map((step, i) => (
            <div key={i} className="row-of-fields" style={{ margin: 0 }}>
              <div style={{ width: 130 }}>
                <CommittedField
                  label={TEXT.stepI(i + 1)}
                  value={step.name}
                  onChange={(name) => onChange(steps.with(i, { ...step, name }))}
                />
              </div>
              <Choice
                label={TEXT.event}
                value={step.event}
                options={['peak-rate', 'largest', 'smallest'].map((e) => [e, words(e)] as const)}
                onChange={(event) => onChange(steps.with(i, { ...step, event }))}
              />
              <QuantityEditor
                label={TEXT.of}
                value={step.of}
                movement={movement}
                onChange={(of) => onChange(steps.with(i, { ...step, of: of as Quantity }))}
              />
              {steps.length > 2 && (
                <IconButton
                  size="small"
                  aria-label={TEXT.removeStepI(i + 1)}
                  onClick={() => onChange(steps.filter((_, k) => k !== i))}
                >
                  <DeleteOutlinedIcon />
                </IconButton>
              )}
            </div>
          ))}
          <Button
            size="small"
            sx={{ justifySelf: 'start' }}
            onClick={() =>
              onChange([
                ...steps,
                {
                  name: TEXT.stepCount(steps.length + 1),
                  of: blankQuantity('segment-angle', movement),
                  event: 'peak-rate',
                },
              ])
            }
          >
            {TEXT.addStep}
          </Button>
        </div>
      );
    }
    case 'occurrence': {
      const occurrence = value as Occurrence;
      return (
        <>
          <Choice
            label={TEXT.each}
            value={occurrence.type}
            options={[
              ['contact', TEXT.contactOfFoot],
              ['crossing', TEXT.passingOfLevel],
            ]}
            onChange={(next) =>
              onChange(
                next === 'contact'
                  ? { type: 'contact', side: 'either', edge: 'touch-down' }
                  : { type: 'crossing', of: blankQuantity('joint-angle', movement), level: 90, direction: 'rising' },
              )
            }
          />
          {occurrence.type === 'contact' ? (
            <>
              <Choice
                label={TEXT.side}
                value={occurrence.side}
                options={['either', 'dominant', 'opposite'].map((o) => [o, words(o)] as const)}
                onChange={(side) => onChange({ ...occurrence, side })}
              />
              <Choice
                label={TEXT.edge}
                value={occurrence.edge}
                options={['touch-down', 'lift-off'].map((o) => [o, words(o)] as const)}
                onChange={(edge) => onChange({ ...occurrence, edge })}
              />
            </>
          ) : (
            <>
              <QuantityEditor
                label={TEXT.of}
                value={occurrence.of}
                movement={movement}
                onChange={(of) => onChange({ ...occurrence, of })}
              />
              <NumberField
                label={TEXT.level}
                value={occurrence.level}
                onChange={(level) => onChange({ ...occurrence, level })}
              />
              <Choice
                label={TEXT.direction}
                value={occurrence.direction}
                options={[
                  ['rising', TEXT.rising],
                  ['falling', TEXT.falling],
                ]}
                onChange={(direction) => onChange({ ...occurrence, direction })}
              />
            </>
          )}
        </>
      );
    }
  }
}

/** Asks what is measured: a quantity and its points. */
export function QuantityEditor({
  label,
  value,
  movement,
  onChange,
}: {
  readonly label: string;
  readonly value: Quantity;
  readonly movement: Movement;
  readonly onChange: (value: unknown) => void;
}): ReactNode {
  return (
    <>
      <Choice
        label={label}
        value={value.type}
        options={ALL_QUANTITIES.map((q) => [q, words(q)] as const)}
        onChange={(q) => onChange(blankQuantity(q as Quantity['type'], movement))}
      />
      {fieldsOfQuantity(value.type).map((field) => (
        <FieldEditor
          key={field.key}
          field={field}
          value={(value as unknown as Record<string, unknown>)[field.key]}
          movement={movement}
          onChange={(next) => onChange({ ...value, [field.key]: next })}
        />
      ))}
    </>
  );
}
