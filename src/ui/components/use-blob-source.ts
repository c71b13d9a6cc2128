import { useCallback } from 'react';

/**
 * Has an element play a blob. The element lets go of it before its address is given back: one that is still loading
 * would ask for what is not there any more.
 */
export const useBlobSource = (blob: Blob): ((element: HTMLMediaElement | null) => (() => void) | undefined) =>
  useCallback(
    (element) => {
      if (!element) return undefined;
      const address = URL.createObjectURL(blob);
      element.src = address;
      return () => {
        element.removeAttribute('src');
        element.load();
        URL.revokeObjectURL(address);
      };
    },
    [blob],
  );
