import type { Trial } from '../../core/trial/trial';
import { JOINT_POINTS } from '../../core/anatomy/body-points';
import { coverage } from '../../core/tracks/track';
import type { Derived } from '../analysis/derived';

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
  intake: 'Intake',
  review: 'Review',
  match: 'Match',
  moments: 'Moments',
  measure: 'Measure',
  compare: 'Compare',
  decide: 'Decide',
  report: 'Report',
  'follow-up': 'Follow up',
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
  // Published targets and the athlete's own repetitions need no clip of somebody else.
  const needsReference = session.referenceModel.kind !== 'published' && session.referenceModel.kind !== 'own';
  const missingClips = [
    athlete ? '' : 'the athlete\u2019s clip',
    reference || !needsReference ? '' : 'the reference\u2019s clip',
  ].filter(Boolean);
  if (step !== 'intake' && missingClips.length > 0)
    return { done: false, next: `Add ${missingClips.join(' and ')} at Intake first.` };
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
        ? { done: false, next: `Drop ${missingClips.join(' and ')} here and answer the questions.` }
        : { done: true, next: 'Both clips are in. Go on to Review and run them through before measuring.' };
    case 'review':
      return {
        done: session.impressions.trim() !== '' || session.notes.length > 0,
        next: 'Run both clips through a few times and write down what strikes you, before any number.',
      };
    case 'match':
      return { done: true, next: 'Check that both travel the same way, and the capture rates; then mark the moments.' };
    case 'moments':
      return proposed > 0 && unmarked.length === 0
        ? {
            done: true,
            next: `${proposed} moments are proposed from the points. Go to each, look, and confirm or move it.`,
          }
        : unmarked.length > 0
          ? {
              done: false,
              next:
                'Still to mark: ' +
                `${unmarked.slice(0, 3).join(', ')}${unmarked.length > 3 ? ` and ${unmarked.length - 3} more` : ''}.`,
            }
          : {
              done: true,
              next: `All moments are marked in ${inUse.length === 2 ? 'both' : 'all'} clips. Go on to Measure.`,
            };
    case 'measure':
      return withoutPoints.length > 0
        ? { done: false, next: `Detect the points of ${withoutPoints.join(' and ')}, then check them at each moment.` }
        : { done: true, next: 'Go through the moments and check that the lines lie on the body; drag what is off.' };
    case 'compare':
      return {
        done: judged.some((j) => j.state !== 'not-measurable'),
        next: 'Read the differences from the ground up. Press a row to see the frames that prove it.',
      };
    case 'decide':
      return {
        done: judged.length > 0 && unmarked.length === 0 && withoutPoints.length === 0,
        next:
          priorities.proposed.length > 0
            ? `${priorities.proposed.length} proposed. Reorder, drop with a reason, or keep as they are.`
            : judged.some((j) => j.state !== 'not-measurable')
              ? 'No gap is left to work on. Look at what could not be measured.'
              : 'Nothing could be judged yet. Mark the moments, and look at what is not measurable.',
      };
    case 'report':
      return { done: false, next: 'Read it through, then save it as PDF, print it, or save the numbers as CSV.' };
    case 'follow-up':
      return {
        done: false,
        next:
          'The same numbers again: did what was asked for move, did something else get worse, can a correction be ' +
          'closed?',
      };
  }
}
