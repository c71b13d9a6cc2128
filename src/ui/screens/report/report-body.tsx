import type { ReactNode } from 'react';
import { judgedCount, type Judged } from '../../../core/judgement/state';
import { followCorrections } from '../../../core/coaching/progress';
import { seriesMeasures } from '../../../core/comparison/matched-series';
import { athletePage } from '../../../core/coaching/athlete-page';
import { reportOf } from '../../../core/coaching/report';
import { resultText, setUpOf } from '../../../core/model/conditions';
import { measureName } from '../../../core/model/movement';
import type { Derived } from '../../../application/analysis/derived';
import { dayOf } from '../../../core/model/session';
import { useHistory } from '../../../application/season/history';
import { usePaper, type ReportPart } from '../../../application/export/paper';
import { FollowedTable } from '../../components/followed-table';
import { ComparedCurve, comparedSeriesOf } from '../../components/compared-curve';
import { CorrectionCard } from '../../components/correction-card';
import { JudgedSummary } from '../../components/judged-summary';
import { RoleName } from '../../components/role-name';
import { techniqueWords } from '../../../core/judgement/technique-words';
import { TimingTable } from '../../components/timing-table';
import { dayText, ratesInWords, readingText } from '../../components/format';
import { CorrectionPictures } from './correction-pictures';
import { Methods } from './methods';
import { EventStills } from './event-stills';
import { PracticePart } from './practice-part';
import { Everybody } from './everybody';
import { ReadingsTable } from './readings-table';
import { SeenByEye } from './seen-by-eye';
import { useAthleteStills, useStills } from './use-stills';
import { TEXT } from '../../../text/screens/report';

