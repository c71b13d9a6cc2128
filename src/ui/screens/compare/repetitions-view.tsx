import Typography from '@mui/material/Typography';
import { useMemo, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { repetitionTable } from '../../../core/comparison/repetition-table';
import { unitOf } from '../../../core/measures';
import { inUnit } from '../../../core/units';
import { repetitionsOf, repetitionViews, type Derived } from '../../../application/analysis/derived';
import { plusMinus, readingText, signed } from '../../components/format';
import { framesOf, goToFrames } from '../../components/go-to-frames';
import { TEXT } from '../../../text/screens/compare';

/** Repetitions of one performer beside each other: early and late, turn by turn. */
export function RepetitionsView({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, session, clips } = derived;
  const navigate = useNavigate();
  const [chosen, setChosen] = useState<string | null>(null);
  const { withSeveral, on, rows } = useMemo(() => {
    const several = clips.filter((c) => !c.join && repetitionsOf(session, c.trial.clip.id).length > 1);
    const shown = several.find((c) => c.trial.clip.id === chosen) ?? several[0];
    const table = shown ? repetitionTable(movement, repetitionViews(derived, shown), session.measuredErrors) : [];
    return { withSeveral: several, on: shown, rows: table };
  }, [derived, clips, movement, session, chosen]);
  if (!on) return <p>{TEXT.repetitionsAreComparedHereOnce}</p>;
  const count = repetitionsOf(session, on.trial.clip.id).length;
  return (
    <section className="card">
      <div className="row-of-fields">
        <Typography variant="h2">{TEXT.repetitionByRepetition}</Typography>
        <TextField
          select
          size="small"
          label={TEXT.performance}
          value={on.trial.clip.id}
          onChange={(event) => setChosen(event.target.value)}
          sx={{ minWidth: 200 }}
        >
          {withSeveral.map((c) => (
            <MenuItem key={c.id} value={c.trial.clip.id}>
              {c.trial.clip.performer.name}
            </MenuItem>
          ))}
        </TextField>
        <span className="note">{TEXT.changeFromEarlyToLate}</span>
      </div>
      <div style={{ overflowX: 'auto' }}>
        <table className="sheet">
          <thead>
            <tr>
              <th>{TEXT.measure}</th>
              {Array.from({ length: count }, (_, i) => (
                <th key={i}>{i + 1}</th>
              ))}
              <th>{TEXT.mean}</th>
              <th>{TEXT.spread}</th>
              <th>{TEXT.lateMinusEarly}</th>
            </tr>
          </thead>
          <tbody>
            {rows
              .filter((row) => row.side.reading.measurable)
              .map((row) => {
                const unit = unitOf(row.measure);
                const drift =
                  row.lateMinusEarly !== null && row.plusMinus !== null && Math.abs(row.lateMinusEarly) > row.plusMinus;
                return (
                  <tr key={row.measure.id}>
                    <td className="wrap">{row.measure.name}</td>
                    {row.readings.map((reading, i) => (
                      <td key={i}>
                        {reading.measurable ? (
                          <button
                            type="button"
                            className="row"
                            style={{ fontWeight: 400 }}
                            onClick={() => goToFrames(navigate, session.id, framesOf(reading), row.measure.id)}
                          >
                            {readingText(reading).value} <span className="pm">{readingText(reading).plusMinus}</span>
                          </button>
                        ) : (
                          '–'
                        )}
                      </td>
                    ))}
                    <td>
                      <strong>{readingText(row.side.reading).value}</strong>
                    </td>
                    <td>{row.side.spread && row.side.spread.n > 1 ? inUnit(row.side.spread.sd, unit, 1) : '–'}</td>
                    <td>
                      {row.lateMinusEarly === null ? (
                        '–'
                      ) : (
                        <span style={{ fontWeight: drift ? 700 : 400 }}>
                          {signed(row.lateMinusEarly, unit)}{' '}
                          <span className="pm">{plusMinus(row.plusMinus!, unit)}</span>
                          {drift ? TEXT.changesAfterNumber : ''}
                        </span>
                      )}
                    </td>
                  </tr>
                );
              })}
          </tbody>
        </table>
      </div>
    </section>
  );
}
