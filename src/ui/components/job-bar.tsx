import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import type { ReactNode } from 'react';
import { secondsLeft, useJobs } from '../../application/stores/jobs';
import { TEXT } from '../../text/components/common';

/** Long work under way: how far, how long still, and a way to stop it. */
export function JobBar(): ReactNode {
  const jobs = useJobs((state) => state.jobs);
  return jobs.map((job) => {
    const left = secondsLeft(job);
    const share = job.all === 0 ? 0 : (job.done / job.all) * 100;
    return (
      <div key={job.id} className="job" role="status">
        <span>{job.label}</span>
        <LinearProgress
          variant={job.all === 0 ? 'indeterminate' : 'determinate'}
          value={share}
          // A bar that slides is painted anew all the time, which takes a fifth of a small machine from the work.
          sx={{ flex: '1 0 72px', '& .MuiLinearProgress-bar': { transition: 'none' } }}
          aria-label={job.label}
        />
        <span>
          {job.waitsFor ??
            (job.all === 0
              ? TEXT.starting
              : `${Math.round(share)} %${left === null ? '' : TEXT.ceilSLeft(Math.ceil(left))}`)}
        </span>
        {/* As low as the words: what stands below does not move when work begins. */}
        <Button onClick={job.cancel} sx={{ py: 0 }}>
          {TEXT.cancel}
        </Button>
      </div>
    );
  });
}
