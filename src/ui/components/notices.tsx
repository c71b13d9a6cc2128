import Alert from '@mui/material/Alert';
import Stack from '@mui/material/Stack';
import { useEffect, type ReactNode } from 'react';
import { dismiss, useNotices } from '../../state/notices';

const INFO_STAYS_MS = 7000;

/** What the application has to say: information goes by itself, an error stays until it is dismissed. */
export function Notices(): ReactNode {
  const notices = useNotices((state) => state.notices);
  useEffect(() => {
    const timers = notices.filter((n) => n.severity === 'info').map((n) => setTimeout(() => dismiss(n.id), INFO_STAYS_MS));
    return () => timers.forEach(clearTimeout);
  }, [notices]);
  return (
    <Stack spacing={1} className="no-print" sx={{ position: 'fixed', right: 16, bottom: 16, width: 420, maxWidth: '90vw', zIndex: 1400 }}>
      {notices.map((notice) => (
        <Alert key={notice.id} severity={notice.severity === 'error' ? 'warning' : 'info'} variant="filled" onClose={() => dismiss(notice.id)}>
          {notice.text}
        </Alert>
      ))}
    </Stack>
  );
}
