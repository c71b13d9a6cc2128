import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { changeClip } from '../../../application/clips/clip-use-cases';
import type { Derived } from '../../../application/analysis/derived';
import type { Clip } from '../../../core/model/clip';
import { othersOf, partnerOf } from '../../../core/model/partner';
import { TEXT } from '../../../text/screens/bench/measure';

/** Which of several other people of the picture is the partner, where the movement measures between two bodies. */
export function PartnerChoice({ derived, clip }: { readonly derived: Derived; readonly clip: Clip }): ReactNode {
  const { movement, session } = derived;
  const others = othersOf(session.clips, clip);
  if (others.length < 2 || !movement.points.some(({ partner }) => partner)) return null;
  return (
    <TextField
      select
      label={TEXT.partnerOf(clip.performer.name)}
      value={partnerOf(session.clips, clip)!.id}
      onChange={(event) => changeClip(clip.id, { partnerId: event.target.value })}
      sx={{ minWidth: 160 }}
    >
      {others.map(({ id, performer }) => (
        <MenuItem key={id} value={id}>
          {performer.name}
        </MenuItem>
      ))}
    </TextField>
  );
}
