import type { ReactNode } from 'react';
import { momentsOf } from '../../../core/model/measure';
import { isInSpace } from '../../../core/reading';
import type { Derived } from '../../../application/analysis/derived';
import { plusMinus, readingText, signed } from '../../components/format';
import { StateMark } from '../../components/state-mark';

/** Every measure with both readings, their difference and its state. */
export function ReadingsTable({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, judged } = derived;
  const momentName = (id: string): string => movement.moments.find((m) => m.id === id)!.name;
  return (
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
                <td className="wrap">
                  {j.measure.name}
                  {isInSpace(j.athlete) && ', in space'}
                </td>
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
  );
}