export function ReportBody({ derived }: { readonly derived: Derived }): ReactNode {
  const { session, movement, school, technique, athlete, reference, judged, priorities, timing, plan, sheet, sides } =
    derived;
  const stills = useStills(derived);
  const nameOf = ({ measure }: Judged): string => measureName(movement, measure);
  const numbersOf = (j: Judged): string =>
    `${readingText(j.athlete).value} ` +
    `${readingText(j.athlete).plusMinus}${j.reference.measurable ? TEXT.referenceValue(readingText(j.reference).value) : ''}`;
  // What is worked on, as a curve, each quantity once.
  const worked = plan.items.flatMap(({ gap }) => (gap ? [gap.judged.measure] : []));
  const charts = seriesMeasures({ ...movement, measures: worked }).flatMap((measure) => {
    const curves = comparedSeriesOf(derived, measure);
    return curves ? [{ measure, curves }] : [];
  });
  const names = [...new Set(sides.reference.map((views) => views[0]!.clip.performer.name))];
  const several =
    sides.reference.length > 1
      ? TEXT.meanOfCountPerformances(sides.reference.length)
      : `, ${sides.reference[0] ? ratesInWords(sides.reference[0][0]!.clip) : ''}`;
  const referenceText =
    sides.reference.length === 0 ? (
      TEXT.againstPublishedTargetsOnly
    ) : (
      <RoleName role="reference" name={`${names.join(', ')}${several}`} />
    );
  const conditions = [
    ...(athlete?.clip.result ? [TEXT.resultText(resultText(athlete.clip.result))] : []),
    ...setUpOf(session.setUp, athlete?.clip.setUp ?? []).map(({ what, value }) => `${what}: ${value}`),
  ].join('; ');
  const shownRoles = (['athlete', 'reference'] as const).filter((role) => derived[role]);
  const counted = judgedCount(judged);
  const anyMarked = shownRoles.some((role) => Object.keys(derived[role]!.marks).length > 0);
  const minor = athlete?.clip.performer.minor ?? false;
  const report = reportOf({ movement, judged, priorities, plan, notes: session.notes, athlete, reference, minor });
  const { parts, club, foot } = usePaper();
  const shows = (part: ReportPart): boolean => parts.includes(part);
  const correctionStills = useAthleteStills(derived);
  const { corrections } = athletePage(movement, plan.items, judged, session, minor);
  const pictured = new Map(corrections.map((correction) => [correction.id, correction]));
  return (
    <article className="report" data-testid="report" aria-busy={!stills.ready || !correctionStills.ready}>
      <div className="head">
        <div>
          {club && <div className="club">{club}</div>}
          <h1 style={{ margin: 0 }}>{session.name}</h1>
          <div>
            {movement.sport}: {movement.name}
          </div>
          <div>
            <RoleName role="athlete" name={`${athlete!.clip.performer.name}, ${ratesInWords(athlete!.clip)}`} />
          </div>
          <div>{referenceText}</div>
          {conditions && <div>{conditions}</div>}
          {school && <div>{TEXT.schoolNameBecause(school.name, school.because)}</div>}
          {technique && !session.school && <div>{techniqueWords(movement, technique)}</div>}
        </div>
        <div>{dayText(dayOf(session), 'd MMMM yyyy')}</div>
      </div>
      {session.impressions && (
        <section>
          <h2>{TEXT.firstImpressions}</h2>
          <p style={{ whiteSpace: 'pre-wrap' }}>{session.impressions}</p>
        </section>
      )}
      {shows('findings') && <SeenByEye derived={derived} stills={stills.addresses} />}
      <section>
        <h2>{TEXT.workOn}</h2>
        <JudgedSummary judged={judged} />
        {report.nothing && <p>{report.nothing}</p>}
        {report.corrections.map((correction, i) => (
          <div key={correction.id} className="report-correction" data-testid="report-correction">
            {pictured.has(correction.id) && (
              <CorrectionPictures
                derived={derived}
                of={pictured.get(correction.id)!}
                stills={correctionStills.addresses}
              />
            )}
            <CorrectionCard correction={correction} index={i} />
          </div>
        ))}
        {report.dropped.map(({ id, name, reason }) => (
          <p key={id}>{TEXT.notWorkedOnNameReason(name, reason)}</p>
        ))}
        {report.parked.map(({ id, name, why }) => (
          <p key={id}>{TEXT.laterNameWhy(name, why)}</p>
        ))}
      </section>
      {shows('practice') && <PracticePart derived={derived} />}
      {shows('since') && <SinceBefore derived={derived} />}
      {shows('keep') && (
        <section>
          <h2>{TEXT.keep}</h2>
          {report.withoutGood && <p>{report.withoutGood}</p>}
          <ul>
            {report.strengths.map((j) => (
              <li key={j.measure.id}>
                <strong>{nameOf(j)}</strong>: {numbersOf(j)}
              </li>
            ))}
            {report.seenGood.map((n) => (
              <li key={n.id}>
                {TEXT.seenByEye} <strong>{n.text}</strong>
              </li>
            ))}
            {report.onTarget.map((j) => (
              <li key={j.measure.id}>{TEXT.goodAsItIsName(nameOf(j), numbersOf(j))}</li>
            ))}
          </ul>
        </section>
      )}
      {shows('pictures') && anyMarked && <EventStills derived={derived} roles={shownRoles} stills={stills.addresses} />}
      {shows('curves') && charts.length > 0 && (
        <section>
          <h2>{TEXT.curves}</h2>
          {charts.map(({ measure, curves }) => (
            <div key={measure.id} style={{ breakInside: 'avoid', marginBottom: 10 }}>
              <ComparedCurve movement={movement} measure={measure} curves={curves} onChoose={() => undefined} />
            </div>
          ))}
          <p className="pm">{TEXT.inMatchedTimeGreyIs}</p>
        </section>
      )}
      {shows('timing') && anyMarked && (
        <section>
          <h2>{TEXT.timing}</h2>
          <TimingTable rows={timing} athlete={sides.athlete} reference={sides.reference} />
        </section>
      )}
      {shows('sheet') && sheet && movement.sheet && (
        <section>
          <h2>{TEXT.namePointsOfMostPoints(movement.sheet.name, sheet.points, sheet.most)}</h2>
          <ul>
            {sheet.results.map((r) => (
              <li key={r.criterion.id}>
                {r.criterion.name}:{' '}
                {r.met === 'open' ? TEXT.stillOpen : TEXT.pointsOfPoints2(r.points, r.criterion.points)}
                {r.byEye ? TEXT.byEyeReason(r.byEye.reason) : ''}
              </li>
            ))}
          </ul>
          {sheet.held.map((gate) => (
            <p key={gate.because}>{TEXT.heldAtMostBecause(gate.most, gate.because)}</p>
          ))}
        </section>
      )}
      {shows('filming') && report.filming.length > 0 && (
        <section>
          <h2>{TEXT.filmNextTime}</h2>
          <ul>
            {report.filming.map((r) => (
              <li key={r.request}>
                {r.request} {r.because}
                {r.measures.length > 0 ? ` (${r.measures.join(', ')})` : ''}.
              </li>
            ))}
          </ul>
        </section>
      )}
      <section data-testid="cautions">
        <h2>{TEXT.cautions}</h2>
        {report.cautions.map((text) => (
          <div key={text} className="caution" style={{ marginBottom: 8 }}>
            {text}
          </div>
        ))}
      </section>
      {shows('performers') && <Everybody derived={derived} />}
      {shows('measures') && counted.measurable > 0 && <ReadingsTable derived={derived} />}
      {shows('methods') && <Methods derived={derived} />}
      {counted.measurable > 0 && (
        <p style={{ fontSize: '.8rem', color: '#545c61' }}>{TEXT.plusMinusValuesAre95(session.cutoff)}</p>
      )}
      {foot && <p className="foot">{foot}</p>}
    </article>
  );
}

/** What became of what earlier sessions asked for; nothing where there is none. */
function SinceBefore({ derived }: { readonly derived: Derived }): ReactNode {
  const { results } = useHistory(derived);
  // Paper waits for it.
  if (results === null) return <p aria-busy className="no-print" />;
  // A report says what was known on its day.
  const until = results.slice(0, results.findIndex((r) => r.sessionId === derived.session.id) + 1);
  const followed = followCorrections(derived.movement.measures, until).filter((f) => f.standing !== 'new');
  if (followed.length === 0) return null;
  return (
    <section style={{ breakInside: 'avoid' }} data-testid="since-before">
      <h2>{TEXT.sinceEarlierSessions}</h2>
      <FollowedTable followed={followed} results={until} />
    </section>
  );
}
