import type { PointId } from '../anatomy/body-points';

/** A joint bent by less says nothing of which way it bends, radians. */
const LEAST_BEND = Math.PI / 9;
/** So much of all bent joints must bend as a body's do. */
const LEAST_SHARE = 0.5;

type Triple = readonly [number, number, number];

/**
 * Whether a body's knees point ahead as they bend, ahead being square to the line of the hips: a body that was taken
 * for its mirror image in depth bends them backward.
 * @param points frame by frame, point by point: x, y up, z
 */
export function bendsForward(ids: readonly PointId[], points: Float64Array): boolean {
  const frames = points.length / (3 * ids.length);
  let [forward, all] = [0, 0];
  for (let f = 0; f < frames; f++) {
    const at = (id: string): Triple | null => {
      const j = ids.indexOf(id as PointId);
      const i = 3 * (f * ids.length + j);
      return j < 0 || Number.isNaN(points[i]!) ? null : [points[i]!, points[i + 1]!, points[i + 2]!];
    };
    const [left, right] = [at('left-hip'), at('right-hip')];
    if (!left || !right) continue;
    // Ahead is up crossed with the line from the left to the right hip, turned to lie flat.
    const across: Triple = [right[0] - left[0], 0, right[2] - left[2]];
    const ahead: Triple = [across[2], 0, -across[0]];
    for (const side of ['left', 'right']) {
      const [hip, knee, ankle] = [at(`${side}-hip`), at(`${side}-knee`), at(`${side}-ankle`)];
      if (!hip || !knee || !ankle) continue;
      const u = hip.map((v, i) => v - knee[i]!);
      const w = ankle.map((v, i) => v - knee[i]!);
      const cosine = (u[0]! * w[0]! + u[1]! * w[1]! + u[2]! * w[2]!) / (Math.hypot(...u) * Math.hypot(...w));
      if (Math.PI - Math.acos(Math.max(-1, Math.min(1, cosine))) < LEAST_BEND) continue;
      // The knee lies ahead of the straight line from hip to ankle.
      const away = u.map((v, i) => -(v / Math.hypot(...u) + w[i]! / Math.hypot(...w)));
      all++;
      if (away[0]! * ahead[0] + away[2]! * ahead[2] > 0) forward++;
    }
  }
  return all === 0 || forward >= LEAST_SHARE * all;
}
