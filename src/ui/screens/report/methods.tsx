import type { ReactNode } from 'react';
import { cameraOffPlane } from '../../../core/calibration/view';
import { COVERAGE_95 } from '../../../core/statistics/normal';
import { pointName } from '../../../core/anatomy/body-points';
import { originName, type OriginName } from '../../../core/tracks/track';
import type { Trial } from '../../../core/trial/trial';
import { degreesApart } from '../../../core/reconstruction/body-views';
import type { BenchClip } from '../../../application/bench/bench-clips';
import type { Derived } from '../../../application/analysis/derived';
import { clipName, VIEW_NAMES } from '../../components/clip-name';
import { ratesInWords } from '../../components/format';

const ORIGIN_TEXT: Readonly<Partial<Record<OriginName, string>>> = {
  hand: 'by hand',
  filled: 'interpolated between detected frames',
  interpolated: 'interpolated between hand-placed frames',
};

/** What corrections by hand were carried to the other frames. */
function carriedText({ learned }: Trial): string {
  const joints = [...(learned?.values() ?? [])].map(({ id, corrected }) => `${pointName(id)} (${corrected.length})`);
  return joints.length === 0 ? '' : `; corrections carried to the other frames: ${joints.join(', ')}`;
}

/** Where a trial's points come from, the commonest first. */
function originsText({ raw }: Trial): string {
  const counts = new Map<OriginName, number>();
  for (const series of Object.values(raw))
    for (const code of series!.origin) {
      const name = originName(code);
      if (name !== 'missing') counts.set(name, (counts.get(name) ?? 0) + 1);
    }
  const all = [...counts.values()].reduce((sum, n) => sum + n, 0);
  return [...counts]
    .sort((a, b) => b[1] - a[1])
    .map(([name, n]) => `${Math.max(1, Math.round((100 * n) / all))} % ${ORIGIN_TEXT[name] ?? name}`)
    .join(', ');
}

function cameraText(on: BenchClip): string {
  const { clip, interval } = on.trial;
  const { angle, sd } = cameraOffPlane(clip);
  const degrees = 180 / Math.PI;
  const view = `${VIEW_NAMES[clip.view.kind]} view`;
  const off =
    clip.view.kind === 'side'
      ? `, ${Math.round(Math.abs(angle) * degrees)}\u00b0 \u00b1${Math.round(COVERAGE_95 * sd * degrees)}\u00b0 ` +
        'off the plane'
      : '';
  const time = clip.pictures
    ? `${clip.frameTimes.length} still pictures`
    : `${clip.frameTimes.length} frames, ` +
      (clip.rateChanges.length > 0 ? ratesInWords(clip) : `${(1000 * interval).toFixed(1)} ms apart`);
  const { heightMetres } = clip.performer;
  const scale = clip.scale
    ? `, ${clip.scale.metres} m are ${Math.round(clip.scale.pixels)} pixels`
    : heightMetres !== undefined
      ? `, scale by the stated standing height of ${heightMetres} m`
      : ', no length in metres';
  return (
    `${view}${off}; ${clip.width} \u00d7 ${clip.height}, ${time}${scale}; ` +
    `${originsText(on.trial) || 'no points'}${carriedText(on.trial)}`
  );
}

/** What another laboratory would have to know to measure the same. */
export function Methods({ derived }: { readonly derived: Derived }): ReactNode {
  const { session, movement, clips, bodies } = derived;
  return (
    <section data-testid="methods">
      <h2>Methods</h2>
      <ul>
        <li>
          Movement \u201c{movement.name}\u201d ({movement.id}
          {session.ownMovement ? ', as changed in this session' : ', as it ships with the application'}); application{' '}
          {__VERSION__}.
        </li>
        {clips.map((on) => (
          <li key={on.trial.clip.id}>
            {on.trial.clip.performer.name}, {clipName(on)}: {cameraText(on)}.
          </li>
        ))}
        {[...bodies].map(([id, { cameras, misfit }]) => (
          <li key={id}>
            Body in space of {clips.find((c) => c.trial.clip.id === id)?.trial.clip.performer.name} by bundle adjustment
            without calibration: {cameras.length} cameras,{' '}
            {cameras
              .slice(1)
              .map(
                (c) =>
                  `${Math.round(degreesApart(cameras[0]!, c))}\u00b0 ` +
                  `\u00b1${Math.ceil(COVERAGE_95 * c.azimuthSd)}\u00b0`,
              )
              .join(', ')}{' '}
            from the first; residuals {misfit.toFixed(2)} of their stated deviation.
          </li>
        ))}
        <li>
          Points smoothed by a zero-lag Butterworth filter of second order at {session.cutoff} Hz. Errors are
          first-order propagation (JCGM 100:2008) of those of the points, the moments, the camera and the scale;
          plus-minus values are 95 % intervals.
        </li>
        <li>
          Segment masses after de Leva 1996, lengths after Drillis and Contini 1966. Angles, signs and formulas: the
          table of measures that ships with the application.
        </li>
      </ul>
    </section>
  );
}
