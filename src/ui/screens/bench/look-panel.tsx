import BuildOutlinedIcon from '@mui/icons-material/BuildOutlined';
import ClearIcon from '@mui/icons-material/Clear';
import ThumbUpOffAltIcon from '@mui/icons-material/ThumbUpOffAlt';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useState, type ReactNode } from 'react';
import type { Note } from '../../../core/model/session';
import { REGIONS } from '../../../core/anatomy/regions';
import { player } from '../../../state/bench-player';
import { activeOf, type Derived } from '../../../state/derived';
import { edit } from '../../../state/document-store';
import { noteHere } from '../../../state/finding-use-cases';
import { setView, useView } from '../../../state/view-store';
import { clipName } from '../../components/clip-name';
import { useCommittedText } from '../../components/use-committed-text';
import { momentOfFrame } from '../../components/moment-of-frame';
import { DrawingTools } from './drawing-tools';

/**
 * First impressions before any number, passes through the body's regions, notes stamped with clip and frame, quick
 * drawing.
 */
export function LookPanel({ derived }: { readonly derived: Derived }): ReactNode {
  const { session } = derived;
  const impressions = useCommittedText(session.impressions, (text) =>
    edit((s) => {
      s.impressions = text;
    }),
  );
  const active = activeOf(
    derived,
    useView((state) => state.activeClip),
  )?.performance.clip;
  const note = (kind: Note['kind']): void => {
    if (active) noteHere(derived, active.id, kind);
  };
  return (
    <>
      <TextField label="First impressions" multiline minRows={3} {...impressions} />
      <Passes derived={derived} />
      <div style={{ display: 'flex', gap: 8 }}>
        <Button variant="outlined" startIcon={<ThumbUpOffAltIcon />} onClick={() => note('good')} disabled={!active}>
          Good here (G)
        </Button>
        <Button variant="outlined" startIcon={<BuildOutlinedIcon />} onClick={() => note('work-on')} disabled={!active}>
          Work on here (W)
        </Button>
      </div>
      {(['good', 'work-on'] as const).map((kind) => (
        <section key={kind}>
          <Typography variant="h3" component="h2">
            {kind === 'good' ? 'Good' : 'Work on'}
          </Typography>
          {session.notes.every((n) => n.kind !== kind) && (
            <p style={{ color: '#545c61', margin: '4px 0' }}>
              Nothing noted yet. A note keeps the clip, the moment and the region it was made at.
            </p>
          )}
          {session.notes
            .filter((n) => n.kind === kind)
            .map((n) => (
              <NoteRow key={n.id} note={n} derived={derived} />
            ))}
        </section>
      ))}
      <DrawingTools derived={derived} />
    </>
  );
}

/** One region at a time, lit on both bodies. */
function Passes({ derived }: { readonly derived: Derived }): ReactNode {
  const { session } = derived;
  const pass = useView((state) => state.pass);
  const [editing, setEditing] = useState(false);
  const regions: readonly string[] = session.passes ?? REGIONS;
  const list = useCommittedText(regions.join(', '), (text) => {
    const wanted = [
      ...new Set(
        text
          .split(',')
          .map((name) => name.trim().toLowerCase())
          .filter(Boolean),
      ),
    ].map((name) => name.slice(0, 40));
    edit((s) => {
      s.passes = wanted.length > 0 ? wanted : null;
    });
  });
  const at = pass === null ? -1 : regions.indexOf(pass);
  return (
    <section className="card" style={{ padding: '8px 10px' }}>
      <div style={{ display: 'flex', alignItems: 'center', gap: 6 }}>
        <Typography variant="h3" component="h2" sx={{ flex: 1 }}>
          {pass === null ? 'Go through the body' : `Pass ${at + 1} of ${regions.length}: ${pass}`}
        </Typography>
        {pass !== null && <Button onClick={() => setView({ pass: null })}>End</Button>}
        <Button variant="outlined" onClick={() => setView({ pass: regions[at + 1] ?? null })}>
          {pass === null ? 'Begin' : at + 1 < regions.length ? `Next: ${regions[at + 1]}` : 'Done'}
        </Button>
        <Button onClick={() => setEditing(!editing)} aria-expanded={editing}>
          Edit
        </Button>
      </div>
      {editing && (
        <TextField
          fullWidth
          size="small"
          sx={{ mt: 1 }}
          label="Regions, in order"
          helperText="Names with commas between; the body’s own regions are lit in the picture"
          {...list}
        />
      )}
    </section>
  );
}

function NoteRow({ note, derived }: { readonly note: Note; readonly derived: Derived }): ReactNode {
  const words = useCommittedText(note.text, (text) =>
    edit((s) => {
      const kept = s.notes.find((n) => n.id === note.id);
      if (kept) kept.text = text;
    }),
  );
  const fresh = useView((state) => state.freshNote === note.id);
  useEffect(() => {
    if (fresh) setView({ freshNote: null });
  }, [fresh]);
  const on = derived.clips.find((c) => c.performance.clip.id === note.clipId);
  const moment = on ? momentOfFrame(derived.movement, on.performance.marks, note.frame) : null;
  const stamp = [on ? clipName(on) : 'clip removed', `frame ${note.frame + 1}`, moment, note.region]
    .filter(Boolean)
    .join(', ');
  return (
    <div style={{ marginBottom: 4 }}>
      <div style={{ display: 'flex', gap: 4, alignItems: 'center' }}>
        <TextField
          variant="standard"
          fullWidth
          placeholder="What is it?"
          autoFocus={fresh}
          slotProps={{ htmlInput: { 'aria-label': `Note: ${stamp}` } }}
          onKeyDown={(event) => {
            // The keys of the bench are wanted again.
            if (event.key === 'Enter') (event.target as HTMLElement).blur();
          }}
          {...words}
        />
        <IconButton
          size="small"
          aria-label="Remove this note"
          onClick={() =>
            edit((s) => {
              s.notes = s.notes.filter((n) => n.id !== note.id);
            })
          }
        >
          <ClearIcon fontSize="small" />
        </IconButton>
      </div>
      <button type="button" className="row stamp" onClick={() => on && player.goTo(note.clipId, note.frame)}>
        {stamp}
      </button>
    </div>
  );
}
