import Alert from '@mui/material/Alert';
import type { ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Issue } from '../../../core/result';
import { RepairButtons } from './repair-buttons';
import { TEXT } from '../../../text/screens/home';

interface UnopenedSessionProps {
  readonly id: string;
  readonly issue: Issue;
  /** Called where the same address opens a session now. */
  readonly onRepaired: () => void;
}

/** In place of a session that cannot be opened: why, and what can be done about it. */
export function UnopenedSession({ id, issue, onRepaired }: UnopenedSessionProps): ReactNode {
  const navigate = useNavigate();
  return (
    <main className="page">
      <div className="inner" style={{ display: 'grid', gap: 12, justifyItems: 'start' }}>
        <Alert severity="warning">{issue.message}</Alert>
        {issue.code === 'damaged' && (
          <RepairButtons
            id={id}
            onRepaired={(repaired) => {
              if (repaired === id) onRepaired();
              else void navigate(`/s/${repaired}/intake`, { replace: true });
            }}
          />
        )}
        {issue.code === 'newer' && <RepairButtons id={id} onRepaired={null} />}
        <Link to="/">{TEXT.allSessions}</Link>
      </div>
    </main>
  );
}
