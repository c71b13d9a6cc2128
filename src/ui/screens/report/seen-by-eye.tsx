import type { ReactNode } from 'react';
import type { Note } from '../../../core/model/session';
import type { Derived } from '../../../application/analysis/derived';
import { clipName } from '../../components/clip-name';
import { eventOfFrame } from '../../components/event-of-frame';
import { NumberSaysLine } from '../../components/number-says-line';
import { RoleName } from '../../components/role-name';
import { noteKey, panesOf } from '../../../application/export/wanted-stills';
import { TEXT } from '../../../text/screens/report';

interface SeenByEyeProps {
  readonly derived: Derived;
  /** Addresses of pictures by `noteKey`. */
  readonly stills: Readonly<Record<string, string>>;
}

/** What the eye found, in the analyst's order: the words with the pictures that were compared, drawings on. */
export function SeenByEye({ derived, stills }: SeenByEyeProps): ReactNode {
  const { notes } = derived.session;
  if (notes.length === 0) return null;
  return (
    <section data-testid="seen-by-eye">
      <h2>{TEXT.seenByEyeLabel}</h2>
      {notes.map((note) => (
        <Finding key={note.id} note={note} derived={derived} stills={stills} />
      ))}
    </section>
  );
}

function Finding({ note, derived, stills }: SeenByEyeProps & { readonly note: Note }): ReactNode {
  const { clips, movement } = derived;
  const own = clips.find((c) => c.trial.clip.id === note.clipId);
  const moment = own ? eventOfFrame(movement, own.trial.marks, note.frame) : null;
  const where = [own ? clipName(own) : TEXT.clipRemoved, moment, note.region].filter(Boolean).join(', ');
  const panes = panesOf(note);
  const compared = clips.filter((c) => panes[c.trial.clip.id] !== undefined);
  return (
    <div style={{ breakInside: 'avoid', marginBottom: 14 }} data-testid="report-finding">
      <h3 style={{ margin: '6px 0' }}>
        {note.kind === 'good' ? TEXT.good : TEXT.workOn}: {note.text || TEXT.noWords}
      </h3>
      <p className="pm" style={{ margin: '0 0 6px' }}>
        {where}
      </p>
      <NumberSaysLine note={note} derived={derived} />
      <div className="stills">
        {compared.map((c) => {
          const { clip } = c.trial;
          const still = stills[noteKey(note.id, clip.id)];
          return (
            <figure key={clip.id}>
              {still ? (
                <img src={still} alt={`${clip.performer.name}: ${note.text || where}`} data-testid="note-still" />
              ) : (
                <div style={{ background: '#171c20', aspectRatio: '4 / 3' }} />
              )}
              <figcaption>
                <RoleName role={c.styleKey} name={clip.performer.name} /> {TEXT.framePanes(panes[clip.id]! + 1)}
              </figcaption>
            </figure>
          );
        })}
      </div>
    </div>
  );
}
