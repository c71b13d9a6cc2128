import Alert from '@mui/material/Alert';
import { useEffect, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Session } from '../../core/model/session';
import { notToShare, type NotToShare } from '../../application/season/athlete-use-cases';
import { athleteAddress } from './athlete-address';
import { TEXT } from '../../text/components/common';

/** Names those in a session who have not agreed that what shows them is given to others. */
export function ShareNote({ session }: { readonly session: Session }): ReactNode {
  const [people, setPeople] = useState<readonly NotToShare[]>([]);
  const { clips } = session;
  useEffect(() => {
    let current = true;
    void notToShare(clips).then((found) => current && setPeople(found));
    return () => {
      current = false;
    };
  }, [clips]);
  if (people.length === 0) return null;
  return (
    <Alert severity="warning" className="no-print" sx={{ mb: 1 }}>
      {people.map(({ key, name }, i) => (
        <span key={key}>
          {i > 0 && ', '}
          <Link to={athleteAddress(key)}>{name}</Link>
        </span>
      ))}{' '}
      {people.length === 1 ? TEXT.hasNotAgreedThatPictures : TEXT.haveNotAgreedThatPictures}
    </Alert>
  );
}
