import type { ReactNode } from 'react';
import type { PhaseTime, TimingRow } from '../../core/comparison/timing-table';
import type { Clip } from '../../core/model/clip';
import { milliseconds, plusMinus, rateText, signedMilliseconds } from './format';

const time = (phase: PhaseTime | null): ReactNode =>
  phase === null ? '–' : <>{milliseconds(phase.duration)} <span className="pm">{plusMinus(phase.plusMinus, 'ms')}</span></>;
const share = (phase: PhaseTime | null): string => (phase?.share == null ? '–' : `${Math.round(phase.share * 100)} %`);

type Rates = Pick<Clip, 'captureRate' | 'fileRate'>;
const rate = (clip: Rates | undefined): ReactNode => clip && <span className="pm">at {rateText(clip)}</span>;

/** Every phase in ms and in percent of the whole, with the error that the frame rates leave. */
export function TimingTable({ rows, athlete, reference }: { readonly rows: readonly TimingRow[]; readonly athlete: Rates | undefined; readonly reference: Rates | undefined }): ReactNode {
  return (
    <table className="sheet" data-testid="timing-table">
      <thead>
        <tr><th>Phase</th><th><span className="mark-athlete" />Athlete {rate(athlete)}</th><th>%</th><th><span className="mark-reference" />Reference {rate(reference)}</th><th>%</th><th>Difference</th></tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.phase.from}>
            <td className="wrap">{row.phase.name}</td>
            <td>{time(row.athlete)}</td>
            <td>{share(row.athlete)}</td>
            <td>{time(row.reference)}</td>
            <td>{share(row.reference)}</td>
            <td>{row.difference === null ? '–' : <><strong>{signedMilliseconds(row.difference)}</strong> <span className="pm">{plusMinus(row.plusMinus!, 'ms')}</span></>}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
