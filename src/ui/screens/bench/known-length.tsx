import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import type { Movement } from '../../../core/model/movement';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { setView, useView } from '../../../application/stores/view-store';

/** A length in the plane of the movement: a line along it, and how long it is. */
export function KnownLength({
  clip,
  lengths,
}: {
  readonly clip: Clip;
  readonly lengths: Movement['knownLengths'];
}): ReactNode {
  const measuring = useView((state) => state.tool === 'scale');
  const line = useView((state) => (state.measuredLine?.clipId === clip.id ? state.measuredLine : null));
  const [metres, setMetres] = useState('');
  const length = Number(metres.replace(',', '.'));
  const sound = metres.trim() !== '' && Number.isFinite(length) && length > 0;
  return (
    <div style={{ display: 'grid', gap: 6, fontSize: '.86rem' }}>
      <div style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
        <Button
          variant={measuring ? 'contained' : 'outlined'}
          onClick={() => setView({ tool: measuring ? 'move' : 'scale' })}
        >
          {measuring ? 'Draw along the known length' : 'Known length'}
        </Button>
        {!clip.scale && !line && clip.performer.heightMetres !== undefined && (
          <span className="note">
            Until one is drawn, the standing height of {clip.performer.heightMetres} m serves.
          </span>
        )}
        {clip.scale && !line && (
          <span>
            {clip.scale.metres} m are {clip.scale.pixels.toFixed(0)} pixels{' '}
            <Button onClick={() => changeClip(clip.id, { scale: null })}>Forget it</Button>
          </span>
        )}
      </div>
      {line && (
        <form
          style={{ display: 'flex', gap: 8, alignItems: 'flex-start' }}
          onSubmit={(event) => {
            event.preventDefault();
            if (!sound) return;
            const { pixels, alongDegrees, frame } = line;
            changeClip(clip.id, { scale: { pixels, metres: length, alongDegrees, frame } });
            setMetres('');
            setView({ measuredLine: null });
          }}
        >
          <TextField
            size="small"
            autoFocus
            label="Its length, metres"
            value={metres}
            onChange={(event) => setMetres(event.target.value)}
            error={metres !== '' && !sound}
            helperText={
              metres !== '' && !sound
                ? `\u201c${metres}\u201d is not a length; for example 1.22`
                : `${line.pixels.toFixed(0)} pixels`
            }
          />
          <Button type="submit" disabled={!sound}>
            Keep
          </Button>
          <Button onClick={() => setView({ measuredLine: null })}>Leave</Button>
        </form>
      )}
      {line && lengths.length > 0 && (
        <div>
          {lengths.map((known) => (
            <Button
              key={known.name}
              size="small"
              sx={{ textAlign: 'left' }}
              onClick={() => setMetres(String(known.metres))}
            >
              {known.name}: {known.metres} m
            </Button>
          ))}
        </div>
      )}
    </div>
  );
}
