import Alert from '@mui/material/Alert';
import Stack from '@mui/material/Stack';
import { useEffect, type ReactNode } from 'react';
import { dismiss, useNotices, type Notice } from '../../state/notices';

const INFO_STAYS_MS = 7000;

function NoticeAlert({ notice }: { readonly notice: Notice }): ReactNode {
  const { id, severity, text } = notice;
  useEffect(() => {
    if (severity !== 'info') return undefined;
    const timer = setTimeout(() => dismiss(id), INFO_STAYS_MS);
    return () => clearTimeout(timer);
  }, [id, severity]);
  return (
    <Alert severity={severity === 'error' ? 'warning' : 'info'} variant="filled" onClose={() => dismiss(id)}>
      {text}
    </Alert>
  );
}

/**
 * What the application has to say: information goes by itself, each in its own time; an error stays until it is
 * dismissed.
 */
export function Notices(): ReactNode {
  const notices = useNotices((state) => state.notices);
  return (
    <Stack
      spacing={1}
      className="no-print"
      sx={{ position: 'fixed', right: 16, bottom: 16, width: 420, maxWidth: '90vw', zIndex: 1400 }}
    >
      {notices.map((notice) => (
        <NoticeAlert key={notice.id} notice={notice} />
      ))}
    </Stack>
  );
}
