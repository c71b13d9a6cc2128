import { useState } from 'react';

/** The width of an element, for charts that fill their place. */
export function useWidth(first: number): readonly [number, (element: Element | null) => (() => void) | undefined] {
  const [width, setWidth] = useState(first);
  const watch = (element: Element | null): (() => void) | undefined => {
    if (!element) return undefined;
    const observer = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    observer.observe(element);
    return () => observer.disconnect();
  };
  return [width, watch];
}
