import { useEffect, useRef, useState, type ChangeEvent } from 'react';
import { useLatest } from '../../stage/use-latest';

/** Pause in typing after which a text is kept, milliseconds. */
const PAUSE = 500;

export interface CommittedText {
  readonly value: string;
  readonly onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => void;
  readonly onBlur: () => void;
}

/**
 * A text field whose text goes into the document by itself: after a pause in typing, when the field is left, and when the
 * page is hidden or closed. One undo step each. Changes from outside (undo) show at once.
 * @param commit is called with a changed text only; it may refuse one by not changing the document
 */
export function useCommittedText(kept: string, commit: (text: string) => void): CommittedText {
  const [text, setText] = useState(kept);
  const [before, setBefore] = useState(kept);
  if (before !== kept) {
    setBefore(kept);
    setText(kept);
  }
  const latest = useLatest({ text, kept, commit });
  const flush = useRef(() => {
    const now = latest.current;
    if (now.text !== now.kept) now.commit(now.text);
  });
  useEffect(() => {
    const timer = setTimeout(flush.current, PAUSE);
    return () => clearTimeout(timer);
  }, [text]);
  useEffect(() => {
    const leave = flush.current;
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, []);
  return { value: text, onChange: (event) => setText(event.target.value), onBlur: () => flush.current() };
}
