import type { Trial } from '../../core/trial/trial';
import { JOINT_POINTS } from '../../core/anatomy/body-points';
import { coverage } from '../../core/tracks/track';
import type { Derived } from '../analysis/derived';
import { TEXT } from '../../text/application/session';

/** The order of work. Every step can be opened at any time. */
export const STEPS = [
  'intake',
  'review',
  'match',
  'moments',
  'measure',
  'compare',
  'decide',
  'report',
  'follow-up',
] as const;
export type Step = (typeof STEPS)[number];

export const STEP_NAMES: Readonly<Record<Step, string>> = {
  intake: TEXT.intake,
  review: TEXT.review,
  match: TEXT.match,
  moments: TEXT.moments,
  measure: TEXT.measure,
  compare: TEXT.compare,
  decide: TEXT.decide,
  report: TEXT.report,
  'follow-up': TEXT.followUp,
};

export interface StepStatus {
  readonly done: boolean;
  /** What to do next, in one line. */
  readonly next: string;
}

/**
 * The main cameras of the trials that are compared, each once: the athlete's and those of the reference that is
 * chosen.
 */
function comparedOf({ session, clips, athlete, sides }: Derived): readonly Trial[] {
  const { kind, phases } = session.referenceModel;
  const ofPhases =
    kind === 'phases' ? clips.filter((c) => Object.values(phases).includes(c.trial.clip.id)).map((c) => c.trial) : [];
  const all = [...(athlete ? [athlete] : []), ...sides.reference.map(([main]) => main!), ...ofPhases];
  return all.filter((p, i) => all.findIndex((q) => q.clip.id === p.clip.id) === i);
}

/** What each step still needs. */
export function stepStatus(derived: Derived, step: Step): StepStatus {
  const { session, movement, athlete, reference, priorities, judged } = derived;
  // An athlete who is reviewed alone needs no clip of somebody else; nor do published targets and own repetitions.
  const alone = athlete !== null && reference === null;
  const needsReference = session.referenceModel.kind !== 'published' && session.referenceModel.kind !== 'own';
  const missingClips = athlete
    ? []
    : [TEXT.athletesClip, reference || !needsReference ? '' : TEXT.referencesClip].filter(Boolean);
  if (step !== 'intake' && missingClips.length > 0)
    return { done: false, next: TEXT.addMissingClipsAtIntake(missingClips.join(TEXT.and)) };
  const inUse = comparedOf(derived);
  const named = inUse.filter((p) => p.clip.role === 'reference').length > 1;
  const unmarked = inUse.flatMap((p) =>
    movement.moments
      // Pictures show the moments that they show.
      .filter((m) => p.marks[m.id] === undefined && !(p.clip.pictures && Object.keys(p.marks).length > 0))
      .map((m) => `${m.name.toLowerCase()} (${named ? p.clip.performer.name : p.clip.role})`),
  );
  const proposed = inUse
    .flatMap((p) => Object.values(session.marks[p.clip.id] ?? {}))
    .filter((mark) => mark.proposed !== null).length;
  const withoutPoints = inUse
    .filter((p) => JOINT_POINTS.every((id) => coverage(p.raw, id) === 0))
    .map((p) => p.clip.performer.name);
  switch (step) {
    case 'intake':
      return missingClips.length > 0
        ? { done: false, next: TEXT.dropMissingClipsHereAnd(missingClips.join(TEXT.and)) }
        : { done: true, next: alone ? TEXT.clipIsInGo : TEXT.bothClipsAreInGo };
    case 'review':
      return {
        done: session.impressions.trim() !== '' || session.notes.length > 0,
        next: alone ? TEXT.runItThroughFewTimes : TEXT.runBothClipsThroughFew,
      };
    case 'match':
      return { done: true, next: alone ? TEXT.checkWhichWayItTravels : TEXT.checkThatBothTravelSame };
    case 'moments':
      return proposed > 0 && unmarked.length === 0
        ? {
            done: true,
            next: TEXT.proposedMomentsAreProposedFrom(proposed),
          }
        : unmarked.length > 0
          ? {
              done: false,
              next:
                TEXT.stillToMark +
                `${unmarked.slice(0, 3).join(', ')}${unmarked.length > 3 ? TEXT.andCountMore(unmarked.length - 3) : ''}.`,
            }
          : {
              done: true,
              next:
                [TEXT.allMomentsAreMarked, TEXT.allMomentsAreMarkedIn][inUse.length - 1] ??
                TEXT.allMomentsAreMarkedInAll,
            };
    case 'measure':
      return withoutPoints.length > 0
        ? { done: false, next: TEXT.detectPointsOfWithoutPoints(withoutPoints.join(TEXT.and)) }
        : { done: true, next: TEXT.goThroughMomentsAndCheck };
    case 'compare':
      return {
        done: judged.some((j) => j.state !== 'not-measurable'),
        next: alone ? TEXT.readWhatTargetsSay : TEXT.readDifferencesFromGroundUp,
      };
    case 'decide':
      return {
        done: judged.length > 0 && unmarked.length === 0 && withoutPoints.length === 0,
        next:
          priorities.proposed.length > 0
            ? TEXT.countProposedReorderDropWith(priorities.proposed.length)
            : judged.some((j) => j.state !== 'not-measurable')
              ? TEXT.noGapIsLeftTo
              : TEXT.nothingCouldBeJudgedYet,
      };
    case 'report':
      return { done: false, next: TEXT.readItThroughThenSave };
    case 'follow-up':
      return {
        done: false,
        next: TEXT.sameNumbersAgainDidWhat,
      };
  }
}
