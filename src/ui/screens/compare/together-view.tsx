import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo, useState, type ReactNode } from 'react';
import { congruenceOf, onsetOf } from '../../../core/comparison/congruence';
import { seriesMeasures, hasSeries } from '../../../core/comparison/matched-series';
import { seriesOfMeasure, seriesUnitOf } from '../../../core/measures';
import type { Trial } from '../../../core/trial/trial';
import { interpolateLinear } from '../../../core/signal/resample';
import { timeAtFrame } from '../../../core/timing/clip-time';
import { DISPLAY_UNITS, fromSi, inUnit } from '../../../core/units';
import { CurveStrip } from '../../charts/curve-strip';
import type { Derived } from '../../../application/analysis/derived';
import { signedMilliseconds } from '../../components/format';
import { RoleName } from '../../components/role-name';
import { TEXT } from '../../text/screens/compare';

/** Samples a second on which curves are laid beside each other. */
const RATE = 200;
/** Largest lag that is looked for, seconds. */
const MOST_LAG = 0.3;

/** The part of the axis on which something is known, seconds from the common moment. */
function knownSpan(curves: readonly Float64Array[]): [number, number] {
  const at = curves
    .flatMap((curve) => [curve.findIndex((v) => !Number.isNaN(v)), curve.findLastIndex((v) => !Number.isNaN(v))])
    .filter((i) => i >= 0);
  return [Math.min(...at) / RATE - 2, Math.max(...at) / RATE - 2];
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
    // Real time before and after the moment at which all are together.
    const curve = (p: Trial): Float64Array | null => {
      // People in one picture have one clock.
      const samePicture = p.clip.mediaId !== null && p.clip.mediaId === lead.trial.clip.mediaId;
      const mark = (samePicture ? lead.trial : p).marks[at];
      const values = seriesOfMeasure(measure, p);
      if (mark === undefined || !values) return null;
      const zero = timeAtFrame(p.times, mark);
      return Float64Array.from({ length: 4 * RATE + 1 }, (_, i) =>
        interpolateLinear(p.times, values, zero - 2 + i / RATE),
      );
    };
    const first = curve(lead.trial);
    const others = mains.filter((c) => c !== lead).map((clip) => ({ clip, other: curve(clip.trial) }));
    const drawn = [{ clip: lead, other: first }, ...others].flatMap(({ clip, other }) =>
      other?.some((v) => !Number.isNaN(v)) ? [{ styleKey: clip.styleKey, curve: other }] : [],
    );
    const rows = others.map(({ clip: c, other }) => {
      const both = first && other;
      const onsets = both ? [onsetOf(first, 1 / RATE), onsetOf(other, 1 / RATE)] : [null, null];
      return {
        clip: c,
        found: both ? congruenceOf(first, other, 1 / RATE, MOST_LAG) : null,
        onset: onsets[0] !== null && onsets[1] !== null ? onsets[1]! - onsets[0]! : null,
      };
    });
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
            times: Array.from(curve, (_, i) => i / RATE - 2),
            values: Array.from(curve, (v) => fromSi(v, unit)),
          }))}
          domain={knownSpan(drawn.map((d) => d.curve))}
          moments={[{ name: movement.moments.find((m) => m.id === at)!.name, at: 0 }]}
          playhead={0}
          height={190}
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
          {rows.map(({ clip, found, onset }) => (
            <tr key={clip.id}>
              <td>
                <RoleName role={clip.styleKey} name={clip.trial.clip.performer.name} />
              </td>
              {found ? (
                <>
                  <td>{signedMilliseconds(found.lag)}</td>
                  <td>{found.correlation.toFixed(2)}</td>
                  <td>{inUnit(found.difference, seriesUnitOf(measure), 1)}</td>
                </>
              ) : (
                <td colSpan={3} className="left">
                  {TEXT.momentOrPointsAreMissing}
                </td>
              )}
              <td>{onset === null ? '–' : signedMilliseconds(onset)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="note">
        {TEXT.inRealTimeAllAligned(
          movement.moments.find((m) => m.id === at)!.name.toLowerCase(),
          lead.trial.clip.performer.name,
        )}
      </p>
    </section>
  );
}
