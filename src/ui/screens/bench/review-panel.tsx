import BuildOutlinedIcon from '@mui/icons-material/BuildOutlined';
import ThumbUpOffAltIcon from '@mui/icons-material/ThumbUpOffAlt';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import type { Note } from '../../../core/model/session';
import { REGIONS } from '../../../core/anatomy/regions';
import { activeOf, type Derived } from '../../../application/analysis/derived';
import { edit } from '../../../application/stores/document-store';
import { noteHere } from '../../../application/findings/finding-use-cases';
import { setView, useView } from '../../../application/stores/view-store';
import { useCommittedText } from '../../components/use-committed-text';
import { DrawingTools } from './drawing-tools';
import { FindingRow } from './finding-row';
import { TEXT } from '../../../text/screens/bench/review';

/**
 * First impressions before any number, passes through the body's regions, notes stamped with clip and frame, quick
 * drawing.
 */
export function ReviewPanel({ derived }: { readonly derived: Derived }): ReactNode {
  const { session } = derived;
  const impressions = useCommittedText(session.impressions, (text) =>
    edit((s) => {
      s.impressions = text;
    }),
  );
  const active = activeOf(
    derived,
    useView((state) => state.activeClip),
  )?.trial.clip;
  const note = (kind: Note['kind']): void => {
    if (active) noteHere(derived, active.id, kind);
  };
  return (
    <>
      <TextField label={TEXT.firstImpressions} multiline minRows={3} {...impressions} />
      <Passes derived={derived} />
      <div style={{ display: 'flex', gap: 8 }}>
        <Button variant="outlined" startIcon={<ThumbUpOffAltIcon />} onClick={() => note('good')} disabled={!active}>
          {TEXT.goodHereG}
        </Button>
        <Button variant="outlined" startIcon={<BuildOutlinedIcon />} onClick={() => note('work-on')} disabled={!active}>
          {TEXT.workOnHereW}
        </Button>
      </div>
      {(['good', 'work-on'] as const).map((kind) => (
        <section key={kind}>
          <Typography variant="h3" component="h2">
            {kind === 'good' ? TEXT.good : TEXT.workOn}
          </Typography>
          {session.notes.every((n) => n.kind !== kind) && (
            <p style={{ color: '#545c61', margin: '4px 0' }}>{TEXT.nothingNotedYetNoteKeeps}</p>
          )}
          {session.notes
            .filter((n) => n.kind === kind)
            .map((n) => (
              <FindingRow key={n.id} note={n} derived={derived} />
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
          {pass === null ? TEXT.goThroughBody : TEXT.passAtOfCountPass(at + 1, regions.length, pass)}
        </Typography>
        {pass !== null && <Button onClick={() => setView({ pass: null })}>{TEXT.end}</Button>}
        <Button variant="outlined" onClick={() => setView({ pass: regions[at + 1] ?? null })}>
          {pass === null ? TEXT.begin : at + 1 < regions.length ? TEXT.nextRegion(regions[at + 1]!) : TEXT.done}
        </Button>
        <Button onClick={() => setEditing(!editing)} aria-expanded={editing}>
          {TEXT.edit}
        </Button>
      </div>
      {editing && (
        <TextField
          fullWidth
          size="small"
          sx={{ mt: 1 }}
          label={TEXT.regionsInOrder}
          helperText={TEXT.namesWithCommasBetweenBodys}
          {...list}
        />
      )}
    </section>
  );
}
