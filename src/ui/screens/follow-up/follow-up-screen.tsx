import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRef, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import {
  alsoMoved,
  followCorrections,
  trendOf,
  type Followed,
  type SessionResult,
} from '../../../core/coaching/progress';
import type { Measure } from '../../../core/model/measure';
import { dayOf } from '../../../core/model/session';
import { COVERAGE_95 } from '../../../core/statistics/normal';
import { TrendChart } from '../../charts/trend-chart';
import type { Derived } from '../../../application/analysis/derived';
import { useDerived } from '../../../application/analysis/use-derived';
import { compareWithSession, settle } from '../../../application/season/follow-up-use-cases';
import { useHistory } from '../../../application/season/history';
import { notify } from '../../../application/stores/notices';
import { usePaper } from '../../../application/export/paper';
import { openSession } from '../../../application/session/session-use-cases';
import { FollowedTable } from '../../components/followed-table';
import { dayText, plusMinus, readingText } from '../../components/format';
import { framesOf, goToFrames } from '../../components/go-to-frames';
import { PaperButtons } from '../../components/paper-buttons';
import { ReasonDialog } from '../../components/reason-dialog';
import { SessionFrame } from '../../components/session-frame';
import { AlsoMoved } from './also-moved';
import { ConditionsCard } from './conditions-card';
import { NextSession } from './next-session';
import { TEXT } from '../../../text/screens/follow-up';

/** The same numbers again: what was asked for, what else moved, and every measure over the sessions. */
export function FollowUpScreen(): ReactNode {
  const derived = useDerived();
  const { results, problem } = useHistory(derived);
  const paper = useRef<HTMLDivElement>(null);
  const { size } = usePaper();
  const name = derived.athlete?.clip.performer.name ?? '';
  return (
    <SessionFrame step="follow-up">
      <main className="page">
        <div className={`inner follow-up on-${size}`} ref={paper}>
          <div className="row-of-fields" style={{ marginBottom: 12 }}>
            <Typography variant="h1">{derived.athlete ? TEXT.nameOverTime(name) : TEXT.overTime}</Typography>
            {derived.athlete && <NextSession derived={derived} />}
            {results && results.length > 1 && (
              <PaperButtons part={paper} title={TEXT.nameOverTime(name)} on={dayOf(derived.session)} />
            )}
          </div>
          {problem && (
            <Alert severity="warning" sx={{ mb: 2 }}>
              {problem}
            </Alert>
          )}
          {!derived.athlete && <p>{TEXT.addAthletesClipAtIntake}</p>}
          {derived.athlete && results === null && <p role="status">{TEXT.measuringOtherSessions}</p>}
          {results?.length === 1 && <p style={{ maxWidth: 640 }}>{TEXT.thisIsOnlySessionOf(name)}</p>}
          {results && results.length > 1 && <OverTime derived={derived} results={results} />}
        </div>
      </main>
    </SessionFrame>
  );
}

