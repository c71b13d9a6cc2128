import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { momentsOf } from '../../../core/model/movement';
import { useDerived } from '../../../state/derived';
import { setView, useView } from '../../../state/view-store';
import { ReadingSheet } from '../../components/reading-sheet';
import { SessionFrame } from '../../components/session-frame';
import { TimingTable } from '../../components/timing-table';

/** All readings, moment by moment from the ground up, and the timing of every phase. */
export function CompareScreen(): ReactNode {
  const derived = useDerived();
  const navigate = useNavigate();
  const { movement, judged, session } = derived;
  return (
    <SessionFrame step="compare">
      <main className="page">
        <div className="inner">
          <Typography variant="h1" gutterBottom>Differences</Typography>
          {judged.length === 0 && <p>Differences stand here once both clips are in. Add them at Intake, or open the demo from the start page.</p>}
          <div className="flow">
            {movement.moments.map((moment) => {
              const rows = judged.filter((j) => momentsOf(j.measure)[0] === moment.id);
              if (rows.length === 0) return null;
              return (
                <section key={moment.id} className="card">
                  <Typography variant="h2" gutterBottom>{moment.name}</Typography>
                  <ReadingSheet
                    rows={rows}
                    onChoose={(row) => {
                      const shown: Record<string, number> = { ...useView.getState().shown };
                      for (const reading of [row.athlete, row.reference]) {
                        if (reading.measurable) shown[reading.provenance.clipId] = Math.round(reading.provenance.frames[0]!);
                      }
                      setView({ selectedMeasure: row.measure.id, shown });
                      void navigate(`/s/${session.id}/measure`);
                    }}
                  />
                </section>
              );
            })}
            <section className="card">
              <Typography variant="h2" gutterBottom>Timing</Typography>
              <TimingTable rows={derived.timing} athlete={derived.athlete?.clip} reference={derived.reference?.clip} />
            </section>
          </div>
        </div>
      </main>
    </SessionFrame>
  );
}
