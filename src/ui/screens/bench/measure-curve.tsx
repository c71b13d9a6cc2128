import { useMemo, type ReactNode } from 'react';
import { hasSeries } from '../../../core/comparison/matched-series';
import { seriesOfMeasure, seriesUnitOf, seriesOf } from '../../../core/measures';
import type { Measure } from '../../../core/model/measure';
import { nearestFrame, timeAtFrame } from '../../../core/timing/clip-time';
import { momentTimes } from '../../../core/trial/moments';
import { matchedMap } from '../../../core/timing/time-map';
import { DISPLAY_UNITS, fromSi } from '../../../core/units';
import { CurveStrip, type CurveStripProps } from '../../../stage/curve-strip';
import { player } from '../../../state/bench-player';
import type { Derived } from '../../../state/derived';
import { useView } from '../../../state/view-store';

/** Seconds shown before the first and after the last moment. */
const AROUND = 0.12;

/** The chosen measure as a curve of both performers, in matched time. */
export function MeasureCurve({ derived }: { readonly derived: Derived }): ReactNode {
  const { athlete, reference, movement } = derived;
  const selected = useView((state) => state.selectedMeasure);
  const shown = useView((state) => (athlete ? state.shown[athlete.clip.id] : undefined) ?? 0);
  const usual = useMemo(() => {
    const known = movement.measures.filter(
      (m) => athlete && reference && hasSeries(m, athlete) && hasSeries(m, reference),
    );
    return known.reduce<Measure | null>(
      (best, m) => (best === null || m.importance > best.importance ? m : best),
      null,
    );
  }, [athlete, reference, movement]);
  const measure = movement.measures.find((m) => m.id === selected && seriesOf(m)) ?? usual;
  const data = useMemo(() => {
    if (!athlete || !reference || !measure || athlete.clip.pictures || reference.clip.pictures) return null;
    const map = matchedMap(
      movement.moments.map((m) => m.id),
      momentTimes(athlete),
      momentTimes(reference),
    );
    if (!map.ok) return null;
    const unit = seriesUnitOf(measure);
    const display = (curve: Float64Array | null): number[] => Array.from(curve ?? [], (v) => fromSi(v, unit));
    const curves: CurveStripProps['curves'] = [
      {
        role: 'reference',
        times: Array.from(reference.times, (t) => map.value.inverse(t)),
        values: display(seriesOfMeasure(measure, reference)),
      },
      { role: 'athlete', times: [...athlete.times], values: display(seriesOfMeasure(measure, athlete)) },
    ];
    const marks = Object.values(momentTimes(athlete));
    return { curves, domain: [Math.min(...marks) - AROUND, Math.max(...marks) + AROUND] as const };
  }, [athlete, reference, movement, measure]);
  if (!athlete || !data || !measure) return <div />;
  return (
    <CurveStrip
      title={`${measure.name} through the movement, in matched time`}
      unit={DISPLAY_UNITS[seriesUnitOf(measure)].suffix}
      curves={data.curves}
      domain={data.domain}
      moments={movement.moments.flatMap((m) =>
        athlete.marks[m.id] === undefined
          ? []
          : [{ name: m.name, at: timeAtFrame(athlete.times, athlete.marks[m.id]!) }],
      )}
      playhead={timeAtFrame(athlete.times, shown)}
      height={104}
      onScrub={(at) => player.goTo(athlete.clip.id, nearestFrame(athlete.times, at))}
    />
  );
}
