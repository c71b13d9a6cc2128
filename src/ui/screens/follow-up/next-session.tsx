import Button from '@mui/material/Button';
import { format } from 'date-fns';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { firstOf } from '../../../core/model/slots';
import type { Derived } from '../../../application/analysis/derived';
import { startNextSession } from '../../../application/season/follow-up-use-cases';
import { practiceOf } from '../../../application/season/practice-use-cases';
import { notify } from '../../../application/stores/notices';
import { TEXT } from '../../../text/screens/follow-up';

/** The next session of an athlete: the references come along as they were measured, the new clip is still to come. */
export function NextSession({ derived }: { readonly derived: Derived }): ReactNode {
  const navigate = useNavigate();
  const athlete = firstOf(derived.session.clips, 'athlete')?.performer.name ?? TEXT.athlete;
  const start = async (): Promise<void> => {
    const next = await startNextSession(`${athlete}, ${format(new Date(), 'd MMMM yyyy')}`, practiceOf(derived));
    if (next.ok) void navigate(`/s/${next.value}/intake`);
    else notify('error', next.issue.message);
  };
  return (
    <Button variant="outlined" onClick={() => void start()}>
      {TEXT.startNextSession}
    </Button>
  );
}