function OverTime({
  derived,
  results,
}: {
  readonly derived: Derived;
  readonly results: readonly SessionResult[];
}): ReactNode {
  const { movement, session } = derived;
  const navigate = useNavigate();
  const followed = followCorrections(movement.measures, results);
  const moved = alsoMoved(movement.measures, results, followed);
  const measured = movement.measures.filter((m) => trendOf(m.id, results).length > 0);
  const [chosenId, setChosen] = useState<string | null>(null);
  const [asking, setAsking] = useState<{ readonly followed: Followed; readonly verdict: 'closed' | 'open' } | null>(
    null,
  );
  const chosen =
    measured.find((m) => m.id === chosenId) ??
    followed.find((f) => f.measure && measured.includes(f.measure))?.measure ??
    measured[0] ??
    null;
  const before = results.filter((r) => r.sessionId !== session.id);
  const compare = (id: string): void =>
    void compareWithSession(id).then((done) =>
      done.ok ? navigate(`/s/${session.id}/compare`) : notify('error', done.issue.message),
    );
  /** Goes to the frames that prove a value, in its own session. */
  const show = async (sessionId: string, measure: Measure): Promise<void> => {
    const read = trendOf(measure.id, results).find((r) => results[r.session]!.sessionId === sessionId);
    const opened = await openSession(sessionId);
    if (!opened.ok) return notify('error', opened.issue.message);
    goToFrames(navigate, sessionId, read ? framesOf(read.reading) : {}, measure.id);
  };
  return (
    <>
      <section className="card" style={{ marginBottom: 12 }}>
        <Typography variant="h2" gutterBottom>
          {TEXT.whatWasAskedFor}
        </Typography>
        {followed.length === 0 ? (
          <p>{TEXT.noSessionHasAskedFor}</p>
        ) : (
          <FollowedTable
            followed={followed}
            results={results}
            chosen={chosen?.id ?? null}
            acts={(f) => (
              <>
                {f.measure && measured.includes(f.measure) && (
                  <Button
                    size="small"
                    aria-label={TEXT.curveOfTitle(f.title)}
                    aria-pressed={f.id === chosen?.id}
                    onClick={() => setChosen(f.id)}
                  >
                    {TEXT.curve}
                  </Button>
                )}
                {session.correctionVerdicts[f.id] ? (
                  <Button
                    size="small"
                    aria-label={TEXT.letNumbersDecideAboutTitle(f.title)}
                    onClick={() => settle(f.id, null)}
                  >
                    {TEXT.byNumbers}
                  </Button>
                ) : (
                  <Button
                    size="small"
                    aria-label={`${f.standing === 'closed' ? TEXT.keepOpen : TEXT.close} ${f.title}`}
                    onClick={() => setAsking({ followed: f, verdict: f.standing === 'closed' ? 'open' : 'closed' })}
                  >
                    {f.standing === 'closed' ? TEXT.keepOpen : TEXT.close}
                  </Button>
                )}
              </>
            )}
          />
        )}
        <p className="pm">{TEXT.closedOnTargetInTwo}</p>
      </section>
      <div className="columns" style={{ gridTemplateColumns: 'minmax(0, 1.5fr) minmax(0, 1fr)' }}>
        {chosen && (
          <section className="card">
            <TextField
              select
              size="small"
              label={TEXT.measure}
              value={chosen.id}
              onChange={(event) => setChosen(event.target.value)}
              sx={{ mb: 1, minWidth: 300 }}
            >
              {measured.map((m) => (
                <MenuItem key={m.id} value={m.id}>
                  {m.name}
                </MenuItem>
              ))}
            </TextField>
            <Trend measure={chosen} results={results} openId={session.id} onChoose={(id) => void show(id, chosen)} />
            <p className="pm">{TEXT.shadedRangeByWhichEach}</p>
          </section>
        )}
        <div style={{ display: 'grid', gap: 12, alignContent: 'start' }}>
          <ConditionsCard results={results} />
          <AlsoMoved moved={moved} results={results} onChoose={(measure) => setChosen(measure.id)} />
          <section className="card no-print">
            <Typography variant="h2" gutterBottom>
              {TEXT.beforeAndAfter}
            </Typography>
            <p style={{ marginTop: 0 }}>{TEXT.putsEarlierPerformanceBesideTodays}</p>
            <ul className="plain">
              {before.map((r) => (
                <li key={r.sessionId}>
                  <Button size="small" onClick={() => compare(r.sessionId)}>
                    {TEXT.compareWithDayText(dayText(r.on))}
                  </Button>{' '}
                  <span className="note">{r.name}</span>
                </li>
              ))}
            </ul>
          </section>
        </div>
      </div>
      {asking && (
        <ReasonDialog
          title={asking.verdict === 'closed' ? TEXT.closeThisCorrection : TEXT.keepThisCorrectionOpen}
          about={asking.followed.title}
          confirm={asking.verdict === 'closed' ? TEXT.closeIt : TEXT.keepItOpen}
          onConfirm={(reason) => settle(asking.followed.id, { verdict: asking.verdict, reason })}
          onClose={() => setAsking(null)}
        />
      )}
    </>
  );
}

function Trend({
  measure,
  results,
  openId,
  onChoose,
}: {
  readonly measure: Measure;
  readonly results: readonly SessionResult[];
  readonly openId: string;
  readonly onChoose: (sessionId: string) => void;
}): ReactNode {
  const trend = trendOf(measure.id, results);
  const { unit } = trend[0]!.reading;
  const points = trend.map(({ reading, band, session }) => {
    const { sessionId, on } = results[session]!;
    const half = COVERAGE_95 * reading.sd;
    return {
      key: sessionId,
      on,
      label: dayText(on),
      value: reading.value,
      plusMinus: half,
      band,
      now: sessionId === openId,
      text: TEXT.dayTextValuePlusMinus(dayText(on), readingText(reading).value, plusMinus(half, unit)),
    };
  });
  return <TrendChart title={measure.name} unit={unit} points={points} height={230} onChoose={onChoose} />;
}
