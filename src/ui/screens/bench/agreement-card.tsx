import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState, type ReactNode } from 'react';
import { prepareTrial } from '../../../core/trial/trial';
import { agreementOf, type DigitisedTwice, type MeasureAgreement } from '../../../core/reliability/digitisings';
import { inUnit, withMinusSign } from '../../../core/units';
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
import { TEXT } from '../../../text/screens/bench/measure';

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
        {TEXT.agreement}
      </Typography>
      {kept.length === 0 && <span>{TEXT.placePointsOfOneClip}</span>}
      {kept.map((d) => (
        <div key={d.id}>
          {TEXT.keptByStampText(d.by, stampText(d.at))}{' '}
          <Button onClick={() => dropDigitising(d.id)}>{TEXT.dropIt}</Button>
        </div>
      ))}
      <div style={{ display: 'flex', gap: 8 }}>
        <TextField
          label={TEXT.digitisedBy}
          value={by}
          onChange={(event) => setBy(event.target.value)}
          sx={{ flex: 1 }}
          slotProps={{ htmlInput: { maxLength: 60 } }}
        />
        <Button variant="outlined" disabled={Object.keys(raw).length === 0} onClick={() => keepDigitising(clip, by)}>
          {TEXT.keepThesePoints}
        </Button>
      </div>
      {kept.length > 0 && (
        <Button sx={{ justifySelf: 'start' }} onClick={() => clearPoints(clip)}>
          {TEXT.startClipNameAgain(clipName(on))}
        </Button>
      )}
      {shown && (
        <>
          <table className="sheet" data-testid="agreement">
            <thead>
              <tr>
                <th>{TEXT.measure}</th>
                <th title={TEXT.intraclassCorrelationOverAttemptsAbsolute}>{TEXT.icc}</th>
                <th title={TEXT.standardErrorOfMeasurement}>{TEXT.sem}</th>
                <th title={TEXT.minimalDetectableChange95}>{TEXT.mdc}</th>
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
                      {session.measuredErrors[row.measures[0].id] !== undefined ? TEXT.usedInBrackets : ''}
                    </button>
                  </td>
                  <td>{iccText(row)}</td>
                  <td>{inUnit(row.agreement.sem, row.unit, 1)}</td>
                  <td>{inUnit(row.agreement.minimalDetectableChange, row.unit, 1)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {shown.attempts === null && <span className="note">{TEXT.iccNeedsThreeAttemptsDigitised}</span>}
          <Limits row={shown} used={session.measuredErrors[shown.measures[0].id] !== undefined} />
        </>
      )}
    </section>
  );
}

/** The correlation with its interval; nothing where the readings are of fewer attempts than tell it. */
function iccText({ attempts, agreement: { absolute, interval } }: MeasureAgreement): string {
  if (attempts === null) return '\u2013';
  const [low, high, value] = [...interval, absolute].map((v) => withMinusSign(v.toFixed(2)));
  return TEXT.valueInInterval(value!, low!, high!);
}

function Limits({ row, used }: { readonly row: MeasureAgreement; readonly used: boolean }): ReactNode {
  const { limits, unit, measures, pairs, attempts, agreement } = row;
  return (
    <>
      <AgreementChart limits={limits} unit={unit} />
      <span>
        {TEXT.limitsOfAgreement(
          measures[0].name,
          pairs,
          attempts === null ? TEXT.alongMovement : TEXT.ofAttempts(attempts),
          inUnit(Math.abs(limits.bias), unit, 1),
          limits.bias < 0 ? TEXT.below : TEXT.above,
          inUnit(limits.lower, unit, 1),
          inUnit(limits.upper, unit, 1),
        )}
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
        {used ? TEXT.computeItsErrorFromPoints : TEXT.takeThisAsItsMeasuring}
      </Button>
    </>
  );
}
