import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { notify } from '../../../application/stores/notices';
import { TEXT } from '../../../text/screens/home';

// What reads a damaged session is not needed to say that it is.
const damagedSessions = () => import('../../../application/keeping/damaged-sessions');

/** More of what was left out than this is counted, not named. */
const NAMED = 8;

interface RepairButtonsProps {
  readonly id: string;
  /** Called with the id under which it opens now; null offers no repair. */
  readonly onRepaired: ((id: string) => void) | null;
}

/** Leaves out of a session what cannot be read, and names it; or saves it as it is. */
export function RepairButtons({ id, onRepaired }: RepairButtonsProps): ReactNode {
  const onRepair = async (): Promise<void> => {
    const { repair } = await damagedSessions();
    const repaired = await repair(id);
    if (!repaired.ok) return notify('error', repaired.issue.message);
    const { dropped } = repaired.value;
    const more = dropped.length > NAMED ? TEXT.andCountMore(dropped.length - NAMED) : '';
    notify('error', TEXT.repairedLeftOutDroppedMore(dropped.slice(0, NAMED).join('; ') || TEXT.nothingLeftOut, more));
    onRepaired?.(repaired.value.id);
  };
  return (
    <span style={{ display: 'inline-flex', gap: 8 }}>
      {onRepaired && (
        <Button size="small" variant="outlined" onClick={() => void onRepair()}>
          {TEXT.repair}
        </Button>
      )}
      <Button size="small" onClick={() => void damagedSessions().then(({ saveRaw }) => saveRaw(id))}>
        {TEXT.saveAsItIs}
      </Button>
    </span>
  );
}
