import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { format } from 'date-fns';
import { useDeferredValue, useMemo, useState, type ReactNode } from 'react';
import type { SessionSummary } from '../../../application/keeping/session-list';
import { chosenOf, sessionsNamed, SQUAD_ORDERS, type Squad, type SquadOrder } from '../../../application/season/squad';
import { movementNameOf } from '../../components/movement-name';
import { SessionTable } from './session-table';
import { SquadList } from './squad-list';
import { TEXT } from '../../../text/screens/home';

interface SquadAndSessionsProps {
  readonly squad: Squad;
  /** How many are measured of those whose sessions have changed; null where all are. */
  readonly measuring: { readonly done: number; readonly all: number } | null;
  readonly onDelete: (session: SessionSummary) => void;
  readonly onChange: () => void;
}

/** A search is worth its place from so many sessions on. */
const ENOUGH_TO_SEARCH = 4;

/** Everybody who was analysed, then all sessions; one search goes through both. */
export function SquadAndSessions({ squad, measuring, onDelete, onChange }: SquadAndSessionsProps): ReactNode {
  const [text, setText] = useState('');
  const [movement, setMovement] = useState('');
  const [team, setTeam] = useState('');
  const [order, setOrder] = useState<SquadOrder>('latest');
  const searched = useDeferredValue(text);
  const athletes = useMemo(
    () => squad.members.filter(({ sessions, asReference }) => sessions.length > 0 || asReference.length === 0),
    [squad],
  );
  const members = useMemo(
    () => chosenOf(athletes, { text: searched, movement, squad: team }, order),
    [athletes, searched, movement, team, order],
  );
  const sessions = useMemo(
    () => sessionsNamed(squad.sessions, searched, movement),
    [squad.sessions, searched, movement],
  );
  const movements = useMemo(
    () => new Map(squad.sessions.map((s) => [s.measuredBy, movementNameOf(s)])),
    [squad.sessions],
  );
  const teams = [...new Set(athletes.map(({ record }) => record?.squad ?? ''))].filter(Boolean).sort();
  // Who is there stands first; the table below them follows.
  const below = useDeferredValue(true, false);
  const today = format(new Date(), 'yyyy-MM-dd');
  return (
    <>
      <section>
        <div className="row-of-fields" style={{ marginBottom: 8 }}>
          <Typography variant="h2">{TEXT.athletes}</Typography>
          {squad.sessions.length >= ENOUGH_TO_SEARCH && (
            <TextField
              size="small"
              type="search"
              label={TEXT.findAthleteOrSession}
              value={text}
              onChange={({ target }) => setText(target.value)}
              sx={{ flex: 1, minWidth: 180 }}
            />
          )}
          {movements.size > 1 && (
            <TextField
              select
              size="small"
              label={TEXT.movements}
              value={movement}
              onChange={({ target }) => setMovement(target.value)}
              sx={{ minWidth: 140 }}
            >
              <MenuItem value="">{TEXT.all}</MenuItem>
              {[...movements]
                .filter(([id]) => id !== '')
                .map(([id, name]) => (
                  <MenuItem key={id} value={id}>
                    {name}
                  </MenuItem>
                ))}
            </TextField>
          )}
          {teams.length > 0 && (
            <TextField
              select
              size="small"
              label={TEXT.squads}
              value={team}
              onChange={({ target }) => setTeam(target.value)}
              sx={{ minWidth: 110 }}
            >
              <MenuItem value="">{TEXT.all}</MenuItem>
              {teams.map((name) => (
                <MenuItem key={name} value={name}>
                  {name}
                </MenuItem>
              ))}
            </TextField>
          )}
          {athletes.length > 1 && (
            <TextField
              select
              size="small"
              label={TEXT.order}
              value={order}
              onChange={({ target }) => setOrder(target.value as SquadOrder)}
              sx={{ minWidth: 130 }}
            >
              {Object.entries(SQUAD_ORDERS).map(([key, name]) => (
                <MenuItem key={key} value={key}>
                  {name}
                </MenuItem>
              ))}
            </TextField>
          )}
        </div>
        {measuring && (
          <p className="note" role="status" style={{ margin: '0 0 6px' }}>
            {TEXT.measuringSessionsThatHaveChanged(measuring.done, measuring.all)}
          </p>
        )}
        {members.length > 0 ? (
          <SquadList members={members} today={today} />
        ) : (
          <p>{athletes.length === 0 ? TEXT.nobodyYetAthleteStandsHere : TEXT.noAthleteMatches}</p>
        )}
      </section>
      <section style={{ marginTop: 20 }}>
        <Typography variant="h2" gutterBottom>
          {TEXT.sessions}
        </Typography>
        {squad.sessions.length === 0 && <p>{TEXT.noSessionsYet}</p>}
        {below && sessions.length > 0 && <SessionTable sessions={sessions} onDelete={onDelete} onChange={onChange} />}
      </section>
    </>
  );
}
