import Alert from '@mui/material/Alert';
import type { ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Issue } from '../../../core/result';
import { RepairButtons } from './repair-buttons';

/** In place of a session that cannot be opened: why, and what can be done about it. */
export function UnopenedSession({ id, issue }: { readonly id: string; readonly issue: Issue }): ReactNode {
  const navigate = useNavigate();
  return (
    <main className="page">
      <div className="inner" style={{ display: 'grid', gap: 12, justifyItems: 'start' }}>
        <Alert severity="warning">{issue.message}</Alert>
        {issue.code === 'damaged' && (
          <RepairButtons
            id={id}
            onRepaired={(repaired) => {
              // The same address opens another document now.
              if (repaired === id) void navigate(0);
              else void navigate(`/s/${repaired}/intake`, { replace: true });
            }}
          />
        )}
        {issue.code === 'newer' && <RepairButtons id={id} onRepaired={null} />}
        <Link to="/">All sessions</Link>
      </div>
    </main>
  );
}
