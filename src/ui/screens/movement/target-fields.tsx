import type { ReactNode } from 'react';
import { unitOf } from '../../../core/measures';
import type { Measure } from '../../../core/model/measure';
import type { Target } from '../../../core/model/target';
import { DISPLAY_UNITS } from '../../../core/units';
import { words } from './names';
import { Choice, CommittedField, NumberField } from './plain-fields';

const TARGETS: readonly (readonly [string, string])[] = [
  ['', 'Show, do not judge'],
  ['same-as-reference', 'Same as the reference'],
  ['about', 'About'],
  ['between', 'Between'],
  ['at-least', 'At least'],
  ['at-most', 'At most'],
  ['constant', 'Held constant'],
  ['in-order', 'In order'],
  ['yes', 'Yes'],
];

function blankTarget(type: string): Target | undefined {
  const source = 'analyst\u2019s choice';
  switch (type) {
    case 'same-as-reference':
      return { type, tolerance: 5, source };
    case 'about':
      return { type, value: 90, tolerance: 5, source };
    case 'between':
      return { type, low: 80, high: 100, source };
    case 'at-least':
    case 'at-most':
      return { type, value: 90, source };
    case 'constant':
      return { type, within: 5, source };
    case 'in-order':
    case 'yes':
      return { type, source };
    default:
      return undefined;
  }
}

interface TargetFieldsProps {
  readonly measure: Measure;
  readonly target: Target | undefined;
  readonly onChange: (target: Target | undefined) => void;
  /** What stands between the numbers and their source. */
  readonly children?: ReactNode;
}

/** What a measure should be, its numbers in the measure's unit, and who says so. */
export function TargetFields({ measure, target, onChange, children }: TargetFieldsProps): ReactNode {
  const unit = DISPLAY_UNITS[unitOf(measure)].suffix.trim() || 'number';
  const numbers = target ? (Object.entries(target).filter(([, v]) => typeof v === 'number') as [string, number][]) : [];
  return (
    <>
      <Choice
        label="Target"
        value={target?.type ?? ''}
        options={TARGETS}
        onChange={(type) => onChange(blankTarget(type))}
      />
      {numbers.map(([key, value]) => (
        <NumberField
          key={key}
          label={`${words(key)}, ${unit}`}
          value={value}
          width={130}
          onChange={(next) => onChange({ ...target, [key]: next } as Target)}
        />
      ))}
      {children}
      {target && (
        <div style={{ flex: '1 1 220px' }}>
          <CommittedField
            label="Source of the target"
            value={target.source}
            onChange={(source) => onChange({ ...target, source })}
          />
        </div>
      )}
    </>
  );
}
