import { bodyHeightPixels } from '../tracks/point-error';
import { ORIGIN, type Track } from '../tracks/track';

/**
 * How far one hip wanders from where it stands beside the other through no movement of the pelvis, as a share of
 * standing height: the found half distance in travel keeps no trace of the true one below it (rendered walking and
 * hurdle clips, `npm run bench points`).
 */
const WANDERS = 0.007;
/**
 * Share of the knees' distance along the rows by which the hips go with them, the pelvis turning with the step: some 5
 * degrees to each side on hips a tenth of standing height apart, while the knees part by an eighth of it (Perry and
 * Burnfield 2010, Gait Analysis, from memory).
 */
const GO_ALONG = 0.06;

/**
 * Along the picture's rows detectors take swinging thighs for a turning pelvis, while the middle of the hips they find
 * well. The half distance of found hips is therefore drawn towards what is usual in the clip and goes with the step,
 * the more the less it varies beyond the detector's own error; a pelvis that truly turns varies much more and stays as
 * found. Points placed by hand stay. Source: shrinkage towards a common value after James and Stein 1961, in the
 * positive part form of Efron and Morris 1973 (from memory).
 */
export function steadyHips(track: Track): Track {
  const [left, right, leftKnee, rightKnee] = [
    track['left-hip'],
    track['right-hip'],
    track['left-knee'],
    track['right-knee'],
  ];
  const height = bodyHeightPixels(track);
  if (!left || !right || Number.isNaN(height)) return track;
  const frames = Array.from(left.x.keys()).filter(
    (i) =>
      left.origin[i] === ORIGIN.detected &&
      right.origin[i] === ORIGIN.detected &&
      !Number.isNaN(left.x[i]! + right.x[i]!),
  );
  if (frames.length === 0) return track;
  const beyondStep = (i: number): number => {
    const knees = leftKnee && rightKnee ? (leftKnee.x[i]! - rightKnee.x[i]!) / 2 : NaN;
    return (left.x[i]! - right.x[i]!) / 2 - (Number.isNaN(knees) ? 0 : GO_ALONG * knees);
  };
  const usual = frames.map(beyondStep).sort((a, b) => a - b)[frames.length >> 1]!;
  const variance = frames.reduce((sum, i) => sum + (beyondStep(i) - usual) ** 2, 0) / frames.length;
  const kept = Math.max(0, 1 - (WANDERS * height) ** 2 / variance) || 0;
  const [leftX, rightX] = [left.x.slice(), right.x.slice()];
  for (const i of frames) {
    const moved = (1 - kept) * (usual - beyondStep(i));
    leftX[i]! += moved;
    rightX[i]! -= moved;
  }
  return { ...track, 'left-hip': { ...left, x: leftX }, 'right-hip': { ...right, x: rightX } };
}
