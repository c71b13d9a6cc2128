import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState, type ReactNode } from 'react';
import { prepareTrial } from '../../../core/trial/trial';
import { agreementOf, type DigitisedTwice, type MeasureAgreement } from '../../../core/reliability/digitisings';
import { inUnit } from '../../../core/units';
import { AgreementChart } from '../../charts/agreement-chart';
import { activeOf, type Derived } from '../../../application/analysis/derived';
import {
  clearPoints,
  dropDigitising,
  keepDigitising,
  takeMeasuredError,
} from '../../../application/tracks/track-use-cases';
import { useView } from '../../../application/stores/view-store';
import { clipName } from '../../components/clip-name';
import { stampText } from '../../components/format';

/** Clips that were digitised before, with the points as they are now beside the ones kept first. */
function digitisedTwice(derived: Derived): readonly DigitisedTwice[] {
  const { session } = derived;
  return derived.clips.flatMap(({ trial: second }) => {
    const kept = session.digitisings.find((d) => d.clipId === second.clip.id);
    if (!kept || Object.keys(second.raw).length === 0 || kept.track === second.raw) return [];
    return [{ first: { ...prepareTrial(second.clip, kept.track, {}, session.cutoff), marks: second.marks }, second }];
  });
}

/** How well the same clip digitised twice agrees with itself, and what follows for the measuring error. */
export function AgreementCard({ derived }: { readonly derived: Derived }): ReactNode {
  const { session, movement } = derived;
  const [by, setBy] = useState('');
  const [chosen, setChosen] = useState<string | null>(null);
  const on = activeOf(
    derived,
    useView((state) => state.activeClip),
  );
  const rows = useMemo(() => agreementOf(movement, digitisedTwice(derived)), [movement, derived]);
  if (!on) return null;
  const { clip, raw } = on.trial;
  const kept = session.digitisings.filter((d) => d.clipId === clip.id);
  const shown = rows.find((r) => r.measures[0].id === chosen) ?? rows[0];
  return (
    <section className="card" style={{ display: 'grid', gap: 8, padding: '10px 12px', fontSize: '.86rem' }}>
      <Typography variant="h3" component="h2">
        Agreement
      </Typography>
      {kept.length === 0 && (
        <span>
          Place the points of one clip twice, you or somebody else, to know how far two digitisings differ. Keep the
          first, begin anew, and read it here.
        </span>
      )}
      {kept.map((d) => (
        <div key={d.id}>
          Kept: {d.by}, {stampText(d.at)} <Button onClick={() => dropDigitising(d.id)}>Drop it</Button>
        </div>
      ))}
      <div style={{ display: 'flex', gap: 8 }}>
        <TextField
          label="Digitised by"
          value={by}
          onChange={(event) => setBy(event.target.value)}
          sx={{ flex: 1 }}
          slotProps={{ htmlInput: { maxLength: 60 } }}
        />
        <Button variant="outlined" disabled={Object.keys(raw).length === 0} onClick={() => keepDigitising(clip, by)}>
          Keep these points
        </Button>
      </div>
      {kept.length > 0 && (
        <Button sx={{ justifySelf: 'start' }} onClick={() => clearPoints(clip)}>
          Begin the {clipName(on)} anew, without points
        </Button>
      )}
      {shown && (
        <>
          <table className="sheet" data-testid="agreement">
            <thead>
              <tr>
                <th>Measure</th>
                <th title="Intraclass correlation over attempts, absolute agreement, single value, ICC(2,1), with its 95 % interval">
                  ICC
                </th>
                <th title="Standard error of measurement">SEM</th>
                <th title="Minimal detectable change, 95 %">MDC</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr
                  key={row.measures[0].id}
                  className={`choose ${row === shown ? 'chosen' : ''}`}
                  onClick={() => setChosen(row.measures[0].id)}
                >
                  <td className="wrap">
                    <button type="button" className="row" aria-pressed={row === shown}>
                      {row.measures[0].name}
                      {session.measuredErrors[row.measures[0].id] !== undefined ? ' (used)' : ''}
                    </button>
                  </td>
                  <td>{iccText(row)}</td>
                  <td>{inUnit(row.agreement.sem, row.unit, 1)}</td>
                  <td>{inUnit(row.agreement.minimalDetectableChange, row.unit, 1)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {shown.attempts === null && (
            <span className="note">ICC needs three attempts digitised twice; these readings are of one movement.</span>
          )}
          <Limits row={shown} used={session.measuredErrors[shown.measures[0].id] !== undefined} />
        </>
      )}
    </section>
  );
}

/** The correlation with its interval; nothing where the readings are of fewer attempts than tell it. */
function iccText({ attempts, agreement: { absolute, interval } }: MeasureAgreement): string {
  if (attempts === null) return '\u2013';
  const [low, high] = interval.map((v) => v.toFixed(2).replace('-', '\u2212'));
  return `${absolute.toFixed(2).replace('-', '\u2212')} (${low} to ${high})`;
}

function Limits({ row, used }: { readonly row: MeasureAgreement; readonly used: boolean }): ReactNode {
  const { limits, unit, measures, pairs, attempts, agreement } = row;
  return (
    <>
      <AgreementChart limits={limits} unit={unit} />
      <span>
        {measures[0].name}: over {pairs} readings{' '}
        {attempts === null ? 'along the movement ' : `of ${attempts} attempts `}
        the first digitising is {inUnit(Math.abs(limits.bias), unit, 1)} {limits.bias < 0 ? 'below' : 'above'} the
        second; 95 of 100 differences lie between {inUnit(limits.lower, unit, 1)} and {inUnit(limits.upper, unit, 1)}.
      </span>
      <Button
        sx={{ justifySelf: 'start' }}
        disabled={!used && agreement.sem === 0}
        onClick={() =>
          takeMeasuredError(
            measures.map((m) => m.id),
            used ? null : agreement.sem,
          )
        }
      >
        {used ? 'Compute its error from the points again' : 'Take this as its measuring error'}
      </Button>
    </>
  );
}
