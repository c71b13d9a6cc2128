import { practiceNext, type SessionPractice } from '../../core/coaching/session-practice';
import { copyClips } from '../../core/model/copied-clips';
import { firstOf } from '../../core/model/slots';
import { newSession, type Session, type CorrectionVerdict } from '../../core/model/session';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { readSession, saveSession } from '../../storage/sessions';
import type { StorageIssue } from '../../storage/storage-issue';
import { edit, useDocument } from '../stores/document-store';
import { whenStored } from '../stores/saving';
import { takeTrial } from './taken-trials';
import { TEXT } from '../../text/application/season';

/** Records what the analyst says of a correction, or lets the numbers decide again. */
export function settle(correctionId: string, word: CorrectionVerdict | null): void {
  edit((session) => {
    if (word) session.correctionVerdicts[correctionId] = word;
    else delete session.correctionVerdicts[correctionId];
  });
}

/** Makes the athlete's first trial of another session the reference of the open one: before and after. */
export async function compareWithSession(sessionId: string): Promise<Result<null, StorageIssue | Issue<'no-athlete'>>> {
  const other = await readSession(sessionId);
  if (!other.ok) return other;
  const clip = firstOf(other.value.clips, 'athlete');
  if (!clip) return fail('no-athlete', TEXT.nameHasNoClipOf(other.value.name));
  await takeTrial({ session: other.value, clip }, 'reference', true);
  return ok(null);
}

/**
 * Makes a session for the next time: the same movement, school and weights, and the references with all that was
 * measured on them; the athlete's new clip is still to come. Stages of practice go on where they are.
 */
export async function startNextSession(name: string, practice: SessionPractice): Promise<Result<string, StorageIssue>> {
  await whenStored();
  const session = useDocument.getState().session!;
  const { ids, ...copied } = copyClips(
    session,
    session.clips.filter((c) => c.role === 'reference'),
    () => crypto.randomUUID(),
    true,
  );
  const { kind, without, phases } = session.referenceModel;
  const now = new Date().toISOString();
  const empty = newSession(crypto.randomUUID(), name, session.movementId, now);
  const next: Session = {
    ...empty,
    ...copied,
    clips: [...copied.clips],
    ownMovement: session.ownMovement,
    school: session.school,
    importances: session.importances,
    passes: session.passes,
    setUp: session.setUp,
    cameraPlan: session.cameraPlan,
    practice: practiceNext(practice, session.practice),
    cutoff: session.cutoff,
    // The athlete's own repetition is one of a clip that stays behind.
    referenceModel:
      kind === 'own'
        ? empty.referenceModel
        : {
            kind,
            without: without.flatMap((id) => ids.get(id) ?? []),
            phases: Object.fromEntries(
              Object.entries(phases).flatMap(([phase, id]) => (ids.has(id) ? [[phase, ids.get(id)!]] : [])),
            ),
            // Athletes stay behind.
            counterparts: {},
            own: null,
          },
  };
  const saved = await saveSession(next, now);
  return saved.ok ? ok(next.id) : saved;
}
