import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { eventsOf } from '../../../core/model/measure';
import type { Derived } from '../../../application/analysis/derived';
import { FilmingList } from '../../components/filming-list';
import { JudgedSummary } from '../../components/judged-summary';
import { ReadingSheet } from '../../components/reading-sheet';
import { framesOf, goToFrames } from '../../components/go-to-frames';

/** All readings, moment by moment from the ground up. */
export function ReadingsView({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, judged, session } = derived;
  const navigate = useNavigate();
  return (
    <>
      <JudgedSummary judged={judged} />
      <div className="flow">
        {movement.moments.map((moment) => {
          const rows = judged.filter((j) => eventsOf(j.measure)[0] === moment.id);
          if (rows.length === 0) return null;
          return (
            <section key={moment.id} className="card">
              <Typography variant="h2" gutterBottom>
                {moment.name}
              </Typography>
              <ReadingSheet
                rows={rows}
                onChoose={(row) =>
                  goToFrames(navigate, session.id, framesOf(row.athlete, row.reference), row.measure.id)
                }
              />
            </section>
          );
        })}
        <FilmingList derived={derived} />
      </div>
    </>
  );
}
