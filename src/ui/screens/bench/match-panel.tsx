import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Derived } from '../../../application/analysis/derived';
import { setView, useView } from '../../../application/stores/view-store';
import { ClipMatch } from './clip-match';
import { SpaceCard } from './space-card';
import { TEXT } from '../../../text/screens/bench/match';

/** What must be equal before two pictures can be compared. */
export function MatchPanel({ derived }: { readonly derived: Derived }): ReactNode {
  const sizeBy = useView((state) => state.sizeBy);
  const clips = [derived.athlete?.clip, derived.reference?.clip].filter((c) => c !== undefined);
  const facing = clips.map((c) => (c.mirrored ? (c.travel === 'left' ? 'right' : 'left') : c.travel));
  return (
    <>
      {facing.length === 2 && facing[0] !== facing[1] && (
        <div className="caution">{TEXT.theyMoveInOppositeDirections}</div>
      )}
      {derived.clips.map((on) => (
        <ClipMatch key={on.trial.clip.id} on={on} derived={derived} />
      ))}
      <SpaceCard derived={derived} />
      {derived.panes.every((c) => c.trial.clip.scale) && derived.panes.length > 1 && (
        <TextField
          select
          label={TEXT.picturesThatFollowBodyAre}
          value={sizeBy}
          onChange={(event) => setView({ sizeBy: event.target.value as 'body' | 'length' })}
        >
          <MenuItem value="body">{TEXT.performersSize}</MenuItem>
          <MenuItem value="length">{TEXT.knownLengths}</MenuItem>
        </TextField>
      )}
      <Typography sx={{ fontSize: '.84rem', color: 'text.secondary' }}>
        {TEXT.mirroringChangesPictureOnlyMeasured}
      </Typography>
    </>
  );
}
