import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import type { MovementGap, MovementPart } from '../../../core/coaching/movement-gaps';
import { TEXT } from '../../../text/screens/movement';

interface GapsNoteProps {
  readonly gaps: readonly MovementGap[];
  readonly onGo: (part: MovementPart, id: string | null) => void;
}

/** What the movement lacks before others use it; each line leads to its place. */
export function GapsNote({ gaps, onGo }: GapsNoteProps): ReactNode {
  if (gaps.length === 0)
    return (
      <p className="note" data-testid="movement-gaps">
        {TEXT.nothingIsMissingWhatIs}
      </p>
    );
  return (
    <details className="card" data-testid="movement-gaps" style={{ marginBottom: 12 }}>
      <summary>
        <strong>{gaps.length === 1 ? TEXT.oneThingIsMissing : TEXT.countThingsAreMissing(gaps.length)}</strong>{' '}
        {TEXT.beforeOthersUseIt}
      </summary>
      <ul className="plain" style={{ marginTop: 6 }}>
        {gaps.map((gap) => (
          <li key={gap.text}>
            <Button size="small" sx={{ textAlign: 'left' }} onClick={() => onGo(gap.part, gap.id)}>
              {gap.text}.
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
