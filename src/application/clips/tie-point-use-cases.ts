import type { Vec2 } from '../../core/geometry/vec2';
import { LIMITS } from '../../core/model/limits';
import type { Clip } from '../../core/model/clip';
import { notify } from '../stores/notices';
import { setView, useView } from '../stores/view-store';
import { changeClip } from './clip-use-cases';
import { TEXT } from '../../text/application/clips';

/** Keeps where a place that stands still is in the picture of a frame; pressed again there, it is moved. */
export function pressTiePoint(clip: Clip, id: string, frame: number, at: Vec2): void {
  const sighting = { frame: Math.round(frame), x: at.x, y: at.y };
  const known = clip.tiePoints.find((tie) => tie.id === id);
  const others = known?.seen.filter((one) => one.frame !== sighting.frame) ?? [];
  if (others.length >= LIMITS.tiePoints) return notify('info', TEXT.markIsInEnoughFrames(LIMITS.tiePoints));
  const seen = [...others, sighting].sort((a, b) => a.frame - b.frame);
  changeClip(clip.id, {
    tiePoints: known
      ? clip.tiePoints.map((tie) => (tie.id === id ? { id, seen } : tie))
      : [...clip.tiePoints, { id, seen }],
  });
}

export function forgetTiePoint(clip: Clip, id: string): void {
  if (useView.getState().tied?.id === id) setView({ tool: 'move', tied: null });
  changeClip(clip.id, { tiePoints: clip.tiePoints.filter((tie) => tie.id !== id) });
}
