import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { otherTravel } from '../../../core/tracks/figure';
import { changeClip } from '../../../application/clips/clip-use-cases';
import type { BenchClip } from '../../../application/bench/bench-clips';
import { clipName } from '../../components/clip-name';
import { TEXT } from '../../../text/screens/bench/measure';

/** Clips whose points plainly go the other way than was said: forward counts the wrong way round there. */
export function TravelLines({ clips }: { readonly clips: readonly BenchClip[] }): ReactNode {
  return clips.map((on) => {
    const { clip, raw } = on.trial;
    const said = otherTravel(clip, raw);
    return (
      said && (
        <div key={clip.id} className="caution" role="note">
          {TEXT.pointsOfClipNameFace(clipName(on), said, clip.travel)}{' '}
          <Button size="small" onClick={() => changeClip(clip.id, { travel: said })}>
            {TEXT.itMovesToSaid(said)}
          </Button>
        </div>
      )
    );
  });
}
