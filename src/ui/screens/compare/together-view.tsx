import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo, useState, type ReactNode } from 'react';
import { seriesMeasures, hasSeries } from '../../../core/comparison/matched-series';
import { LEAST_ALIKE, synchronyWith, SYNCHRONY_TIMES, type Told } from '../../../core/comparison/synchrony';
import { seriesUnitOf } from '../../../core/measures';
import { COVERAGE_95 } from '../../../core/statistics/normal';
import { DISPLAY_UNITS, fromSi, inUnit, type DisplayUnit } from '../../../core/units';
import { CurveStrip } from '../../charts/curve-strip';
import type { Derived } from '../../../application/analysis/derived';
import { plusMinus, signedMilliseconds } from '../../components/format';
import { RoleName } from '../../components/role-name';
import { TEXT } from '../../../text/screens/compare';

const Within = ({ told, unit }: { readonly told: Told; readonly unit: DisplayUnit }): ReactNode => (
  <span className="pm">{plusMinus(COVERAGE_95 * told.sd, unit)}</span>
);

const Time = ({ told }: { readonly told: Told | null }): ReactNode =>
  told ? (
    <>
      {signedMilliseconds(told.value)} <Within told={told} unit="ms" />
    </>
  ) : (
    '–'
  );

/** The part of the axis on which something is known, seconds from the common moment. */
function knownSpan(curves: readonly Float64Array[]): [number, number] {
  const at = curves
    .flatMap((curve) => [curve.findIndex((v) => !Number.isNaN(v)), curve.findLastIndex((v) => !Number.isNaN(v))])
    .filter((i) => i >= 0);
  return [SYNCHRONY_TIMES[Math.min(...at)]!, SYNCHRONY_TIMES[Math.max(...at)]!];
}

/** Several performers in the same time, beside each other: who is ahead, and how alike they move. */
export function TogetherView({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, clips } = derived;
  const mains = clips.filter((c) => !c.join);
  const [measureId, setMeasureId] = useState<string | null>(null);
  const [at, setAt] = useState(movement.moments[0]!.id);
  const [leadId, setLeadId] = useState<string | null>(null);
  const lead = mains.find((c) => c.trial.clip.id === leadId) ?? mains[0];
  const measures = useMemo(
    () => seriesMeasures(movement).filter((m) => lead && hasSeries(m, lead.trial)),
    [movement, lead],
  );
  const measure = measures.find((m) => m.id === measureId) ?? measures[0];
  const { rows, drawn } = useMemo(() => {
    if (!lead || !measure) return { rows: [], drawn: [] };
    const others = mains.filter((c) => c !== lead);
    const found = synchronyWith(
      measure,
      lead.trial,
      others.map(({ trial }) => trial),
      at,
    );
    const curves = [found.lead, ...found.others.map(({ values }) => values)];
    const drawn = [lead, ...others].flatMap(({ styleKey }, k) => {
      const curve = curves[k];
      return curve?.some((v) => !Number.isNaN(v)) ? [{ styleKey, curve }] : [];
    });
    const rows = others.map((clip, k) => ({ clip, found: found.others[k]!.synchrony }));
    return { rows, drawn };
  }, [lead, measure, at, mains]);
  if (mains.length < 2 || !lead) return <p>{TEXT.addFurtherClipsAtIntake}</p>;
  if (!measure) return <p>{TEXT.noCurveIsKnownYet}</p>;
  const unit = seriesUnitOf(measure);
  return (
    <section className="card">
      <div className="row-of-fields">
        <TextField
          select
          size="small"
          label={TEXT.measure}
          value={measure.id}
          onChange={(event) => setMeasureId(event.target.value)}
          sx={{ minWidth: 220 }}
        >
          {measures.map((m) => (
            <MenuItem key={m.id} value={m.id}>
              {m.name}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          size="small"
          label={TEXT.alignedAt}
          value={at}
          onChange={(event) => setAt(event.target.value)}
          sx={{ minWidth: 170 }}
        >
          {movement.moments.map((m) => (
            <MenuItem key={m.id} value={m.id}>
              {m.name}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          size="small"
          label={TEXT.against}
          value={lead.trial.clip.id}
          onChange={(event) => setLeadId(event.target.value)}
          sx={{ minWidth: 170 }}
        >
          {mains.map((c) => (
            <MenuItem key={c.id} value={c.trial.clip.id}>
              {c.trial.clip.performer.name}
            </MenuItem>
          ))}
        </TextField>
      </div>
      {drawn.length > 0 && (
        <CurveStrip
          title={TEXT.nameInRealTime(measure.name)}
          unit={DISPLAY_UNITS[unit].suffix}
          curves={drawn.map(({ styleKey, curve }) => ({
            role: styleKey,
            times: Array.from(SYNCHRONY_TIMES),
            values: Array.from(curve, (v) => fromSi(v, unit)),
          }))}
          domain={knownSpan(drawn.map((d) => d.curve))}
          moments={[{ name: movement.moments.find((m) => m.id === at)!.name, at: 0 }]}
          playhead={0}
          height={190}
          seconds
          onScrub={() => undefined}
        />
      )}
      <table className="sheet">
        <thead>
          <tr>
            <th>{TEXT.performer}</th>
            <th>{TEXT.lagBehind}</th>
            <th>{TEXT.correlationOfCurves}</th>
            <th>{TEXT.remainingDifference}</th>
            <th>{TEXT.onsetLaterBy}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ clip, found }) => (
            <tr key={clip.id}>
              <td>
                <RoleName role={clip.styleKey} name={clip.trial.clip.performer.name} />
              </td>
              {found ? (
                <>
                  <td>
                    <Time told={found.lag} />
                  </td>
                  <td>
                    {found.correlation.value.toFixed(2)}{' '}
                    <span className="pm">±{Math.max(0.01, COVERAGE_95 * found.correlation.sd).toFixed(2)}</span>
                  </td>
                  <td>
                    {inUnit(found.difference.value, unit, 1)} <Within told={found.difference} unit={unit} />
                  </td>
                  <td>
                    <Time told={found.onset} />
                  </td>
                </>
              ) : (
                <td colSpan={4} className="left">
                  {TEXT.momentOrPointsAreMissing}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="note">
        {TEXT.inRealTimeAllAligned(
          movement.moments.find((m) => m.id === at)!.name.toLowerCase(),
          lead.trial.clip.performer.name,
          LEAST_ALIKE,
        )}
      </p>
    </section>
  );
}
