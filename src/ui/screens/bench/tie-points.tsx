import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { steadyOf } from '../../../core/calibration/steady';
import { LIMITS } from '../../../core/model/limits';
import type { Clip } from '../../../core/model/clip';
import { forgetTiePoint } from '../../../application/clips/tie-point-use-cases';
import { setView, useView } from '../../../application/stores/view-store';
import { TEXT } from '../../../text/screens/bench/match';

/** Places that stand still, pressed in several frames of a camera that moves; nothing where it stands. */
export function TiePoints({ clip }: { readonly clip: Clip }): ReactNode {
  const pressed = useView((state) => (state.tool === 'tie' && state.tied?.clipId === clip.id ? state.tied.id : null));
  const press = (id: string | null): void =>
    setView(id === null ? { tool: 'move', tied: null } : { tool: 'tie', tied: { clipId: clip.id, id } });
  if (!steadyOf(clip)) return null;
  const isNew = pressed !== null && !clip.tiePoints.some(({ id }) => id === pressed);
  return (
    <div style={{ display: 'grid', gap: 4, fontSize: '.86rem', justifyItems: 'start' }}>
      <Button
        variant={isNew ? 'contained' : 'outlined'}
        disabled={!isNew && clip.tiePoints.length >= LIMITS.tiePoints}
        onClick={() => press(isNew ? null : crypto.randomUUID())}
      >
        {TEXT.markThatStandsStill}
      </Button>
      <span>{pressed === null ? TEXT.whatMarksAreFor : TEXT.pressItInEachFrame}</span>
      {clip.tiePoints.map(({ id, seen }, n) => (
        <span key={id}>
          {(seen.length === 1 ? TEXT.markInFrame : TEXT.markInFrames)(
            n + 1,
            seen.map(({ frame }) => frame + 1).join(', '),
          )}{' '}
          <Button onClick={() => press(pressed === id ? null : id)} aria-pressed={pressed === id}>
            {pressed === id ? TEXT.thatIsAll : TEXT.pressItAgain}
          </Button>
          <Button onClick={() => forgetTiePoint(clip, id)} aria-label={TEXT.forgetMark(n + 1)}>
            {TEXT.forgetIt}
          </Button>
        </span>
      ))}
    </div>
  );
}
