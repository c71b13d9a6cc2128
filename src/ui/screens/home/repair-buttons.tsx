import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { repair, saveRaw } from '../../../application/keeping/damaged-sessions';
import { notify } from '../../../application/stores/notices';
import { TEXT } from '../../../text/screens/home';

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
      <Button size="small" onClick={() => void saveRaw(id)}>
        {TEXT.saveAsItIs}
      </Button>
    </span>
  );
}
