import type { Athlete } from '../../core/model/athlete';
import type { Clip, Performer, Role } from '../../core/model/clip';
import { performerKey } from '../../core/model/performer';
import { firstOf } from '../../core/model/slots';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { MOVEMENTS } from '../../movements';
import { repeatsText, UNEVEN_REPEATS } from '../../core/timing/repeated-frames';
import { readSession } from '../../storage/sessions';
import type { StorageIssue } from '../../storage/storage-issue';
import { longFile } from './attempts';
import { addClip, probeFile, type ProbedFile } from '../clips/clip-use-cases';
import { notify } from '../stores/notices';
import { removeSession } from '../keeping/remove-session';
import { allSessions } from '../keeping/session-list';
import { createSession, openSession } from '../session/session-use-cases';
import { TEXT } from '../../text/application/intake';

/** What is offered for a clip: as it was in the last session, else the usual. */
export interface Offered {
  readonly performer: Performer;
  readonly view: Clip['view'];
  readonly travel: Clip['travel'];
  /** Frames per second as the camera took them, over those of the file. */
  readonly slowed: number;
}

export interface LastTime {
  readonly movementId: string;
  readonly offered: Readonly<Record<Role, Offered>>;
}

const usual = (name: string): Offered => ({
  performer: { name, dominantSide: 'right', minor: false, segmentTable: 'male', consent: false },
  view: { kind: 'side', offPlaneDegrees: null },
  travel: 'right',
  slowed: 1,
});

/** What may be as last time: from which side, not by how many degrees, which nobody has looked at this time. */
export const offeredOf = ({ performer, view, travel, captureRate, fileRate }: Clip): Offered => ({
  performer,
  view: { kind: view.kind, offPlaneDegrees: null },
  travel,
  slowed: captureRate / fileRate,
});

/** What is known from the session that was worked on last. */
export async function lastTime(): Promise<LastTime> {
  const nothing = { athlete: usual(''), reference: usual(TEXT.reference) };
  const latest = (await allSessions()).find(({ damage, performers }) => damage === null && performers.length > 0);
  const read = latest ? await readSession(latest.id) : null;
  if (!read?.ok) return { movementId: MOVEMENTS[0]!.id, offered: nothing };
  const { clips, movementId } = read.value;
  const of = (role: Role): Offered => {
    const clip = firstOf(clips, role);
    return clip ? offeredOf(clip) : nothing[role];
  };
  return {
    movementId: MOVEMENTS.some(({ id }) => id === movementId) ? movementId : MOVEMENTS[0]!.id,
    offered: { athlete: of('athlete'), reference: of('reference') },
  };
}

/** Who is said to be in a clip. */
export interface Named {
  readonly name: string;
  readonly athleteId: string | undefined;
  /** What is known of them beside the sessions. */
  readonly record: Athlete | null;
  readonly minor: boolean;
}

/** Somebody else than last time: nothing is known of them but what is said now. */
export function named({ performer, ...filmed }: Offered, { name, athleteId, record, minor }: Named): Offered {
  const id = athleteId === undefined ? {} : { athleteId };
  const same = performerKey(performer) === performerKey({ name, ...id });
  const known = same ? performer : usual(name).performer;
  const { dominantSide, segmentTable } = record ?? known;
  const heightMetres = record?.heightMetres ?? known.heightMetres;
  const height = heightMetres === undefined ? {} : { heightMetres };
  return {
    ...filmed,
    performer: { ...id, name, dominantSide, segmentTable, ...height, minor, consent: known.consent },
  };
}

/** Nobody is asked here what Intake would ask; it is said. */
function tellRepeats({ file, repeats, unevenRepeats, index }: ProbedFile): void {
  const of = `\u201c${file.name}\u201d: `;
  if (repeats)
    notify('info', TEXT.ofTextRepeatsTextEach(of, repeatsText(repeats), index.frameTimes.length, index.fileRate));
  if (unevenRepeats) notify('error', of + UNEVEN_REPEATS);
}

/** A file that plays longer holds more than what is compared, seconds. */
const LONGEST = 180;

/** One video to start with. */
export interface Start {
  readonly role: Role;
  readonly file: File;
  readonly offered: Offered;
}

/**
 * Makes a session of one or two videos and opens it; everything can be changed at Intake.
 * @returns the session's id, or which file could not be read or stored and why; then nothing was made
 */
export async function startWith(
  starts: readonly Start[],
  name: string,
  movementId: string,
): Promise<Result<string, StorageIssue | Issue>> {
  const probed: (Start & { readonly probed: ProbedFile })[] = [];
  for (const start of starts) {
    const { file } = start;
    const long = await longFile(file);
    if (long && long.seconds > LONGEST)
      return fail('long-file', TEXT.namePlaysSecondsMinutes(file.name, Math.round(long.seconds / 60)));
    const looked = await probeFile(start.file);
    if (!looked.ok) return looked;
    probed.push({ ...start, probed: looked.value });
  }
  const created = await createSession(name, movementId);
  if (!created.ok) return created;
  const opened = await openSession(created.value);
  if (!opened.ok) return opened;
  for (const { role, offered, probed: clip } of probed) {
    const { performer, view, travel, slowed } = offered;
    const { captureRate, fileRate } = clip.index;
    // A rate that the file itself tells is surer than what was so last time.
    const rate = captureRate ?? Math.round(fileRate * slowed * 1000) / 1000;
    const added = await addClip(role, clip, { performer, view, travel, captureRate: rate });
    if (added.ok) {
      tellRepeats(clip);
      continue;
    }
    // Half a session is none: the videos are still where they were.
    await removeSession(created.value);
    return added;
  }
  return ok(created.value);
}
