import { saidOf } from '../../core/judgement/by-performer';
import { performerKey } from '../../core/model/performer';
import type { OwnOfPerformer, Session } from '../../core/model/session';
import { mainsOf } from '../bench/bench-clips';
import type { Derived } from './derived';
import { counterpartIn } from './subjects';

export type Compared = Pick<Derived, 'session' | 'clips'>;

/** Who is compared with whom now: athlete's clip -> reference clip. */
export const counterpartsOf = (compared: Compared): Record<string, string> =>
  Object.fromEntries(
    mainsOf(compared.clips, 'athlete').flatMap((on) => {
      const own = counterpartIn(compared, on);
      return own ? [[on.trial.clip.id, own.trial.clip.id]] : [];
    }),
  );

/** Clips with some of them first, in the order named. */
export function withFirst(all: Session['clips'], ids: readonly (string | undefined)[]): Session['clips'] {
  const first = ids.flatMap((id) => all.find((c) => c.id === id) ?? []);
  return [...first, ...all.filter((c) => !first.includes(c))];
}

type Part = Pick<Session, 'clips' | 'referenceModel' | 'setAside' | keyof OwnOfPerformer>;

/**
 * What of a session is otherwise when another athlete is judged, reported and shown first, with their own reference.
 * Who is compared with whom stays as it is; what was said of the one before is set aside until they are judged again.
 * @param athlete the clip of the one to be judged
 */
export function judgedAs(compared: Compared, athlete: string): Part {
  const { session, clips } = compared;
  const counterparts = counterpartsOf(compared);
  const keyOf = (id: string | undefined): string | null => {
    const clip = session.clips.find((c) => c.id === id);
    return clip ? performerKey(clip.performer) : null;
  };
  const [before, now] = [keyOf(mainsOf(clips, 'athlete')[0]?.trial.clip.id), keyOf(athlete)];
  return {
    clips: withFirst(session.clips, [athlete, counterparts[athlete]]),
    referenceModel: { ...session.referenceModel, counterparts },
    ...saidOf(session, before, now),
  };
}

/** A session as one of its athletes is judged in it; as it is where that one is not among them. */
export function sessionJudgedAs(compared: Compared, performer: string): Session {
  const { session, clips } = compared;
  const mains = mainsOf(clips, 'athlete');
  const own = mains.find((on) => performerKey(on.trial.clip.performer) === performer);
  return own && own !== mains[0] ? { ...session, ...judgedAs(compared, own.trial.clip.id) } : session;
}
