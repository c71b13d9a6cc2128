import { useMemo, type ReactNode } from 'react';
import { hasSeries } from '../../../core/comparison/matched-series';
import { viewOf } from '../../../core/comparison/side';
import { seriesOfMeasure, seriesUnitOf, seriesOf } from '../../../core/measures';
import type { Measure } from '../../../core/model/measure';
import type { Movement } from '../../../core/model/movement';
import { nearestFrame, timeAtFrame } from '../../../core/timing/clip-time';
import { eventTimes } from '../../../core/trial/key-events';
import type { Trial } from '../../../core/trial/trial';
import { matchedMap } from '../../../core/timing/time-map';
import { DISPLAY_UNITS, fromSi } from '../../../core/units';
import { CurveStrip, type CurveStripProps } from '../../charts/curve-strip';
import { player } from '../../../application/bench/bench-player';
import type { Derived, Sides } from '../../../application/analysis/derived';
import { useView } from '../../../application/stores/view-store';
import { TEXT } from '../../../text/screens/bench/measure';

/** Seconds shown before the first and after the last moment. */
const AROUND = 0.12;

interface CurveOf {
  readonly measure: Measure | null;
  readonly athlete: Trial | null;
  readonly reference: Trial | null;
}

/** A measure with the views of both sides from which it is read; its views are null where one does not show it. */
function seenBy(measure: Measure, { athlete, referenceOf }: Sides): CurveOf {
  const [own, other] = [athlete[0], referenceOf(measure)[0]].map((views) => (views ? viewOf(measure, views) : null));
  const shows = own && other && hasSeries(measure, own) && hasSeries(measure, other);
  return shows ? { measure, athlete: own, reference: other } : { measure, athlete: null, reference: null };
}

/** The measure that is chosen, else the most important one that is a curve. */
function curveOf(movement: Movement, sides: Sides, selected: string | null): CurveOf {
  const chosen = movement.measures.find((m) => m.id === selected && seriesOf(m));
  if (chosen) return seenBy(chosen, sides);
  const known = movement.measures.map((m) => seenBy(m, sides)).filter((curve) => curve.athlete !== null);
  return known.reduce<CurveOf>(
    (best, curve) => (best.measure && best.measure.importance >= curve.measure!.importance ? best : curve),
    { measure: null, athlete: null, reference: null },
  );
}

/** The chosen measure as a curve of both performers, in matched time. */
export function MeasureCurve({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, sides } = derived;
  const selected = useView((state) => state.selectedMeasure);
  const { measure, athlete, reference } = useMemo(
    () => curveOf(movement, sides, selected),
    [movement, sides, selected],
  );
  const shown = useView((state) => (athlete ? state.shown[athlete.clip.id] : undefined) ?? 0);
  const data = useMemo(() => {
    if (!athlete || !reference || !measure) return null;
    const map = matchedMap(movement.moments, eventTimes(athlete), eventTimes(reference));
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
    const marks = Object.values(eventTimes(athlete));
    return { curves, domain: [Math.min(...marks) - AROUND, Math.max(...marks) + AROUND] as const };
  }, [athlete, reference, movement, measure]);
  if (!athlete || !data || !measure) return <div />;
  return (
    <CurveStrip
      title={TEXT.nameThroughMovementInMatched(measure.name)}
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
