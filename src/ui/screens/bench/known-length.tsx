import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import type { Movement } from '../../../core/model/movement';
import { changeClip } from '../../../application/clips/clip-use-cases';
import { setView, useView } from '../../../application/stores/view-store';
import { TEXT } from '../../../text/screens/bench/match';

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
          {measuring ? TEXT.drawAlongKnownLength : TEXT.knownLength}
        </Button>
        {!clip.scale && !line && clip.performer.heightMetres !== undefined && (
          <span className="note">{TEXT.untilOneIsDrawnStanding(clip.performer.heightMetres)}</span>
        )}
        {clip.scale && !line && (
          <span>
            {TEXT.metresMArePixels(clip.scale.metres, clip.scale.pixels.toFixed(0))}{' '}
            <Button onClick={() => changeClip(clip.id, { scale: null })}>{TEXT.forgetIt}</Button>
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
            label={TEXT.itsLengthMetres}
            value={metres}
            onChange={(event) => setMetres(event.target.value)}
            error={metres !== '' && !sound}
            helperText={
              metres !== '' && !sound ? TEXT.metresIsNotLengthFor(metres) : TEXT.pixels(line.pixels.toFixed(0))
            }
          />
          <Button type="submit" disabled={!sound}>
            {TEXT.keep}
          </Button>
          <Button onClick={() => setView({ measuredLine: null })}>{TEXT.leave}</Button>
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
