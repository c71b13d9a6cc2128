import type { ReactNode } from 'react';
import type { PhaseTime, TimingRow } from '../../core/comparison/timing-table';
import type { Side } from '../../core/comparison/side';
import { withMinusSign } from '../../core/units';
import { milliseconds, plusMinus, rateText, signed, signedMilliseconds } from './format';
import { TEXT } from '../../text/components/common';

const time = (phase: PhaseTime | null): ReactNode =>
  phase === null ? (
    '–'
  ) : (
    <>
      {milliseconds(phase.duration)} <span className="pm">{plusMinus(phase.plusMinus, 'ms')}</span>
    </>
  );
const share = (phase: PhaseTime | null): string =>
  phase?.share == null ? '–' : withMinusSign(`${Math.round(phase.share * 100)} %`);

/** The frame rate that times are read at, or of how many trials they are the mean. */
const basis = (side: Side): ReactNode =>
  side[0] && (
    <span className="pm">
      {side.length > 1 ? TEXT.meanOfCount(side.length) : TEXT.atRateText(rateText(side[0][0]!.clip))}
    </span>
  );

interface TimingTableProps {
  readonly rows: readonly TimingRow[];
  readonly athlete: Side;
  readonly reference: Side;
  /** Choosing a phase goes to where it begins. */
  readonly onChoose?: (row: TimingRow) => void;
}

/** How much longer a phase is of the whole, in hundredths of it. */
const shareDifference = ({ athlete, reference }: TimingRow): string =>
  athlete?.share == null || reference?.share == null
    ? ''
    : TEXT.signedOfWhole(signed(athlete.share - reference.share, '%'));

/** Every phase in ms and in percent of the whole, with the error that the frame rates leave. */
export function TimingTable({ rows, athlete, reference, onChoose }: TimingTableProps): ReactNode {
  return (
    <table className="sheet" data-testid="timing-table">
      <thead>
        <tr>
          <th>{TEXT.phase}</th>
          <th>
            <span className="mark-athlete" />
            {TEXT.athlete} {basis(athlete)}
          </th>
          <th>%</th>
          <th>
            <span className="mark-reference" />
            {TEXT.reference} {basis(reference)}
          </th>
          <th>%</th>
          <th>{TEXT.difference}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.phase.from}>
            <td className="wrap">
              {onChoose ? (
                <button type="button" className="row" onClick={() => onChoose(row)}>
                  {row.phase.name}
                </button>
              ) : (
                row.phase.name
              )}
            </td>
            <td>{time(row.athlete)}</td>
            <td>{share(row.athlete)}</td>
            <td>{time(row.reference)}</td>
            <td>{share(row.reference)}</td>
            <td>
              {row.difference === null ? (
                '–'
              ) : (
                <>
                  <strong>{signedMilliseconds(row.difference)}</strong>{' '}
                  <span className="pm">{plusMinus(row.plusMinus!, 'ms')}</span>
                  <div className="pm">{shareDifference(row)}</div>
                </>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
