import type { ReactNode } from 'react';
import type { AthleteCorrection } from '../../../core/coaching/athlete-page';
import type { Derived } from '../../../application/analysis/derived';
import { measureKey, noteKey, panesOf } from '../../../application/export/wanted-stills';

interface Picture {
  readonly address: string | undefined;
  readonly name: string;
}

/** The pictures that show a correction: the athlete's first, what it is held against second. */
function picturesOf(
  { session, athlete, reference }: Derived,
  { measureId, noteId }: AthleteCorrection,
  stills: Readonly<Record<string, string>>,
): readonly Picture[] {
  const sides = [athlete, reference].filter((trial) => trial !== null);
  if (measureId !== null)
    return sides.map(({ clip }) => ({
      address: stills[measureKey(measureId, clip.id)],
      name: clip.performer.name,
    }));
  const note = session.notes.find((n) => n.id === noteId);
  if (!note) return [];
  const panes = panesOf(note);
  return sides
    .filter(({ clip }) => panes[clip.id] !== undefined)
    .map(({ clip }) => ({ address: stills[noteKey(note.id, clip.id)], name: clip.performer.name }));
}

/** Both pictures of a correction, drawn on; a place without a picture until it is there. */
export function CorrectionPictures({
  derived,
  of,
  stills,
}: {
  readonly derived: Derived;
  readonly of: AthleteCorrection;
  readonly stills: Readonly<Record<string, string>>;
}): ReactNode {
  return (
    <div className="pictures">
      {picturesOf(derived, of, stills).map((picture) => (
        <figure key={picture.name}>
          {picture.address && (
            <img src={picture.address} alt={`${picture.name}: ${of.title}`} data-testid="athlete-still" />
          )}
          <figcaption>{picture.name}</figcaption>
        </figure>
      ))}
    </div>
  );
}
