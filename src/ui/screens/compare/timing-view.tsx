import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { gatesOf } from '../../../core/comparison/gates';
import { viewOf } from '../../../core/comparison/side';
import { orderOf } from '../../../core/measures/order';
import type { Measure } from '../../../core/model/measure';
import type { MeasureOf } from '../../../core/measures/kind';
import { COVERAGE_95 } from '../../../core/statistics/normal';
import { GateChart } from '../../charts/gate-chart';
import type { Derived } from '../../../application/analysis/derived';
import { signedMilliseconds } from '../../components/format';
import { RoleName } from '../../components/role-name';
import { TimingTable } from '../../components/timing-table';
import { goToFrames } from '../../components/go-to-frames';
import { TEXT } from '../../../text/screens/compare';

/** Phase durations, running gain and loss from moment to moment, and orders. */
export function TimingView({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, sides, session, timing } = derived;
  const navigate = useNavigate();
  const [athlete, reference] = [sides.athlete[0]?.[0], sides.reference[0]?.[0]];
  if (!athlete || !reference) return <p>{TEXT.timesAreComparedOnceReference}</p>;
  const gates = gatesOf(movement, sides.athlete, sides.reference);
  const orders = movement.measures.filter((m): m is Extract<Measure, { kind: 'order' }> => m.kind === 'order');
  return (
    <>
      <section className="card">
        <Typography variant="h2" gutterBottom>
          {TEXT.phases}
        </Typography>
        <TimingTable
          rows={timing}
          athlete={sides.athlete}
          reference={sides.reference}
          onChoose={({ phase }) =>
            goToFrames(
              navigate,
              session.id,
              Object.fromEntries(
                [athlete, reference].flatMap((p) =>
                  p.marks[phase.from] === undefined ? [] : [[p.clip.id, p.marks[phase.from]!]],
                ),
              ),
              null,
            )
          }
        />
      </section>
      {gates.length > 1 && (
        <section className="card" style={{ marginTop: 12 }}>
          <Typography variant="h2" gutterBottom>
            {TEXT.runningGainAndLossSince(gates[0]!.name.toLowerCase())}
          </Typography>
          <GateChart
            gates={gates}
            onChoose={(i) =>
              goToFrames(
                navigate,
                session.id,
                {
                  [athlete.clip.id]: athlete.marks[gates[i]!.eventId]!,
                  [reference.clip.id]: reference.marks[gates[i]!.eventId]!,
                },
                null,
              )
            }
          />
          <table className="sheet">
            <thead>
              <tr>
                <th>{TEXT.moment}</th>
                <th>
                  <span className="mark-athlete" />
                  {TEXT.athlete}
                </th>
                <th>
                  <span className="mark-reference" />
                  {TEXT.reference}
                </th>
                <th>{TEXT.behindSoFar}</th>
                <th>{TEXT.lostSinceOneBefore}</th>
              </tr>
            </thead>
            <tbody>
              {gates.map((gate, i) => (
                <tr key={gate.eventId}>
                  <td className="wrap">{gate.name}</td>
                  <td>{gate.athlete.toFixed(3)} s</td>
                  <td>{gate.reference.toFixed(3)} s</td>
                  <td>
                    {i === 0 ? (
                      '–'
                    ) : (
                      <>
                        <strong>{signedMilliseconds(gate.behind)}</strong>{' '}
                        <span className="pm">±{Math.round(1000 * gate.plusMinus)}</span>
                      </>
                    )}
                  </td>
                  <td>
                    {i === 0 ? (
                      '–'
                    ) : (
                      <>
                        {signedMilliseconds(gate.lost)} <span className="pm">±{Math.round(1000 * gate.plusMinus)}</span>
                      </>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      {orders.map((measure) => (
        <section key={measure.id} className="card" style={{ marginTop: 12 }}>
          <Typography variant="h2" gutterBottom>
            {TEXT.nameWhichComesWhen(measure.name)}
          </Typography>
          {(
            [
              ['athlete', sides.athlete],
              ['reference', sides.reference],
            ] as const
          ).map(([role, side]) => (
            <OrderStrip
              key={role}
              role={role}
              name={side[0]![0]!.clip.performer.name}
              steps={orderOf(measure as MeasureOf<'order'>, viewOf(measure, side[0]!))}
              stated={measure.steps.map((s) => s.name)}
            />
          ))}
        </section>
      ))}
    </>
  );
}

interface OrderStripProps {
  readonly role: 'athlete' | 'reference';
  readonly name: string;
  readonly steps: ReturnType<typeof orderOf>;
  readonly stated: readonly string[];
}

const ms = (seconds: number): number => Math.round(1000 * seconds);

/** The steps of an order on a line of time; one that comes too early has an outline. */
function OrderStrip({ role, name, steps, stated }: OrderStripProps): ReactNode {
  if (!steps)
    return (
      <p>
        <RoleName role={role} name={name} />
        {TEXT.notAllOfStatedCan(stated.join(', '))}
      </p>
    );
  const last = Math.max(0.001, ...steps.map((s) => s.after));
  return (
    <div style={{ marginBottom: 8 }}>
      <RoleName role={role} name={name} />
      <ol className="order-strip">
        {steps.map((step, i) => {
          const [after, within] = [ms(step.after), ms(COVERAGE_95 * step.sd)];
          return (
            <li
              key={step.name}
              className={`${role} ${step.early ? 'early' : ''}`}
              style={{ marginLeft: i === 0 ? 0 : `${(60 * (step.after - steps[i - 1]!.after)) / last}%` }}
            >
              {step.name}{' '}
              <span className="pm">
                {step.early ? TEXT.afterMsCoverage95BeforeIts(after, within) : TEXT.afterMsCoverage95(after, within)}
              </span>
            </li>
          );
        })}
      </ol>
    </div>
  );
}
