import { player } from './bench-player';
import type { Derived } from './derived';
import { setView, useView } from './view-store';
import type { Check } from '../core/model/check';
import type { Drawing } from '../core/model/drawing';
import type { Decision, Note } from '../core/model/session';
import { edit } from './document-store';

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

export function changeDrawing(id: string, change: Partial<Drawing> | null): void {
  edit((session) => {
    session.drawings =
      change === null
        ? session.drawings.filter((d) => d.id !== id)
        : session.drawings.map((d) => (d.id === id ? { ...d, ...change } : d));
  });
}

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
    panes: Object.fromEntries(panes.map(({ performance: { clip } }) => [clip.id, player.pendingFrame(clip.id)])),
  };
  if (edit((session) => void session.notes.push(note))) setView({ freshNote: id });
}

/** Records what the analyst decided about a measure, or takes the decision back. */
export function decide(measureId: string, decision: Omit<Decision, 'measureId'> | null): void {
  edit((session) => {
    session.decisions = session.decisions.filter((d) => d.measureId !== measureId);
    if (decision) session.decisions.push({ measureId, ...decision });
  });
}

/** Keeps the analyst's own order of corrections. */
export function reorder(measureIds: readonly string[]): void {
  edit((session) => {
    session.order = [...measureIds];
  });
}
