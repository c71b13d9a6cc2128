import type { ReactNode } from 'react';
import { matchedSeries, SAMPLES, type MatchedSeries } from '../../core/comparison/matched-series';
import { seriesUnitOf } from '../../core/measures';
import type { Measure } from '../../core/model/measure';
import type { Movement } from '../../core/model/movement';
import { DISPLAY_UNITS, fromSi } from '../../core/units';
import { MatchedChart } from '../charts/matched-chart';
import type { Derived } from '../../application/analysis/derived';
import { TEXT } from '../../text/components/common';

/** The curves of a measure on both sides, or null where there are none. */
export const comparedSeriesOf = (
  derived: Pick<Derived, 'movement' | 'sides'> & { readonly session: Pick<Derived['session'], 'measuredErrors'> },
  measure: Measure,
): MatchedSeries | null =>
  matchedSeries(
    derived.movement,
    measure,
    derived.sides.athlete,
    derived.sides.referenceOf(measure),
    derived.session.measuredErrors,
  );

/** The name of the phase that follows the k-th of the moments that both sides have. */
export function phaseNameOf(movement: Movement, through: readonly string[], k: number): string {
  const [from, to] = [through[k]!, through[k + 1]!];
  const name = (id: string): string => movement.moments.find((m) => m.id === id)!.name;
  return (
    movement.phases.find((p) => p.from === from && p.to === to)?.name ??
    TEXT.nameToName2(name(from), name(to).toLowerCase())
  );
}

interface ComparedCurveProps {
  readonly movement: Movement;
  readonly measure: Measure;
  readonly curves: MatchedSeries;
  readonly onChoose: (sample: number) => void;
}

/** A measure of both sides in matched time, with the range, the difference and the stretches outside. */
export function ComparedCurve({ movement, measure, curves, onChoose }: ComparedCurveProps): ReactNode {
  const unit = seriesUnitOf(measure);
  const shown = (values: Float64Array): number[] => Array.from(values, (v) => fromSi(v, unit));
  return (
    <MatchedChart
      title={measure.name}
      unit={DISPLAY_UNITS[unit].suffix}
      at={curves.at}
      curves={[
        ...(curves.members.length > 1
          ? curves.members.map((values) => ({ styleKey: 'reference' as const, values: shown(values), faint: true }))
          : []),
        { styleKey: 'reference' as const, values: shown(curves.reference) },
        { styleKey: 'athlete' as const, values: shown(curves.athlete) },
      ]}
      band={
        curves.half && {
          low: shown(curves.reference.map((v, i) => v - curves.half![i]!)),
          high: shown(curves.reference.map((v, i) => v + curves.half![i]!)),
        }
      }
      difference={shown(curves.difference)}
      half={curves.half && shown(curves.half)}
      error={curves.plusMinus && shown(curves.plusMinus)}
      stretches={curves.stretches.map((s) => ({ from: s.from, to: s.to, longest: s === curves.longest }))}
      phases={curves.through.slice(1).map((_, k) => ({
        name: phaseNameOf(movement, curves.through, k),
        from: curves.at[k * SAMPLES]!,
        to: curves.at[(k + 1) * SAMPLES]!,
      }))}
      onChoose={onChoose}
    />
  );
}
