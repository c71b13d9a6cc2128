import type { ReactNode } from 'react';
import { useBlobSource } from './use-blob-source';

/** Plays what somebody said: it is the user's own voice, and its words are nowhere to be had. */
export function Voice({ sound, label }: { readonly sound: Blob; readonly label: string }): ReactNode {
  return <audio ref={useBlobSource(sound)} controls aria-label={label} />;
}
