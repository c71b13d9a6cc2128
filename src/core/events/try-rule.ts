import type { Movement } from '../model/movement';
import { notMeasurable, type NotMeasurable } from '../reading';
import { cameraRefusal } from '../trial/camera-refusal';
import type { Trial } from '../trial/trial';
import { pictureOfRule } from './find-by-rule';
import { proposeEvents, type Proposal } from './propose-events';
import { TEXT } from '../../text/core/events';

/** What a rule proposes in a trial, or why it proposes nothing. */
export type Tried =
  { readonly found: Proposal; readonly refused: null } | { readonly found: null; readonly refused: NotMeasurable };

const refused = (...args: Parameters<typeof notMeasurable>): Tried => ({
  found: null,
  refused: notMeasurable(...args),
});

/**
 * Tries the rule of one moment on a trial as it stands, the other marks kept: a rule that is being written is seen at
 * work.
 */
export function tryRule(movement: Movement, trial: Trial, eventId: string): Tried {
  const rule = movement.moments.find((m) => m.id === eventId)?.rule;
  if (!rule) return refused('moment-missing', TEXT.itHasNoRule, TEXT.giveItOneOrMark);
  if (trial.clip.pictures) return refused('still-pictures', TEXT.stillPicturesHaveNoMovement, TEXT.markItByEye);
  const moved = cameraRefusal(trial, pictureOfRule(rule));
  if (moved) return { found: null, refused: moved };
  if (Object.keys(trial.smoothed).length === 0)
    return refused('point-missing', TEXT.clipHasNoPointsYet, TEXT.detectOrPlaceThem);
  const marks = Object.fromEntries(Object.entries(trial.marks).filter(([id]) => id !== eventId));
  const found = proposeEvents(movement, { ...trial, marks }).find((p) => p.eventId === eventId);
  return found
    ? { found, refused: null }
    : refused('no-crossing', TEXT.ruleFindsNothingBetweenMoments, TEXT.changeItsLevelOrDirection);
}
