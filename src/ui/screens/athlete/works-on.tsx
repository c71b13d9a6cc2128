import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { SquadMember } from '../../../application/season/squad';
import { TrendLine } from '../../charts/trend-line';
import { movementNameOf } from '../../components/movement-name';
import { dayText, inDisplayUnit, plusMinus } from '../../components/format';
import { StandingMark } from '../../components/standing-mark';
import { TEXT } from '../../../text/screens/athlete';

interface WorksOnProps {
  readonly member: SquadMember;
  /** Today, ISO. */
  readonly today: string;
}

/** Open corrections of each movement, when each is checked, and how the first of them went. */
export function WorksOn({ member: { sessions, standings }, today }: WorksOnProps): ReactNode {
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.worksOn}
      </Typography>
      {standings.length === 0 && (
        <p>{sessions.length === 0 ? TEXT.noSessionIsAboutThis : TEXT.sessionsAreNotMeasuredYet}</p>
      )}
      {standings.map(({ id, measuredBy, open, trend }) => {
        const session = sessions.find((s) => s.measuredBy === measuredBy)!;
        const last = trend?.values.at(-1);
        return (
          <div key={id} style={{ marginBottom: 8 }}>
            <h3 style={{ margin: '4px 0', fontSize: '.95rem' }}>{movementNameOf(session)}</h3>
            {open.length === 0 && <p>{TEXT.nothingIsOpen}</p>}
            {open.length > 0 && (
              <table className="sheet">
                <thead>
                  <tr>
                    <th>{TEXT.correction}</th>
                    <th className="left">{TEXT.stands}</th>
                    <th>{TEXT.checkDue}</th>
                  </tr>
                </thead>
                <tbody>
                  {open.map(({ id: correction, title, standing, due }) => (
                    <tr key={correction}>
                      <td className="wrap">{title}</td>
                      <td className="left">
                        <StandingMark standing={standing} />
                      </td>
                      <td className={due !== null && due < today ? 'overdue' : undefined}>
                        {due === null ? '\u2013' : dayText(due)}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
            {trend && last && (
              <p style={{ display: 'flex', gap: 10, alignItems: 'center', margin: '8px 0 0' }}>
                <TrendLine trend={trend} text={TEXT.measureOverCountSessions(trend.measure, trend.values.length)} />
                <span>
                  {trend.measure}: {inDisplayUnit(last.value, trend.unit)}{' '}
                  <span className="pm">{plusMinus(last.plusMinus, trend.unit)}</span>
                  <span className="note">
                    {' '}
                    {TEXT.onDayText(dayText(last.on))}
                    {trend.values.length > 1 &&
                      TEXT.inDisplayUnitAtFirst(inDisplayUnit(trend.values[0]!.value, trend.unit))}
                  </span>
                </span>
              </p>
            )}
          </div>
        );
      })}
    </section>
  );
}
