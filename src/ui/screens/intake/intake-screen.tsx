import VideocamOutlinedIcon from '@mui/icons-material/VideocamOutlined';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { edit } from '../../../application/stores/document-store';
import { baseOf } from '../../../application/analysis/derived';
import { useDerived } from '../../../application/analysis/use-derived';
import { useCommittedText } from '../../components/use-committed-text';
import { clipName } from '../../components/clip-name';
import type { Clip, Role } from '../../../core/model/clip';
import { isFilmingDay } from '../../../core/model/fields';
import { LIMITS } from '../../../core/model/limits';
import { dayOf } from '../../../core/model/session';
import { removeClip } from '../../../application/clips/clip-use-cases';
import { SetUpFacts } from '../../components/set-up-facts';
import { AskedLastTime } from './asked-last-time';
import { ClipIntake } from './clip-intake';
import { MovementChoice } from './movement-choice';
import { TakenTrial } from './taken-trial';
import { TEXT } from '../../../text/screens/intake';

const ROLES = ['athlete', 'reference'] as const;

const isDays = (text: string): boolean => /^\s*\d{0,4}\s*$/.test(text);

/** Who, which movement, which clips: asked once, changed at any time. */
export function IntakeScreen(): ReactNode {
  const derived = useDerived();
  const { session, clips } = derived;
  const [adding, setAdding] = useState<{ readonly role: Role; readonly first: Clip | null } | null>(null);
  const name = useCommittedText(session.name, (text) => {
    if (text.trim())
      edit((s) => {
        s.name = text.trim();
      });
  });
  const days = useCommittedText(session.daysToCompetition === null ? '' : String(session.daysToCompetition), (text) => {
    if (isDays(text))
      edit((s) => {
        s.daysToCompetition = text.trim() === '' ? null : Number(text);
      });
  });
  const day = useCommittedText(dayOf(session), (text) => {
    if (text === '' || isFilmingDay(text))
      edit((s) => {
        s.filmedOn = text === '' ? null : text;
      });
  });
  return (
    <main className="page">
      <div className="inner">
        <section style={{ display: 'flex', gap: 16, flexWrap: 'wrap', alignItems: 'flex-start', marginBottom: 16 }}>
          <TextField
            label={TEXT.sessionName}
            slotProps={{ htmlInput: { maxLength: LIMITS.name } }}
            {...name}
            sx={{ minWidth: 320 }}
          />
          <MovementChoice movement={baseOf(session)} own={session.ownMovement !== null} sessionId={session.id} />
          <TextField
            label={TEXT.daysToNextCompetition}
            {...days}
            error={!isDays(days.value)}
            helperText={isDays(days.value) ? TEXT.emptyNoCompetitionNear : TEXT.valueIsNotNumberOf(days.value)}
          />
          <TextField
            label={TEXT.filmedOn}
            type="date"
            {...day}
            error={day.value !== '' && !isFilmingDay(day.value)}
            helperText={day.value !== '' && !isFilmingDay(day.value) ? TEXT.valueIsKeptOnceIt(day.value) : undefined}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: '2199-12-31' } }}
          />
        </section>
        <AskedLastTime derived={derived} />
        <details className="card attempt" open={session.setUp.length > 0}>
          <summary>{TEXT.setUpAndEquipmentOf}</summary>
          <SetUpFacts
            facts={session.setUp}
            of={TEXT.sessionWithin}
            onChange={(facts) =>
              edit((s) => {
                s.setUp = facts;
              })
            }
          />
        </details>
        <div className="columns">
          {ROLES.map((role) => {
            const on = clips.find((c) => c.id === role);
            return (
              <ClipIntake
                key={role}
                id={role}
                styleKey={role}
                role={role}
                title={role === 'athlete' ? TEXT.athlete : TEXT.reference}
                clip={on?.trial.clip ?? null}
                onRemove={on && (() => removeClip(on.trial.clip.id))}
              />
            );
          })}
          {clips
            .filter((c) => c.id !== 'athlete' && c.id !== 'reference')
            .map((on) => {
              const { clip } = on.trial;
              const name = clipName(on);
              return (
                <ClipIntake
                  key={clip.id}
                  id={on.id}
                  styleKey={on.styleKey}
                  role={clip.role}
                  title={name.charAt(0).toUpperCase() + name.slice(1)}
                  clip={clip}
                  first={on.join && session.clips.find((c) => c.id === on.join!.mainId)}
                  onRemove={() => removeClip(clip.id)}
                />
              );
            })}
          {adding && (
            <ClipIntake
              key="new"
              id="new"
              styleKey={adding.role}
              role={adding.role}
              title={
                adding.first
                  ? TEXT.anotherCameraOfName(adding.first.performer.name)
                  : adding.role === 'athlete'
                    ? TEXT.anotherAttemptOfAthlete
                    : TEXT.anotherReference
              }
              clip={null}
              first={adding.first}
              onRemove={() => setAdding(null)}
              onAdded={() => setAdding(null)}
            />
          )}
        </div>
        {!adding && (
          <div style={{ marginTop: 12, display: 'flex', gap: 8, flexWrap: 'wrap' }}>
            <TakenTrial session={session} />
            {derived.athlete && (
              <Button
                variant="outlined"
                startIcon={<VideocamOutlinedIcon />}
                onClick={() => setAdding({ role: 'athlete', first: derived.athlete!.clip })}
              >
                {TEXT.anotherCameraOfAthlete}
              </Button>
            )}
            {derived.reference && (
              <Button
                variant="outlined"
                startIcon={<VideocamOutlinedIcon />}
                onClick={() => setAdding({ role: 'reference', first: derived.reference!.clip })}
              >
                {TEXT.anotherCameraOfReference}
              </Button>
            )}
            {derived.reference && (
              <Button variant="outlined" onClick={() => setAdding({ role: 'reference', first: null })}>
                {TEXT.anotherReference}
              </Button>
            )}
            {derived.athlete && (
              <Button variant="outlined" onClick={() => setAdding({ role: 'athlete', first: null })}>
                {TEXT.anotherAttemptOfAthlete}
              </Button>
            )}
          </div>
        )}
        <Typography sx={{ mt: 2, color: 'text.secondary', maxWidth: 720 }}>{TEXT.footageStaysInThisBrowser}</Typography>
        {derived.athlete && derived.reference && (
          <Button component={Link} to={`/s/${session.id}/review`} variant="contained" sx={{ mt: 2 }}>
            {TEXT.goOnToReview}
          </Button>
        )}
      </div>
    </main>
  );
}
