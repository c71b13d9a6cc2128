import type { ReactNode } from 'react';
import { cameraDown, cameraOffPlane } from '../../../core/calibration/view';
import { COVERAGE_95 } from '../../../core/statistics/normal';
import { pointName } from '../../../core/anatomy/body-points';
import { originName, type OriginName } from '../../../core/tracks/track';
import type { Trial } from '../../../core/trial/trial';
import { degreesApart } from '../../../core/reconstruction/body-views';
import type { BenchClip } from '../../../application/bench/bench-clips';
import type { Derived } from '../../../application/analysis/derived';
import { clipName, VIEW_NAMES } from '../../components/clip-name';
import { ratesInWords } from '../../components/format';
import { TEXT } from '../../../text/screens/report';

const ORIGIN_TEXT: Readonly<Partial<Record<OriginName, string>>> = {
  hand: TEXT.byHand,
  filled: TEXT.interpolatedBetweenDetectedFrames,
  interpolated: TEXT.interpolatedBetweenHandPlacedFrames,
};

/** What corrections by hand were carried to the other frames. */
function carriedText({ learned }: Trial): string {
  const joints = [...(learned?.values() ?? [])].map(({ id, corrected }) => `${pointName(id)} (${corrected.length})`);
  return joints.length === 0 ? '' : TEXT.correctionsCarriedToOtherFrames(joints.join(', '));
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
  const down = cameraDown(clip);
  const degrees = 180 / Math.PI;
  const view = TEXT.viewnamesView(VIEW_NAMES[clip.view.kind]);
  const off =
    clip.view.kind === 'side'
      ? `, ${Math.round(Math.abs(angle) * degrees)}\u00b0 \u00b1${Math.round(COVERAGE_95 * sd * degrees)}\u00b0 ` +
        TEXT.offPlane
      : '';
  const looks =
    down.sd > 0
      ? `, ${TEXT.looksDownBy(Math.round(down.angle * degrees), Math.round(COVERAGE_95 * down.sd * degrees))}`
      : '';
  const time = clip.pictures
    ? TEXT.countStillPictures(clip.frameTimes.length)
    : TEXT.countFrames(clip.frameTimes.length) +
      (clip.rateChanges.length > 0 ? ratesInWords(clip) : TEXT.intervalMsApart((1000 * interval).toFixed(1)));
  const { heightMetres } = clip.performer;
  const scale = clip.scale
    ? TEXT.metresMArePixels(clip.scale.metres, Math.round(clip.scale.pixels))
    : heightMetres !== undefined
      ? TEXT.scaleByStatedStandingHeight(heightMetres)
      : TEXT.noLengthInMetres;
  return (
    `${view}${off}${looks}; ${clip.width} \u00d7 ${clip.height}, ${time}${scale}; ` +
    `${originsText(on.trial) || TEXT.noPoints}${carriedText(on.trial)}`
  );
}

/** What another laboratory would have to know to measure the same. */
export function Methods({ derived }: { readonly derived: Derived }): ReactNode {
  const { session, movement, clips, bodies } = derived;
  return (
    <section data-testid="methods">
      <h2>{TEXT.methods}</h2>
      <ul>
        <li>
          {session.ownMovement
            ? TEXT.movementU201cNameU201dId(movement.name, movement.id, __VERSION__)
            : TEXT.movementU201cNameU201dIdAs(movement.name, movement.id, __VERSION__)}
        </li>
        {clips.map((on) => (
          <li key={on.trial.clip.id}>
            {on.trial.clip.performer.name}, {clipName(on)}: {cameraText(on)}.
          </li>
        ))}
        {[...bodies].map(([id, { cameras, misfit }]) => (
          <li key={id}>
            {TEXT.bodyInSpaceOf} {clips.find((c) => c.trial.clip.id === id)?.trial.clip.performer.name}{' '}
            {TEXT.byBundleAdjustmentWithoutCalibration(
              cameras.length,
              cameras
                .slice(1)
                .map(
                  (c) =>
                    `${Math.round(degreesApart(cameras[0]!, c))}\u00b0 ` +
                    `\u00b1${Math.ceil(COVERAGE_95 * c.azimuthSd)}\u00b0`,
                )
                .join(', '),
              misfit.toFixed(2),
            )}
          </li>
        ))}
        <li>{TEXT.pointsSmoothedByZeroLag(session.cutoff)}</li>
        <li>{TEXT.segmentMassesAfterDeLeva}</li>
      </ul>
    </section>
  );
}
