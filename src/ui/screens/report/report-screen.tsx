import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { judgedCount, type Judged } from '../../../core/judgement/state';
import { cautionsFor } from '../../../core/judgement/cautions';
import { followCorrections } from '../../../core/coaching/progress';
import { filmingRequests } from '../../../core/judgement/filming';
import { seriesMeasures } from '../../../core/comparison/matched-series';
import { correctionOf } from '../../../core/coaching/correction';
import { momentsOf } from '../../../core/model/measure';
import { measureName } from '../../../core/model/movement';
import type { Derived } from '../../../state/derived';
import { useDerived } from '../../../state/use-derived';
import { dayOf, type Session } from '../../../core/model/session';
import { notify } from '../../../state/notices';
import { useHistory } from '../../../state/history';
import { download } from '../../../state/download';
import { csvOf, sessionText } from '../../../state/report';
import { sessionArchive } from '../../../state/session-files';
import { FollowedTable } from '../../components/followed-table';
import { ComparedCurve, comparedSeriesOf } from '../../components/compared-curve';
import { CorrectionCard } from '../../components/correction-card';
import { JudgedSummary } from '../../components/judged-summary';
import { RoleName } from '../../components/role-name';
import { SessionFrame } from '../../components/session-frame';
import { StateMark } from '../../components/state-mark';
import { TimingTable } from '../../components/timing-table';
import { dayText, plusMinus, readingText, signed } from '../../components/format';
import { FilmDialog } from './film-dialog';
import { SeenByEye } from './seen-by-eye';
import { useStills } from './use-stills';

const fileSafe = (name: string): string =>
  name
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase() || 'session';

async function saveWithVideo(session: Session, name: string): Promise<void> {
  const archive = await sessionArchive(session);
  if (archive.ok) download(`${name}.falcon.zip`, 'application/zip', archive.value);
  else notify('info', archive.issue.message);
}

/** What is handed over: pictures, numbers, corrections, cautions. */
export function ReportScreen(): ReactNode {
  const derived = useDerived();
  const { session } = derived;
  const name = fileSafe(session.name);
  const [filming, setFilming] = useState(false);
  return (
    <SessionFrame step="report">
      <main className="page">
        <div
          className="no-print"
          style={{ display: 'flex', gap: 8, justifyContent: 'center', flexWrap: 'wrap', marginBottom: 12 }}
        >
          <Button variant="contained" onClick={() => window.print()}>
            Print or save as PDF
          </Button>
          <Button variant="outlined" onClick={() => download(`${name}.csv`, 'text/csv', csvOf(derived))}>
            Save all numbers as CSV
          </Button>
          <Button variant="outlined" disabled={derived.panes.length === 0} onClick={() => setFilming(true)}>
            Save a film
          </Button>
          <Button variant="outlined" onClick={() => void saveWithVideo(session, name)}>
            Save the session with video
          </Button>
          <Button
            variant="outlined"
            onClick={() => download(`${name}.falcon.json`, 'application/json', sessionText(session))}
          >
            Save the session without video
          </Button>
        </div>
        {derived.athlete === null ? (
          <p style={{ textAlign: 'center' }}>
            The report fills itself once the athlete’s clip is in: add it at Intake.
          </p>
        ) : (
          <ReportBody derived={derived} />
        )}
      </main>
      {filming && <FilmDialog derived={derived} fileName={name} onClose={() => setFilming(false)} />}
    </SessionFrame>
  );
}

