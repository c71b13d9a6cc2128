import ClearIcon from '@mui/icons-material/Clear';
import TuneIcon from '@mui/icons-material/Tune';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useState, type ReactNode } from 'react';
import { REGIONS } from '../../../core/anatomy/regions';
import { measuresFor } from '../../../core/judgement/by-eye';
import { measureName } from '../../../core/model/movement';
import type { Note } from '../../../core/model/session';
import { player } from '../../../application/bench/bench-player';
import type { Derived } from '../../../application/analysis/derived';
import { changeNote, noteFromHere, workOnNote } from '../../../application/findings/finding-use-cases';
import { setView, useView } from '../../../application/stores/view-store';
import { clipName } from '../../components/clip-name';
import { eventAt, eventOfFrame } from '../../components/event-of-frame';
import { NumberSaysLine } from '../../components/number-says-line';
import { useCommittedText } from '../../components/use-committed-text';
import { VoiceNote } from './voice-note';
import { TEXT } from '../../../text/screens/bench/review';

/** What the eye found, in words: where it is seen, the number that shows the same, and what becomes of it. */
export function FindingRow({ note, derived }: { readonly note: Note; readonly derived: Derived }): ReactNode {
  const words = useCommittedText(note.text, (text) => changeNote(note.id, { text }));
  const [open, setOpen] = useState(false);
  const fresh = useView((state) => state.freshNote === note.id);
  useEffect(() => {
    if (fresh) setView({ freshNote: null });
  }, [fresh]);
  const on = derived.clips.find((c) => c.trial.clip.id === note.clipId);
  const moment = on ? eventOfFrame(derived.movement, on.trial.marks, note.frame) : null;
  const stamp = [on ? clipName(on) : TEXT.clipRemoved, TEXT.frame(note.frame + 1), moment, note.region]
    .filter(Boolean)
    .join(', ');
  const made = derived.session.ownCorrections.some(({ noteId }) => noteId === note.id);
  const planned = note.measureId !== null && derived.plan.items.some(({ id }) => id === note.measureId);
  return (
    <div style={{ marginBottom: 6 }}>
      <div style={{ display: 'flex', gap: 2, alignItems: 'center' }}>
        <TextField
          variant="standard"
          fullWidth
          placeholder={TEXT.whatIsIt}
          autoFocus={fresh}
          slotProps={{ htmlInput: { 'aria-label': TEXT.noteStamp(stamp) } }}
          onKeyDown={(event) => {
            // The keys of the bench are wanted again.
            if (event.key === 'Enter') (event.target as HTMLElement).blur();
          }}
          {...words}
        />
        <IconButton
          size="small"
          aria-label={note.text ? TEXT.detailsOfText(note.text) : TEXT.detailsOfThisNote}
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          <TuneIcon fontSize="small" />
        </IconButton>
        <IconButton size="small" aria-label={TEXT.removeThisNote} onClick={() => changeNote(note.id, null)}>
          <ClearIcon fontSize="small" />
        </IconButton>
      </div>
      <button type="button" className="row stamp" onClick={() => on && player.goTo(note.clipId, note.frame)}>
        {stamp}
      </button>
      <VoiceNote note={note} />
      <NumberSaysLine note={note} derived={derived} />
      {note.kind === 'work-on' &&
        (made || planned ? (
          <span className="pm">{TEXT.amongCorrectionsAtDecide}</span>
        ) : (
          <Button size="small" onClick={() => workOnNote(derived, note)}>
            {TEXT.makeItCorrection}
          </Button>
        ))}
      {open && (
        <Details
          note={note}
          derived={derived}
          moment={on ? eventAt(derived.movement, on.trial.marks, note.frame) : null}
        />
      )}
    </div>
  );
}

interface DetailsProps {
  readonly note: Note;
  readonly derived: Derived;
  /** Id of the moment at its frame. */
  readonly moment: string | null;
}

function Details({ note, derived, moment }: DetailsProps): ReactNode {
  const regions: readonly string[] = derived.session.passes ?? REGIONS;
  return (
    <div style={{ display: 'grid', gap: 8, padding: '8px 0 4px' }}>
      <TextField
        select
        size="small"
        label={TEXT.numberThatShowsSame}
        value={note.measureId ?? ''}
        onChange={({ target }) => changeNote(note.id, { measureId: target.value || null })}
      >
        <MenuItem value="">{TEXT.none}</MenuItem>
        {measuresFor(derived.movement, { moment, region: note.region }).map((measure) => (
          <MenuItem key={measure.id} value={measure.id}>
            {measureName(derived.movement, measure)}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        size="small"
        label={TEXT.region}
        value={note.region ?? ''}
        onChange={({ target }) => changeNote(note.id, { region: target.value || null })}
      >
        <MenuItem value="">{TEXT.none}</MenuItem>
        {[...new Set([...regions, ...(note.region ? [note.region] : [])])].map((region) => (
          <MenuItem key={region} value={region}>
            {region}
          </MenuItem>
        ))}
      </TextField>
      <Button size="small" variant="outlined" onClick={() => noteFromHere(derived, note)}>
        {TEXT.setToFramesShown}
      </Button>
    </div>
  );
}
