import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { groundPlane } from '../../../core/calibration/ground';
import type { Clip } from '../../../core/model/clip';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { notify } from '../../../application/stores/notices';
import { setView, useView } from '../../../application/stores/view-store';
import { TEXT } from '../../../text/screens/bench/match';

const lengthOf = (text: string): number | null => {
  const value = Number(text.replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) && value > 0 ? value : null;
};

/** A rectangle on the ground, for step lengths and paths through the camera's perspective. */
export function Ground({ clip }: { readonly clip: Clip }): ReactNode {
  const marking = useView((state) => state.tool === 'ground');
  const marked = useView((state) => (state.markedGround?.clipId === clip.id ? state.markedGround : null));
  const [length, setLength] = useState('');
  const [width, setWidth] = useState('');
  const [l, w] = [lengthOf(length), lengthOf(width)];
  const keep = (): void => {
    const ground = { corners: [...marked!.corners], length: l!, width: w!, frame: marked!.frame };
    const plane = groundPlane(ground);
    if (!plane.ok) return notify('info', plane.issue.message);
    changeClip(clip.id, { ground });
    setView({ markedGround: null });
  };
  return (
    <div style={{ display: 'grid', gap: 6, fontSize: '.86rem' }}>
      <div style={{ display: 'flex', gap: 8, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button
          variant={marking ? 'contained' : 'outlined'}
          onClick={() => setView({ tool: marking ? 'move' : 'ground', markedGround: null })}
        >
          {marking ? TEXT.pressItsFourCornersOne : TEXT.rectangleOnGround}
        </Button>
        {clip.ground && !marked && (
          <span>
            {TEXT.countByWidthM(clip.ground.length, clip.ground.width)}{' '}
            <Button onClick={() => changeClip(clip.id, { ground: null })}>{TEXT.forgetIt}</Button>
          </span>
        )}
      </div>
      {marked && (
        <form
          style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}
          onSubmit={(event) => {
            event.preventDefault();
            if (l && w) keep();
          }}
        >
          <TextField
            size="small"
            autoFocus
            label={TEXT.corner1To2Metres}
            value={length}
            error={length !== '' && l === null}
            onChange={(event) => setLength(event.target.value)}
          />
          <TextField
            size="small"
            label={TEXT.corner2To3Metres}
            value={width}
            error={width !== '' && w === null}
            onChange={(event) => setWidth(event.target.value)}
          />
          <Button type="submit" disabled={l === null || w === null}>
            {TEXT.keep}
          </Button>
          <Button onClick={() => setView({ markedGround: null })}>{TEXT.leave}</Button>
        </form>
      )}
    </div>
  );
}
