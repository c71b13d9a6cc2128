import { clipNamed } from '../../demo/named';
import { planOf } from '../../src/core/planning/camera-plan';
import { filmedByTwo } from '../../src/core/planning/two-cameras';
import { readQuantity } from '../../src/core/quantities/read';
import { viewsOfBody } from '../../src/core/reconstruction/body-views';
import type { Trial } from '../../src/core/trial/trial';
import { bodyOf, CHECKED } from './against-truth';

/** What no camera shows: it is why somebody puts up a second one. */
const TURNS = CHECKED.filter(({ plane }) => plane !== 'sagittal');
const EVERY = 4;

/**
 * Errors that a plan expects of two cameras, made on the first one's clip alone, over those that the body in space of
 * both clips then states: of every turn, at every so many frames. None where no body is computed.
 */
export function plannedOverStated(main: Trial, second: Trial): readonly number[] {
  const azimuthOf = ({ clip }: Trial): number => Math.abs(clipNamed(clip.id)!.camera.azimuth);
  const plan = planOf(main);
  const apart = azimuthOf(main) - azimuthOf(second);
  const planned = filmedByTwo(main, { ...plan, second: { apart, distance: plan.distance, films: null } });
  const body = bodyOf([main, second]);
  if (!planned.ok || !body.ok) return [];
  const inSpace = [planned.value.slice(2), viewsOfBody(body.value, main)];
  return TURNS.flatMap(({ plane, quantity }) =>
    Array.from({ length: Math.floor(main.times.length / EVERY) }, (_, i) => i * EVERY).flatMap((frame) => {
      const [expected, stated] = inSpace.map((views) =>
        readQuantity(views[plane === 'frontal' ? 1 : 2]!, quantity, { plane, frame, lengthIn: 'm', timeSd: 0 }),
      );
      return expected!.measurable && stated!.measurable ? [expected!.sd / stated!.sd] : [];
    }),
  );
}
