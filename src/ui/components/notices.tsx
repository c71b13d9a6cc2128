import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useEffect, useState, type ReactNode } from 'react';
import { dismiss, useNotices, type Notice } from '../../application/stores/notices';
import { useUpdate } from '../../application/stores/updates';
import { TEXT } from '../../text/components/common';

const INFO_STAYS_MS = 7000;
/** Something can still be done about it. */
const OFFER_STAYS_MS = 20_000;

function NoticeAlert({ notice }: { readonly notice: Notice }): ReactNode {
  const { id, severity, text, act } = notice;
  useEffect(() => {
    if (severity !== 'info') return undefined;
    const timer = setTimeout(() => dismiss(id), act ? OFFER_STAYS_MS : INFO_STAYS_MS);
    return () => clearTimeout(timer);
  }, [id, severity, act]);
  return (
    <Alert severity={severity === 'error' ? 'warning' : 'info'} variant="filled" onClose={() => dismiss(id)}>
      {text}
      {act && (
        <Button
          color="inherit"
          size="small"
          sx={{ ml: 1 }}
          onClick={() => {
            act.run();
            dismiss(id);
          }}
        >
          {act.label}
        </Button>
      )}
    </Alert>
  );
}

/** A new version that waits: offered, never forced. */
function UpdateOffer(): ReactNode {
  const take = useUpdate((state) => state.take);
  const [later, setLater] = useState(false);
  if (!take || later) return null;
  return (
    <Alert
      severity="info"
      variant="filled"
      action={
        <>
          <Button color="inherit" size="small" onClick={() => void take()}>
            {TEXT.changeOverNow}
          </Button>
          <Button color="inherit" size="small" onClick={() => setLater(true)}>
            {TEXT.later}
          </Button>
        </>
      }
    >
      {TEXT.newVersionOfApplicationIs}
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
      <UpdateOffer />
      {notices.map((notice) => (
        <NoticeAlert key={notice.id} notice={notice} />
      ))}
    </Stack>
  );
}
