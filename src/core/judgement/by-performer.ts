import { performerKey } from '../model/performer';
import type { Decision, OwnCorrection, Session } from '../model/session';

/** What was decided about one performer's measures; what names nobody holds for all. */
export const decisionsFor = (decisions: readonly Decision[], performer: string | null): readonly Decision[] =>
  decisions.filter((d) => d.performer === undefined || d.performer === performer);

/** The same decisions with another one, or none, about a measure of one performer; what others have stays. */
export const withDecision = (
  decisions: readonly Decision[],
  measureId: string,
  performer: string | null,
  decision: Pick<Decision, 'verdict' | 'reason'> | null,
): Decision[] => [
  ...decisions.filter((d) => d.measureId !== measureId || (d.performer !== undefined && d.performer !== performer)),
  ...(decision ? [{ measureId, ...decision, ...(performer === null ? {} : { performer }) }] : []),
];

/** The analyst's own corrections of one performer: those made of what was seen of another athlete are theirs. */
export function ownCorrectionsFor(
  { ownCorrections, notes, clips }: Pick<Session, 'ownCorrections' | 'notes' | 'clips'>,
  performer: string | null,
): readonly OwnCorrection[] {
  const seenOn = ({ noteId }: OwnCorrection): Session['clips'][number] | undefined => {
    const note = notes.find(({ id }) => id === noteId);
    return note && clips.find(({ id }) => id === note.clipId);
  };
  return ownCorrections.filter((correction) => {
    const clip = seenOn(correction);
    return clip?.role !== 'athlete' || performerKey(clip.performer) === performer;
  });
}
