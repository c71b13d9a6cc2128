import type { ReactNode } from 'react';
import type { StyleKey } from '../../core/model/slots';

/** A performer's name with the mark of the role: round for the athlete, square for the reference. */
export function RoleName({ role, name }: { readonly role: StyleKey; readonly name: string }): ReactNode {
  return (
    <span className={`text-${role}`}>
      <span className={`mark-${role}`} aria-hidden />
      {name}
    </span>
  );
}
