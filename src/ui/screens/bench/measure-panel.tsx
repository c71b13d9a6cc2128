import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { eventsOf } from '../../../core/model/measure';
import { player } from '../../../application/bench/bench-player';
import type { Derived } from '../../../application/analysis/derived';
import { setView, useView } from '../../../application/stores/view-store';
import { AgreementCard } from './agreement-card';
import { PointsCard } from './points-card';
import { SmoothingCard } from './smoothing-card';
import { ReadingSheet } from '../../components/reading-sheet';
import { TEXT } from '../../../text/screens/bench/measure';

interface MeasurePanelProps {
  readonly derived: Derived;
  readonly currentEvent: string | null;
}

/** The reading sheet of the current moment; below it, finding and correcting points. */
export function MeasurePanel({ derived, currentEvent }: MeasurePanelProps): ReactNode {
  const { movement, judged } = derived;
  const moment = currentEvent ?? movement.moments[0]!.id;
  const rows = judged.filter((j) => eventsOf(j.measure)[0] === moment);
  const name = movement.moments.find((m) => m.id === moment)!.name;
  const unmarked = [derived.athlete, derived.reference].every((p) => p === null || Object.keys(p.marks).length === 0);
  return (
    <>
      <Typography variant="h2">{name}</Typography>
      {judged.length === 0 ? (
        <p>
          {TEXT.readingsOfBothPerformersStand} <a href="/demo">{TEXT.openDemo}</a> {TEXT.toSeeThem}
        </p>
      ) : rows.length === 0 && unmarked ? (
        <p>{TEXT.noMomentIsMarkedYet}</p>
      ) : (
        <ReadingSheet
          rows={rows}
          onChoose={(row) => {
            const selected = useView.getState().selectedMeasure === row.measure.id ? null : row.measure.id;
            setView({ selectedMeasure: selected });
            const frame = row.athlete.measurable ? row.athlete.provenance.frames[0]! : derived.athlete?.marks[moment];
            const clipId = row.athlete.measurable ? row.athlete.provenance.clipId : derived.athlete?.clip.id;
            if (selected && clipId && frame !== undefined) player.goTo(clipId, Math.round(frame));
          }}
        />
      )}
      <PointsCard derived={derived} />
      <SmoothingCard derived={derived} />
      <AgreementCard derived={derived} />
    </>
  );
}
