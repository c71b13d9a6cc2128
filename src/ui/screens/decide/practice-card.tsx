import EventIcon from '@mui/icons-material/Event';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { format } from 'date-fns';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { SessionPractice } from '../../../core/coaching/session-practice';
import { PER_WEEK } from '../../../core/model/practice';
import { dayOf } from '../../../core/model/session';
import type { Derived } from '../../../application/analysis/derived';
import { download } from '../../../application/files/download';
import {
  beginAt,
  calendarOf,
  passStages,
  practiceOf,
  setLadder,
  setPerWeek,
} from '../../../application/season/practice-use-cases';
import { dayAfter } from '../../../core/model/day';
import { dayText, fileSafe } from '../../components/format';
import { Ladder } from '../../components/ladder';
import { PracticeStrip } from '../../components/practice-strip';
import { StagesDialog } from '../../components/stages-dialog';
import { TEXT } from '../../../text/screens/decide';

const PER_WEEK_CHOICES = Array.from({ length: PER_WEEK.most }, (_, i) => i + PER_WEEK.least);

/** What the plan says of a competition, or asks for. */
function Competition({
  derived,
  plan,
}: {
  readonly derived: Derived;
  readonly plan: SessionPractice['plan'];
}): ReactNode {
  const on = dayOf(derived.session);
  if (plan.competition === null)
    return (
      <>
        {TEXT.noCompetitionIsKnown} <Link to={`/s/${derived.session.id}/intake`}>{TEXT.sayAtIntakeInHow}</Link>.
      </>
    );
  const day = (days: number): string => dayText(dayAfter(on, days), 'd MMM');
  return (
    <>
      {plan.freeze! > 0
        ? TEXT.competitionDayNothingNewIs(day(plan.competition), day(plan.freeze!))
        : TEXT.competitionDayNothingNewIsBegun(day(plan.competition))}
    </>
  );
}

/** When each correction is practised, in stages that are passed one after the other. */
export function PracticeCard({ derived }: { readonly derived: Derived }): ReactNode {
  const [editing, setEditing] = useState<string | null>(null);
  const { session } = derived;
  const { corrections, plan } = practiceOf(derived);
  const on = dayOf(session);
  // Equipment is changed once; what has no drills yet can be given stages.
  const practised = corrections.filter(({ change }) => change === 'technique');
  const edited = corrections.find(({ id }) => id === editing);
  const save = (): void => download(`${fileSafe(session.name)}-practice.ics`, 'text/calendar', calendarOf(derived));
  return (
    <section className="card" style={{ marginTop: 12 }} data-testid="practice" aria-label={TEXT.practice}>
      <div className="row-of-fields">
        <Typography variant="h2">{TEXT.practice}</Typography>
        <TextField
          select
          size="small"
          label={TEXT.practicesWeek}
          value={session.practice.perWeek}
          onChange={({ target }) => setPerWeek(Number(target.value))}
          sx={{ minWidth: 140 }}
        >
          {PER_WEEK_CHOICES.map((n) => (
            <MenuItem key={n} value={n}>
              {n}
            </MenuItem>
          ))}
        </TextField>
        <Button variant="outlined" startIcon={<EventIcon />} disabled={plan.days.length === 0} onClick={save}>
          {TEXT.saveAsCalendar}
        </Button>
      </div>
      <p className="note" style={{ margin: '6px 0' }}>
        <Competition derived={derived} plan={plan} /> {TEXT.dragBarOrUseIts}
      </p>
      <PracticeStrip
        plan={plan}
        names={new Map(corrections.map(({ id, title }) => [id, title]))}
        on={on}
        moving={{ perWeek: session.practice.perWeek, onBegin: beginAt }}
      />
      {practised.map(({ id, title, ladder, passed }) => (
        <div key={id} className="practice-ladder">
          <div style={{ display: 'flex', alignItems: 'center', gap: 8, flexWrap: 'wrap' }}>
            <Typography variant="h3" component="h3">
              {title}
            </Typography>
            <Button size="small" onClick={() => setEditing(id)}>
              {TEXT.changeStages}
            </Button>
            {session.practice.begins[id] !== undefined && (
              <Button size="small" onClick={() => beginAt(id, null)}>
                {TEXT.beginItWhenItsTurn}
              </Button>
            )}
          </div>
          <Ladder
            of={title}
            stages={ladder}
            passed={passed}
            onPass={(count) => passStages(id, count, format(new Date(), 'yyyy-MM-dd'))}
          />
        </div>
      ))}
      {edited && (
        <StagesDialog
          of={edited.title}
          stages={edited.ladder}
          onKeep={(stages) => setLadder(edited.id, stages)}
          onClose={() => setEditing(null)}
        />
      )}
    </section>
  );
}
