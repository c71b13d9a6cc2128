import type { ReactNode } from 'react';
import { eventsOf } from '../../../core/model/measure';
import { isInSpace } from '../../../core/reading';
import type { Derived } from '../../../application/analysis/derived';
import { plusMinus, readingText, signed } from '../../components/format';
import { StateMark } from '../../components/state-mark';
import { TEXT } from '../../../text/screens/report';

/** Every measure with both readings, their difference and its state. */
export function ReadingsTable({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, judged } = derived;
  const eventName = (id: string): string => movement.moments.find((m) => m.id === id)!.name;
  return (
    <section>
      <h2>{TEXT.measures}</h2>
      <table className="sheet">
        <thead>
          <tr>
            <th>{TEXT.measure}</th>
            <th className="left">{TEXT.moment}</th>
            <th>
              <span className="mark-athlete" />
              {TEXT.athlete}
            </th>
            <th>
              <span className="mark-reference" />
              {TEXT.reference}
            </th>
            <th>{TEXT.difference}</th>
            <th className="left">{TEXT.state}</th>
          </tr>
        </thead>
        <tbody>
          {judged.map((j) => {
            const a = readingText(j.athlete);
            const r = readingText(j.reference);
            const unit = j.athlete.measurable ? j.athlete.unit : 'deg';
            return (
              <tr key={j.measure.id}>
                <td className="wrap">
                  {j.measure.name}
                  {isInSpace(j.athlete) && TEXT.inSpace}
                </td>
                <td className="left wrap">{eventName(eventsOf(j.measure)[0]!)}</td>
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
  );
}
