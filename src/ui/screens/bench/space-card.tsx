import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { degreesApart } from '../../../core/reconstruction/body-views';
import type { Body } from '../../../core/reconstruction/stated-body';
import { COVERAGE_95 } from '../../../core/statistics/normal';
import type { Derived } from '../../../application/analysis/derived';
import { computeAgain, useSpace } from '../../../application/analysis/space';
import { setSpace, useView } from '../../../application/stores/view-store';
import { TEXT } from '../../../text/screens/bench/match';

/** Where the further cameras were found to stand, and how the clocks run. */
function foundText({ cameras }: Body): string {
  const [main, ...others] = cameras;
  return others
    .map((camera) => {
      const [apart, off] = [degreesApart(main!, camera), COVERAGE_95 * camera.azimuthSd];
      const clock = TEXT.offsetCoverage95Ms(
        (1000 * camera.clock.offset).toFixed(1),
        (1000 * COVERAGE_95 * camera.clockSd).toFixed(1),
      );
      return TEXT.apartMaxFromFirstIts(Math.round(apart), Math.max(1, Math.round(off)), clock);
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
    <section className="card" aria-label={TEXT.bodyInSpace} style={{ display: 'grid', gap: 8, fontSize: '.86rem' }}>
      <Typography variant="h3" component="h2">
        {TEXT.bodyInSpace}
      </Typography>
      {all.map(({ id, name, state }) => (
        <div key={id}>
          <strong>{name}:</strong> {state.kind === 'computing' && TEXT.beingComputedFromItsCameras}
          {state.kind === 'ready' && TEXT.secondCameraStandsFoundText(foundText(state.body))}
          {state.kind === 'refused' && state.message}
          {state.kind === 'stopped' && TEXT.notComputed}{' '}
          {(state.kind === 'stopped' || state.kind === 'refused') && (
            <Button size="small" onClick={() => computeAgain(id)}>
              {TEXT.computeIt}
            </Button>
          )}
        </div>
      ))}
      {waiting.map(({ trial: { clip } }) => (
        <div key={clip.id}>
          <strong>{clip.performer.name}:</strong> {TEXT.computedOnceBothCamerasHave}
        </div>
      ))}
      {all.some(({ state }) => state.kind === 'ready') && (
        <>
          <span>{TEXT.whatNoCameraShowsSquare}</span>
          <div>
            <Button variant="outlined" onClick={() => setSpace({ shown: !shown })}>
              {shown ? TEXT.hideBodyInSpace : TEXT.showBodyInSpace}
            </Button>
          </div>
        </>
      )}
    </section>
  );
}
