import type { ReactNode } from 'react';
import { numberSays, type NumberSays } from '../../core/judgement/by-eye';
import type { Note } from '../../core/model/session';
import { measureName } from '../../core/model/movement';
import type { Derived } from '../../application/analysis/derived';
import { readingText } from './format';
import { TEXT } from '../../text/components/common';

const SAYS: Readonly<Record<NumberSays, string>> = {
  agrees: TEXT.numberAgrees,
  disagrees: TEXT.numberDisagrees,
  open: TEXT.numberLeavesItOpen,
  'not-measurable': TEXT.notMeasurable,
};

/** What the measure that a finding names says of it. */
export function NumberSaysLine({
  note,
  derived: { judged, movement },
}: {
  readonly note: Note;
  readonly derived: Pick<Derived, 'judged' | 'movement'>;
}): ReactNode {
  if (note.measureId === null) return null;
  const row = judged.find((j) => j.measure.id === note.measureId);
  if (!row) return <div className="pm">{TEXT.numberIsReadOncePoints}</div>;
  const says = numberSays(note.kind, row);
  const { value, plusMinus } = readingText(row.athlete);
  const why = [row.athlete, row.reference].find((reading) => !reading.measurable);
  return (
    <div data-testid="number-says">
      <strong>{SAYS[says]}</strong>: {measureName(movement, row.measure).toLowerCase()}
      {says === 'not-measurable' ? (why && !why.measurable ? `. ${why.reason}.` : '.') : `, ${value} ${plusMinus}.`}
    </div>
  );
}
