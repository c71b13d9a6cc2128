import type { Vec2 } from '../../core/geometry/vec2';
import type { Movement } from '../../core/model/movement';
import type { Trial } from '../../core/trial/trial';
import { pointName, type PointId } from '../../core/anatomy/body-points';
import { ORIGIN, type PointSeries } from '../../core/tracks/track';
import { placingOrder } from '../../core/judgement/work-list';
import { player } from '../bench/bench-player';
import { useDocument } from '../stores/document-store';
import { notify } from '../stores/notices';
import { carryOn, trackPointOf, hidePoint, movePoint, swapSidesOf } from './track-use-cases';
import { setPointWork, useView } from '../stores/view-store';
import { TEXT } from '../../text/application/tracks';

/** Acts of placing points by hand; each is one undoable step. */

/** A point as it lies in the picture that was filmed: a trial's own are those of the steady one. */
const inPicture = ({ clip }: Trial, id: PointId): PointSeries | undefined =>
  useDocument.getState().session?.tracks[clip.id]?.[id];

/** Moves or places a point; where points are being placed one after the other, goes on to the next. */
export function placePointAt(movement: Movement, trial: Trial, id: PointId, frame: number, at: Vec2): void {
  const { clip } = trial;
  const series = inPicture(trial, id);
  const known = series !== undefined && series.origin[frame] !== ORIGIN.hand && !Number.isNaN(series.x[frame]!);
  movePoint(clip, id, frame, at.x, at.y);
  const { placing, after } = useView.getState().pointWork;
  setPointWork({
    id,
    shift: known ? { clipId: clip.id, id, frame, x: at.x - series.x[frame]!, y: at.y - series.y[frame]! } : null,
  });
  if (!placing) return;
  if (after === 'stay') return setPointWork({ placing: false });
  if (after === 'next-frame') return player.goTo(clip.id, frame + 1);
  const order = placingOrder(movement, trial);
  const next = order[order.indexOf(id) + 1];
  setPointWork({ id: next ?? order[0]! });
  if (!next) player.goTo(clip.id, frame + 1);
}

/** Moves the chosen point by pixels of the picture, fractions too. */
export function nudgePoint(trial: Trial, dx: number, dy: number): void {
  const { id } = useView.getState().pointWork;
  const frame = player.pendingFrame(trial.clip.id);
  const series = inPicture(trial, id);
  if (!series || Number.isNaN(series.x[frame]!))
    return notify('info', TEXT.pointNameIsNotPlacedOn(pointName(id), frame + 1));
  movePoint(trial.clip, id, frame, series.x[frame]! + dx, series.y[frame]! + dy);
}

/** Says that the chosen point cannot be seen, and goes on where points are being placed frame after frame. */
export function hideHere(trial: Trial): void {
  const { id, placing, after } = useView.getState().pointWork;
  const frame = player.pendingFrame(trial.clip.id);
  hidePoint(trial.clip, id, frame);
  if (placing && after === 'next-frame') player.goTo(trial.clip.id, frame + 1);
}

/** Follows the chosen point on or back from the frame shown; stops with a question where it is lost. */
export async function follow(trial: Trial, step: -1 | 1): Promise<void> {
  const { id, trackingRadius } = useView.getState().pointWork;
  const { clip } = trial;
  const result = await trackPointOf(clip, id, player.pendingFrame(clip.id), step, trackingRadius);
  if (!result.ok) return notify(result.issue.code === 'cancelled' ? 'info' : 'error', result.issue.message);
  const { frames, lost } = result.value;
  if (!lost)
    return notify(
      'info',
      frames === 0 ? TEXT.pointNameIsPlacedBy(pointName(id)) : TEXT.pointNameWasTrackedOver(pointName(id), frames),
    );
  notify('info', lost.text);
  player.goTo(clip.id, lost.frame);
  setPointWork({ placing: true, after: 'stay' });
}

/** Carries the last correction on to the frames after it. */
export function carryOnLast(trial: Trial): void {
  const { shift } = useView.getState().pointWork;
  if (shift?.clipId !== trial.clip.id) return;
  carryOn(trial.clip, shift.id, shift.frame, shift);
  setPointWork({ shift: null });
}

/** Exchanges left and right from where it began to the frame shown. */
export function swapTo(trial: Trial, part: 'body' | 'arms' | 'legs'): void {
  const { swapFrom } = useView.getState().pointWork;
  if (swapFrom?.clipId !== trial.clip.id) return;
  swapSidesOf(trial.clip, swapFrom.frame, player.pendingFrame(trial.clip.id), part);
  setPointWork({ swapFrom: null });
}
