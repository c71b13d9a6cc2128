import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { degreesApart } from '../../../core/reconstruction/body-views';
import type { Body } from '../../../core/reconstruction/reconstruct';
import { COVERAGE_95 } from '../../../core/statistics/normal';
import type { Derived } from '../../../application/analysis/derived';
import { computeAgain, useSpace } from '../../../application/analysis/space';
import { setSpace, useView } from '../../../application/stores/view-store';

/** Where the further cameras were found to stand, and how the clocks run. */
function foundText({ cameras }: Body): string {
  const [main, ...others] = cameras;
  return others
    .map((camera) => {
      const [apart, off] = [degreesApart(main!, camera), COVERAGE_95 * camera.azimuthSd];
      const clock = `${(1000 * camera.clock.offset).toFixed(1)} \u00b1${(1000 * COVERAGE_95 * camera.clockSd).toFixed(1)} ms`;
      return (
        `${Math.round(apart)}\u00b0 \u00b1${Math.max(1, Math.round(off))}\u00b0 from the first, its clock ${clock} ` +
        'from where it was joined'
      );
    })
    .join('; ');
}

/** How far the bodies in space are, of every performance that several cameras saw. */
export function SpaceCard({ derived }: { readonly derived: Derived }): ReactNode {
  const states = useSpace((state) => state.states);
  const shown = useView((state) => state.space.shown);
  const all = derived.clips.flatMap((on) => {
    const state = on.join === null ? states.get(on.trial.clip.id) : undefined;
    return state ? [{ id: on.trial.clip.id, name: on.trial.clip.performer.name, state }] : [];
  });
  const waiting = derived.clips.filter(
    ({ join, trial }) =>
      join === null &&
      !states.has(trial.clip.id) &&
      derived.clips.some((other) => other.join?.mainId === trial.clip.id),
  );
  if (all.length + waiting.length === 0) return null;
  return (
    <section className="card" aria-label="Body in space" style={{ display: 'grid', gap: 8, fontSize: '.86rem' }}>
      <Typography variant="h3" component="h2">
        Body in space
      </Typography>
      {all.map(({ id, name, state }) => (
        <div key={id}>
          <strong>{name}:</strong> {state.kind === 'computing' && 'being computed from its cameras.'}
          {state.kind === 'ready' && `the second camera stands ${foundText(state.body)}.`}
          {state.kind === 'refused' && state.message}
          {state.kind === 'stopped' && 'not computed.'}{' '}
          {(state.kind === 'stopped' || state.kind === 'refused') && (
            <Button size="small" onClick={() => computeAgain(id)}>
              Compute it
            </Button>
          )}
        </div>
      ))}
      {waiting.map(({ trial: { clip } }) => (
        <div key={clip.id}>
          <strong>{clip.performer.name}:</strong> computed once both cameras have points and are joined at one instant.
        </div>
      ))}
      {all.some(({ state }) => state.kind === 'ready') && (
        <>
          <span>
            What no camera shows square, such as hips against shoulders, is measured in space. Errors are those of the
            points, the cameras and the clocks together.
          </span>
          <div>
            <Button variant="outlined" onClick={() => setSpace({ shown: !shown })}>
              {shown ? 'Hide the body in space' : 'Show the body in space'}
            </Button>
          </div>
        </>
      )}
    </section>
  );
}
