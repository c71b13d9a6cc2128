import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { filmedWell, filmingRequests } from '../../core/judgement/filming';
import type { Derived } from '../../application/analysis/derived';
import { CameraPlanner } from './camera-planner';
import { plannedOn } from '../../application/season/camera-plan-use-cases';
import { TEXT } from '../../text/components/planning';

/** What to film better next time, each with what it would make measurable, and where the camera stands then. */
export function FilmingList({ derived }: { readonly derived: Derived }): ReactNode {
  const requests = filmingRequests(derived.judged, derived.athlete, derived.reference);
  const well = filmedWell(derived.judged, requests);
  if (requests.length === 0 && !plannedOn(derived)) return null;
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.filmNextTime}
      </Typography>
      {requests.length === 0 ? (
        well && <p style={{ margin: 0 }}>{well}</p>
      ) : (
        <ul style={{ margin: 0, paddingLeft: 18 }}>
          {requests.map((r) => (
            <li key={r.request}>
              <strong>{r.request}</strong> {r.because}
              {r.measures.length > 0 ? ` (${r.measures.join(', ')})` : ''}.
            </li>
          ))}
        </ul>
      )}
      <div style={{ marginTop: 10 }}>
        <CameraPlanner derived={derived} />
      </div>
    </section>
  );
}
