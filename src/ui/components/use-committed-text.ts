import { useEffect, useRef, useState, type ChangeEvent } from 'react';
import { inSameStep, useDocument } from '../../application/stores/document-store';
import { useLatest } from './use-latest';

/** Pause in typing after which a text is kept, milliseconds: less than it takes to close a window. */
const PAUSE = 120;
/** The same for a number, on which much is computed: half of one is another number. */
export const NUMBER_PAUSE = 500;

export interface CommittedText {
  readonly value: string;
  readonly onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => void;
  readonly onBlur: () => void;
}

/**
 * A text field whose text goes into the document by itself: as it is typed, when the field is left, and when the page
 * is hidden or closed. What is typed before the field is left is one undo step. Changes from outside (undo) show at
 * once.
 * @param commit is called with a changed text only; it may refuse one by not changing the document
 */
export function useCommittedText(kept: string, commit: (text: string) => void, pause = PAUSE): CommittedText {
  const [text, setText] = useState(kept);
  // What was committed from here and has not come back yet: a document that keeps it in another form (without the blank
  // at its end) must not change what is being typed.
  const [own, setOwn] = useState<string | null>(null);
  const [before, setBefore] = useState(kept);
  if (before !== kept) {
    setBefore(kept);
    setOwn(null);
    if (own !== text) setText(kept);
  }
  const latest = useLatest({ text, kept, commit });
  const begun = useRef(false);
  const flush = useRef(() => {
    const now = latest.current;
    if (now.text === now.kept) return;
    const commit = (): void => now.commit(now.text);
    const { session } = useDocument.getState();
    if (begun.current) inSameStep(commit);
    else commit();
    if (useDocument.getState().session === session) return;
    // Only what has changed the document is a step that more can be added to.
    begun.current = true;
    setOwn(now.text);
  });
  useEffect(() => {
    const timer = setTimeout(flush.current, pause);
    return () => clearTimeout(timer);
  }, [text, pause]);
  useEffect(() => {
    const leave = flush.current;
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, []);
  return {
    value: text,
    onChange: (event) => setText(event.target.value),
    onBlur: () => {
      flush.current();
      begun.current = false;
    },
  };
}
