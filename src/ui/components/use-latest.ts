import { useLayoutEffect, useRef, type RefObject } from 'react';

/** What was rendered last, for callbacks that come later than the rendering that made them. */
export function useLatest<T>(value: T): RefObject<T> {
  const latest = useRef(value);
  useLayoutEffect(() => {
    latest.current = value;
  });
  return latest;
}
