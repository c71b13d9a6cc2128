import ThumbUpOffAltIcon from '@mui/icons-material/ThumbUpOffAlt';
import BuildOutlinedIcon from '@mui/icons-material/BuildOutlined';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { Note } from '../../../core/model/session';
import { player } from '../../../state/bench-player';
import type { Derived } from '../../../state/derived';
import { edit } from '../../../state/document-store';
import { addNote } from '../../../state/use-cases';
import { useView } from '../../../state/view-store';
import { useCommittedText } from '../../components/use-committed-text';

/** First impressions before any number, and notes stamped with clip and frame. */
export function LookPanel({ derived }: { readonly derived: Derived }): ReactNode {
  const { session } = derived;
  const impressions = useCommittedText(session.impressions, (text) => edit((s) => { s.impressions = text; }));
  const view = useView();
  const active = derived[view.activeRole]?.clip;
  const note = (kind: Note['kind']): void => {
    if (active) addNote({ kind, text: '', clipId: active.id, frame: view.shown[active.id] ?? 0 });
  };
  return (
    <>
      <TextField
        label="First impressions"
        multiline
        minRows={4}
        {...impressions}
      />
      <div style={{ display: 'flex', gap: 8 }}>
        <Button variant="outlined" startIcon={<ThumbUpOffAltIcon />} onClick={() => note('good')} disabled={!active}>Good here (G)</Button>
        <Button variant="outlined" startIcon={<BuildOutlinedIcon />} onClick={() => note('work-on')} disabled={!active}>Work on here (W)</Button>
      </div>
      {(['good', 'work-on'] as const).map((kind) => (
        <section key={kind}>
          <Typography variant="h3" component="h2">{kind === 'good' ? 'Good' : 'Work on'}</Typography>
          {session.notes.every((n) => n.kind !== kind) && <p style={{ color: '#545c61' }}>Nothing noted yet. A note keeps the clip and the frame it was made at.</p>}
          {session.notes.filter((n) => n.kind === kind).map((n) => <NoteRow key={n.id} note={n} derived={derived} />)}
        </section>
      ))}
    </>
  );
}

function NoteRow({ note, derived }: { readonly note: Note; readonly derived: Derived }): ReactNode {
  const clip = derived.session.clips.find((c) => c.id === note.clipId);
  const words = useCommittedText(note.text, (text) => edit((s) => {
    const kept = s.notes.find((n) => n.id === note.id);
    if (kept) kept.text = text;
  }));
  return (
    <div style={{ display: 'flex', gap: 8, alignItems: 'center', marginBottom: 6 }}>
      <Button onClick={() => clip && player.goTo(clip.role, note.frame)}>{clip?.role ?? 'gone'} {note.frame + 1}</Button>
      <TextField
        variant="standard"
        fullWidth
        placeholder="What is it?"
        slotProps={{ htmlInput: { 'aria-label': 'Note' } }}
        {...words}
      />
      <Button onClick={() => edit((s) => { s.notes = s.notes.filter((n) => n.id !== note.id); })}>Remove</Button>
    </div>
  );
}
