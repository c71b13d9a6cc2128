import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { ladderOf } from '../../../core/coaching/ladder';
import type { Measure } from '../../../core/model/measure';
import { measureName, type Movement } from '../../../core/model/movement';
import type { Stage } from '../../../core/model/practice';
import { StagesDialog } from '../../components/stages-dialog';
import { TEXT } from '../../../text/screens/movement';

interface StagesButtonProps {
  readonly measure: Measure;
  readonly movement: Movement;
  /** Takes the movement's own stages; undefined for those that are made of the drills. */
  readonly onChange: (ladder: Stage[] | undefined) => void;
}

/** The stages by which a measure is practised: made of its drills, or the movement's own. */
export function StagesButton({ measure, movement, onChange }: StagesButtonProps): ReactNode {
  const [open, setOpen] = useState(false);
  const own = measure.coaching?.ladder;
  const drills = measure.coaching?.drills ?? [];
  const proposed = ladderOf(drills.length > 0 ? drills : [TEXT.holdPosition], {
    target: null,
    risk: measure.risk !== undefined,
    minor: false,
  });
  return (
    <div className="row-of-fields" style={{ margin: 0 }}>
      <Button size="small" variant="outlined" onClick={() => setOpen(true)}>
        {TEXT.stagesWithDoses}
      </Button>
      <span className="note">{own ? TEXT.countStagesOfItsOwn(own.length) : TEXT.madeOfDrillsCorrectionTakes}</span>
      {open && (
        <StagesDialog
          of={measureName(movement, measure)}
          stages={own ?? proposed}
          onKeep={(stages) => onChange(stages ?? undefined)}
          onClose={() => setOpen(false)}
        />
      )}
    </div>
  );
}
