import { performerKey } from '../model/performer';
import { NOBODYS, type Decision, type OwnCorrection, type OwnOfPerformer, type Session } from '../model/session';

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

const ownOf = ({ criteria, correctionVerdicts, practice, order }: OwnOfPerformer): OwnOfPerformer => ({
  criteria,
  correctionVerdicts,
  practice,
  order,
});

/** What is said of whoever is judged, when another is: it is set aside, and what was said of the other is there again. */
export function saidOf(
  session: OwnOfPerformer & Pick<Session, 'setAside'>,
  before: string | null,
  now: string | null,
): OwnOfPerformer & Pick<Session, 'setAside'> {
  const { setAside } = session;
  if (before === now || before === null || now === null) return { setAside, ...ownOf(session) };
  const others = setAside.filter(({ performer }) => performer !== now && performer !== before);
  return {
    setAside: [...others, { performer: before, ...ownOf(session) }],
    ...ownOf(setAside.find(({ performer }) => performer === now) ?? NOBODYS),
  };
}

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
