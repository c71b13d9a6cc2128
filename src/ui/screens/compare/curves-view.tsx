import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { seriesMeasures, frameAtSample, SAMPLES, type MatchedSeries } from '../../../core/comparison/matched-series';
import { viewOf } from '../../../core/comparison/side';
import { seriesUnitOf } from '../../../core/measures';
import type { Measure } from '../../../core/model/measure';
import type { Derived } from '../../../application/analysis/derived';
import { useView, setView } from '../../../application/stores/view-store';
import { ComparedCurve, comparedSeriesOf } from '../../components/compared-curve';
import { signed } from '../../components/format';
import { goToFrames } from '../../components/go-to-frames';
import { TEXT } from '../../../text/screens/compare';

interface Drawn {
  readonly measure: Measure;
  readonly curves: MatchedSeries;
}

/** Curves of any measure in matched time, with the range, the difference and the stretches outside it. */
export function CurvesView({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, sides, session } = derived;
  const { measuredErrors } = session;
  const navigate = useNavigate();
  const selected = useView((state) => state.selectedMeasure);
  const [region, setRegion] = useState<string>('all');
  const drawn = useMemo(
    () =>
      seriesMeasures(movement).flatMap((measure): Drawn[] => {
        const curves = comparedSeriesOf({ movement, sides, session: { measuredErrors } }, measure);
        return curves && curves.difference.some((v) => !Number.isNaN(v)) ? [{ measure, curves }] : [];
      }),
    [movement, sides, measuredErrors],
  );
  if (drawn.length === 0) return <p>{TEXT.curvesStandHereOnceTwo}</p>;
  const span = ({ curves }: Drawn): number =>
    curves.longest ? curves.at[curves.longest.to]! - curves.at[curves.longest.from]! : 0;
  const ranked = [...drawn].sort((a, b) => span(b) - span(a));
  const chosen = drawn.find((d) => d.measure.id === selected) ?? ranked[0]!;
  const { measure, curves } = chosen;
  const goTo = (sample: number): void => {
    const own = viewOf(measure, sides.athlete[0]!);
    const other = viewOf(measure, sides.referenceOf(measure)[0]!);
    goToFrames(
      navigate,
      session.id,
      {
        [own.clip.id]: frameAtSample(own, curves.through, sample),
        [other.clip.id]: frameAtSample(other, curves.through, sample),
      },
      measure.id,
    );
  };
  const regions = [...new Set(drawn.map((d) => d.measure.region))];
  return (
    <>
      <section className="card">
        <div className="row-of-fields">
          <TextField
            select
            size="small"
            label={TEXT.measure}
            value={measure.id}
            onChange={(event) => setView({ selectedMeasure: event.target.value })}
            sx={{ minWidth: 260 }}
          >
            {drawn.map((d) => (
              <MenuItem key={d.measure.id} value={d.measure.id}>
                {d.measure.name}
              </MenuItem>
            ))}
          </TextField>
          <span className="note">
            {curves.half && curves.plusMinus === null
              ? TEXT.bandWithoutError(
                  curves.bandOf === 'performers'
                    ? TEXT.greyRangeInWhichWhole
                    : curves.bandOf === 'tolerance'
                      ? TEXT.greyTargetsToleranceRoundReference
                      : TEXT.nothingGivesRangeForThis,
                )
              : TEXT.bandPressChart(
                  curves.bandOf === 'performers'
                    ? TEXT.greyRangeInWhichWhole
                    : curves.bandOf === 'tolerance'
                      ? TEXT.greyTargetsToleranceRoundReference
                      : TEXT.nothingGivesRangeForThis,
                )}
          </span>
        </div>
        <ComparedCurve movement={movement} measure={measure} curves={curves} onChoose={goTo} />
      </section>
      <section className="card" style={{ marginTop: 12 }}>
        <div className="row-of-fields">
          <Typography variant="h2">{TEXT.longestStretchesOutsideRange}</Typography>
          <TextField
            select
            size="small"
            label={TEXT.region}
            value={region}
            onChange={(event) => setRegion(event.target.value)}
            sx={{ minWidth: 120 }}
          >
            <MenuItem value="all">{TEXT.all}</MenuItem>
            {regions.map((r) => (
              <MenuItem key={r} value={r}>
                {r}
              </MenuItem>
            ))}
          </TextField>
        </div>
        <table className="sheet">
          <thead>
            <tr>
              <th>{TEXT.measure}</th>
              <th className="left">{TEXT.whereItIsWorst}</th>
              <th>{TEXT.stretch}</th>
              <th>{TEXT.beyondRange}</th>
            </tr>
          </thead>
          <tbody>
            {ranked
              .filter((d) => d.curves.longest && (region === 'all' || d.measure.region === region))
              .map((d) => {
                const { longest, at, through } = d.curves;
                const phase = Math.min(through.length - 2, Math.floor(longest!.worst / SAMPLES));
                const share = Math.round((100 * (longest!.worst - phase * SAMPLES)) / SAMPLES);
                return (
                  <tr
                    key={d.measure.id}
                    className={`choose ${d === chosen ? 'chosen' : ''}`}
                    onClick={() => setView({ selectedMeasure: d.measure.id })}
                  >
                    <td className="wrap">
                      <button type="button" className="row">
                        {d.measure.name}
                      </button>
                    </td>
                    <td className="left wrap">
                      {TEXT.shareOfName(
                        share,
                        movement.phases.find((p) => p.from === through[phase])?.name.toLowerCase() ?? TEXT.phase,
                      )}
                    </td>
                    <td>{TEXT.atOfMovement(Math.round(100 * (at[longest!.to]! - at[longest!.from]!)))}</td>
                    <td>{signed(longest!.excess, seriesUnitOf(d.measure))}</td>
                  </tr>
                );
              })}
          </tbody>
        </table>
        {ranked.every((d) => !d.curves.longest) && <p>{TEXT.noCurveLeavesItsRange}</p>}
      </section>
    </>
  );
}
