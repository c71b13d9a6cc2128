import type { ReactNode } from 'react';
import { unitOf } from '../../../core/measures';
import type { Measure } from '../../../core/model/measure';
import type { Target } from '../../../core/model/target';
import { DISPLAY_UNITS } from '../../../core/units';
import { words } from './names';
import { Choice, CommittedField, NumberField } from './plain-fields';
import { TEXT } from '../../../text/screens/movement';

const TARGETS: readonly (readonly [string, string])[] = [
  ['', TEXT.showDoNotJudge],
  ['same-as-reference', TEXT.sameAsReference],
  ['about', TEXT.about],
  ['between', TEXT.between],
  ['at-least', TEXT.atLeast],
  ['at-most', TEXT.atMost],
  ['constant', TEXT.heldConstant],
  ['in-order', TEXT.inOrder],
  ['yes', TEXT.yes],
];

function blankTarget(type: string): Target | undefined {
  const source = TEXT.analystsChoice;
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
  const unit = DISPLAY_UNITS[unitOf(measure)].suffix.trim() || TEXT.number;
  const numbers = target ? (Object.entries(target).filter(([, v]) => typeof v === 'number') as [string, number][]) : [];
  return (
    <>
      <Choice
        label={TEXT.target}
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
            label={TEXT.sourceOfTarget}
            value={target.source}
            onChange={(source) => onChange({ ...target, source })}
          />
        </div>
      )}
    </>
  );
}