function ReportBody({ derived }: { readonly derived: Derived }): ReactNode {
  const { session, movement, athlete, reference, judged, priorities, timing, plan, sheet, sides } = derived;
  const stills = useStills(derived);
  const momentName = (id: string): string => movement.moments.find((m) => m.id === id)!.name;
  const strengths = judged.filter((j) => j.state === 'strength');
  const onTarget = judged.filter((j) => j.state === 'on-target');
  const nameOf = ({ measure }: Judged): string => measureName(movement, measure);
  const numbersOf = (j: Judged): string =>
    `${readingText(j.athlete).value} ${readingText(j.athlete).plusMinus}${j.reference.measurable ? `, reference ${readingText(j.reference).value}` : ''}`;
  // What is worked on, as a curve, each quantity once.
  const worked = plan.items.flatMap(({ gap }) => (gap ? [gap.judged.measure] : []));
  const charts = seriesMeasures({ ...movement, measures: worked }).flatMap((measure) => {
    const curves = comparedSeriesOf(derived, measure);
    return curves ? [{ measure, curves }] : [];
  });
  const requests = filmingRequests(judged, athlete, reference);
  const school = movement.schools.find((s) => s.id === session.school);
  const names = [...new Set(sides.reference.map((views) => views[0]!.clip.performer.name))];
  const several =
    sides.reference.length > 1
      ? ` (mean of ${sides.reference.length} performances)`
      : `, ${sides.reference[0]?.[0]!.clip.captureRate} frames per second`;
  const referenceText =
    sides.reference.length === 0 ? (
      'Against published targets only'
    ) : (
      <RoleName role="reference" name={`${names.join(', ')}${several}`} />
    );
  const shownRoles = (['athlete', 'reference'] as const).filter((role) => derived[role]);
  const counted = judgedCount(judged);
  const anyMarked = shownRoles.some((role) => Object.keys(derived[role]!.marks).length > 0);
  const minor = athlete?.clip.performer.minor ?? false;
  return (
    <article className="report" data-testid="report">
      <div className="head">
        <div>
          <h1 style={{ margin: 0 }}>{session.name}</h1>
          <div>
            {movement.sport}: {movement.name}
          </div>
          <div>
            <RoleName
              role="athlete"
              name={`${athlete!.clip.performer.name}, ${athlete!.clip.captureRate} frames per second`}
            />
          </div>
          <div>{referenceText}</div>
          {school && (
            <div>
              School: {school.name}. {school.because}
            </div>
          )}
        </div>
        <div>{dayText(dayOf(session), 'd MMMM yyyy')}</div>
      </div>
      {session.impressions && (
        <section>
          <h2>First impressions</h2>
          <p style={{ whiteSpace: 'pre-wrap' }}>{session.impressions}</p>
        </section>
      )}
      <SeenByEye derived={derived} stills={stills} />
      <section>
        <h2>Work on</h2>
        <JudgedSummary judged={judged} />
        {plan.items.length === 0 && counted.judged > 0 && (
          <p>
            No measured difference lies beyond its range and its measuring error.
            {session.notes.some((n) => n.kind === 'work-on') ? ' What the eye found stands above.' : ''}
          </p>
        )}
        {plan.items.map((item, i) => (
          <div key={item.id} style={{ marginBottom: 14, breakInside: 'avoid' }} data-testid="report-correction">
            <CorrectionCard correction={correctionOf(movement, item, minor, session.notes)} index={i} />
          </div>
        ))}
        {priorities.dropped.map(({ gap, reason }) => (
          <p key={gap.judged.measure.id}>
            Not worked on: {gap.judged.measure.name.toLowerCase()} (“{reason}”).
          </p>
        ))}
        {priorities.parked.map(({ gap, why }) => (
          <p key={gap.judged.measure.id}>
            Later: {gap.judged.measure.name.toLowerCase()}. {why}.
          </p>
        ))}
      </section>
      <SinceBefore derived={derived} />
      <section>
        <h2>Keep</h2>
        {strengths.length + onTarget.length === 0 && (
          <p>
            {counted.judged === 0 ? 'Nothing was measured.' : 'No measure stands clear of the measuring error.'}
            {session.notes.some((n) => n.kind === 'good') ? ' What the eye found good stands above.' : ''}
          </p>
        )}
        <ul>
          {strengths.map((j) => (
            <li key={j.measure.id}>
              <strong>{nameOf(j)}</strong>: {numbersOf(j)}
            </li>
          ))}
          {session.notes
            .filter((n) => n.kind === 'good' && n.text)
            .map((n) => (
              <li key={n.id}>
                Seen by eye: <strong>{n.text}</strong>
              </li>
            ))}
          {onTarget.map((j) => (
            <li key={j.measure.id}>
              Good as it is: {nameOf(j)}, {numbersOf(j)}
            </li>
          ))}
        </ul>
      </section>
      {anyMarked && (
        <section>
          <h2>Moments</h2>
          {movement.moments.map((moment) => (
            <div key={moment.id} style={{ breakInside: 'avoid', marginBottom: 12 }}>
              <h3 style={{ margin: '6px 0' }}>{moment.name}</h3>
              <div className="stills">
                {shownRoles.map((role) => {
                  const still = stills[`${role}-${moment.id}`];
                  const trial = derived[role]!;
                  return (
                    <figure key={role}>
                      {still ? (
                        <img
                          src={still}
                          alt={`${trial.clip.performer.name} at ${moment.name.toLowerCase()}`}
                          data-testid="still"
                        />
                      ) : (
                        <div style={{ background: '#171c20', aspectRatio: '4 / 3' }} />
                      )}
                      <figcaption>
                        <RoleName role={role} name={trial.clip.performer.name} />
                        {trial.marks[moment.id] === undefined
                          ? ' not marked'
                          : ` frame ${Math.round(trial.marks[moment.id]!) + 1}`}
                      </figcaption>
                    </figure>
                  );
                })}
              </div>
            </div>
          ))}
        </section>
      )}
      {counted.measurable > 0 && (
        <section>
          <h2>Measures</h2>
          <table className="sheet">
            <thead>
              <tr>
                <th>Measure</th>
                <th className="left">Moment</th>
                <th>
                  <span className="mark-athlete" />
                  Athlete
                </th>
                <th>
                  <span className="mark-reference" />
                  Reference
                </th>
                <th>Difference</th>
                <th className="left">State</th>
              </tr>
            </thead>
            <tbody>
              {judged.map((j) => {
                const a = readingText(j.athlete);
                const r = readingText(j.reference);
                const unit = j.athlete.measurable ? j.athlete.unit : 'deg';
                return (
                  <tr key={j.measure.id}>
                    <td className="wrap">{j.measure.name}</td>
                    <td className="left wrap">{momentName(momentsOf(j.measure)[0]!)}</td>
                    <td>
                      {a.value} <span className="pm">{a.plusMinus}</span>
                    </td>
                    <td>
                      {r.value} <span className="pm">{r.plusMinus}</span>
                    </td>
                    <td>
                      {j.difference === null ? '–' : signed(j.difference, unit)}{' '}
                      <span className="pm">{j.plusMinus === null ? '' : plusMinus(j.plusMinus, unit)}</span>
                    </td>
                    <td className="left">
                      <StateMark state={j.state} />
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </section>
      )}
      {charts.length > 0 && (
        <section>
          <h2>Curves</h2>
          {charts.map(({ measure, curves }) => (
            <div key={measure.id} style={{ breakInside: 'avoid', marginBottom: 10 }}>
              <ComparedCurve movement={movement} measure={measure} curves={curves} onChoose={() => undefined} />
            </div>
          ))}
          <p className="pm">
            In matched time; grey is the range of the reference. Tinted: outside it by more than the measuring error.
          </p>
        </section>
      )}
      {anyMarked && (
        <section>
          <h2>Timing</h2>
          <TimingTable rows={timing} athlete={sides.athlete} reference={sides.reference} />
        </section>
      )}
      {sheet && movement.sheet && (
        <section>
          <h2>
            {movement.sheet.name}: {sheet.points} of {sheet.most} points
          </h2>
          <ul>
            {sheet.results.map((r) => (
              <li key={r.criterion.id}>
                {r.criterion.name}: {r.met === 'open' ? 'open' : `${r.points} of ${r.criterion.points}`}
                {r.byEye ? ` (by eye: ${r.byEye.reason})` : ''}
              </li>
            ))}
          </ul>
          {sheet.held.map((gate) => (
            <p key={gate.because}>
              Held at {gate.most}: {gate.because}.
            </p>
          ))}
        </section>
      )}
      {requests.length > 0 && (
        <section>
          <h2>Film next time</h2>
          <ul>
            {requests.map((r) => (
              <li key={r.request}>
                {r.request} {r.because}
                {r.measures.length > 0 ? ` (${r.measures.join(', ')})` : ''}.
              </li>
            ))}
          </ul>
        </section>
      )}
      <section data-testid="cautions">
        <h2>Cautions</h2>
        {cautionsFor(movement, priorities.proposed, minor).map((text) => (
          <div key={text} className="caution" style={{ marginBottom: 8 }}>
            {text}
          </div>
        ))}
      </section>
      {counted.measurable > 0 && (
        <p style={{ fontSize: '.8rem', color: '#545c61' }}>
          Plus-minus values are 95 % intervals. A difference is called a gap only when it lies outside its range by more
          than its margin and its measuring error. Points smoothed by a zero-lag Butterworth filter at {session.cutoff}{' '}
          Hz.
        </p>
      )}
    </article>
  );
}

/** What became of what earlier sessions asked for; nothing where there is none. */
function SinceBefore({ derived }: { readonly derived: Derived }): ReactNode {
  const { results } = useHistory(derived);
  // A report says what was known on its day.
  const until = results?.slice(0, results.findIndex((r) => r.sessionId === derived.session.id) + 1) ?? [];
  const followed = followCorrections(derived.movement.measures, until).filter((f) => f.standing !== 'new');
  if (followed.length === 0) return null;
  return (
    <section style={{ breakInside: 'avoid' }} data-testid="since-before">
      <h2>Since earlier sessions</h2>
      <FollowedTable followed={followed} results={until} />
    </section>
  );
}
