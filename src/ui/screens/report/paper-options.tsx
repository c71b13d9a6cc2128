import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { PAPERS, REPORT_PARTS, setPaper, togglePart, usePaper } from '../../../application/export/paper';
import { TEXT } from '../../../text/screens/report';

function Line({
  label,
  value,
  onKeep,
}: {
  readonly label: string;
  readonly value: string;
  readonly onKeep: (value: string) => void;
}): ReactNode {
  return (
    <TextField
      size="small"
      label={label}
      value={value}
      onChange={(event) => onKeep(event.target.value)}
      slotProps={{ htmlInput: { maxLength: 120 } }}
      sx={{ flex: '1 1 220px' }}
    />
  );
}

/** What the report holds: a choice for each reader, and part by part. */
export function PaperOptions(): ReactNode {
  const { parts, club, foot } = usePaper();
  return (
    <details className="paper-options no-print">
      <summary>
        {parts.length === REPORT_PARTS.length
          ? TEXT.whatItHoldsEverything
          : TEXT.whatItHoldsCountOf(parts.length, REPORT_PARTS.length)}
      </summary>
      <div className="paper-choices">
        {Object.values(PAPERS).map((paper) => (
          <Button key={paper.name} size="small" variant="outlined" onClick={() => setPaper({ parts: paper.parts })}>
            {paper.name}
          </Button>
        ))}
      </div>
      <div className="paper-parts">
        {REPORT_PARTS.map(({ id, name }) => (
          <FormControlLabel
            key={id}
            control={<Checkbox size="small" checked={parts.includes(id)} onChange={() => togglePart(id)} />}
            label={name}
          />
        ))}
      </div>
      <div className="paper-choices">
        <Line label={TEXT.clubOverReport} value={club} onKeep={(next) => setPaper({ club: next })} />
        <Line label={TEXT.lineAtItsFoot} value={foot} onKeep={(next) => setPaper({ foot: next })} />
      </div>
    </details>
  );
}
