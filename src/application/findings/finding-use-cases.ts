import { player } from '../bench/bench-player';
import type { Derived } from '../analysis/derived';
import { setView, useView } from '../stores/view-store';
import { correctionOfNote } from '../../core/coaching/correction';
import type { Check } from '../../core/model/check';
import type { Drawing } from '../../core/model/drawing';
import { withDecision } from '../../core/judgement/by-performer';
import { slotsOf } from '../../core/model/slots';
import { performerKey } from '../../core/model/performer';
import type { Decision, Note } from '../../core/model/session';
import type { Trial } from '../../core/trial/trial';
import { laidOn } from '../../core/scene/drawing';
import { edit } from '../stores/document-store';
import { notify } from '../stores/notices';
import { TEXT } from '../../text/application/findings';

/** Answers a question about a clip by eye, or takes the answer back. */
export function answerCheck(clipId: string, measureId: string, answer: Check | null): void {
  edit((session) => {
    const answers = { ...session.checks[clipId] };
    if (answer === null) delete answers[measureId];
    else answers[measureId] = answer;
    session.checks[clipId] = answers;
  });
}

export function addDrawing(drawing: Omit<Drawing, 'id'>): string {
  const id = crypto.randomUUID();
  edit((session) => {
    session.drawings.push({ ...drawing, id });
  });
  return id;
}

/** Lays a drawing on another clip where its pane stands. */
export function layOn(drawing: Drawing, from: Trial, to: Trial): void {
  const frame = player.pendingFrame(to.clip.id);
  const points = laidOn(drawing, from, to, frame);
  if (!points) return notify('info', TEXT.hipsAndHeightOfBoth);
  const { kind, span, anchor, text } = drawing;
  addDrawing({ kind, span, anchor, text, clipId: to.clip.id, frame, points });
}

export function changeDrawing(id: string, change: Partial<Drawing> | null): void {
  edit((session) => {
    session.drawings =
      change === null
        ? session.drawings.filter((d) => d.id !== id)
        : session.drawings.map((d) => (d.id === id ? { ...d, ...change } : d));
  });
}

/** The frame that each pane shows. */
const framesShown = (panes: Derived['panes']): Note['panes'] =>
  Object.fromEntries(panes.map(({ trial: { clip } }) => [clip.id, player.pendingFrame(clip.id)]));

/** Notes what the eye finds on a clip, where all panes stand; its words are asked for next. */
export function noteHere({ panes }: Derived, clipId: string, kind: Note['kind']): void {
  const id = crypto.randomUUID();
  const note: Note = {
    id,
    kind,
    text: '',
    clipId,
    frame: player.pendingFrame(clipId),
    region: useView.getState().pass,
    panes: framesShown(panes),
    measureId: null,
    voice: null,
  };
  if (edit((session) => void session.notes.push(note))) setView({ freshNote: id });
}

/** Changes what is kept of a finding; null takes it away, and the correction that was made of it stays. */
export function changeNote(id: string, change: Partial<Omit<Note, 'id'>> | null): void {
  edit((session) => {
    session.notes =
      change === null
        ? session.notes.filter((n) => n.id !== id)
        : session.notes.map((n) => (n.id === id ? { ...n, ...change } : n));
  });
}

/** A finding stands where all panes stand now. */
export const noteFromHere = ({ panes }: Derived, { id, clipId }: Note): void =>
  changeNote(id, { frame: player.pendingFrame(clipId), panes: framesShown(panes) });

/** Makes a finding a correction among the measured ones; what is to be said of it can be changed there. */
export function workOnNote({ movement }: Derived, note: Note): void {
  edit((session) => {
    session.ownCorrections.push({ id: `own-${crypto.randomUUID()}`, ...correctionOfNote(movement, note) });
  });
}

/** Records what the analyst decided about a measure, or takes the decision back. */
export function decide(measureId: string, decision: Pick<Decision, 'verdict' | 'reason'> | null): void {
  edit((session) => {
    const judged = slotsOf(session.clips).find(({ id }) => id === 'athlete');
    const performer = judged ? performerKey(judged.clip.performer) : null;
    session.decisions = withDecision(session.decisions, measureId, performer, decision);
  });
}

/** Keeps the analyst's own order of corrections. */
export function reorder(measureIds: readonly string[]): void {
  edit((session) => {
    session.order = [...measureIds];
  });
}
