import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { TEXT } from '../../text/components/common';

/** So many more come with each press. */
const MORE = 100;

/** The first of a long list, and the button that shows more of it. */
export function useShowMore<T>(
  all: readonly T[],
  atFirst: number,
): { readonly shown: readonly T[]; readonly more: ReactNode } {
  const [most, setMost] = useState(atFirst);
  const left = all.length - most;
  return {
    shown: all.slice(0, most),
    more: left > 0 && (
      <Button size="small" onClick={() => setMost(most + MORE)}>
        {TEXT.showMinMoreOfLeft(Math.min(left, MORE), left)}
      </Button>
    ),
  };
}
