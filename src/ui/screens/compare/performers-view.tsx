import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import type { Derived } from '../../../application/analysis/derived';
import { hasCounterparts, performersOf, type Performers, type Subject } from '../../../application/analysis/subjects';
import { mainsOf } from '../../../application/bench/bench-clips';
import { chooseCounterpart, judgeAthlete } from '../../../application/comparison/comparison-use-cases';
import { framesOf, goToFrames } from '../../components/go-to-frames';
import { PerformersTable, WorkOf } from '../../components/performers-table';
import { TEXT } from '../../../text/screens/compare';

/** Who a column is of, and with whom they are compared. */
function UnderName({
  derived,
  subject,
  references,
}: {
  readonly derived: Derived;
  readonly subject: Subject;
  readonly references: Performers['references'];
}): ReactNode {
  const { clip } = subject.clip.trial;
  const isJudged = subject.clip.id === 'athlete';
  const alone = mainsOf(derived.clips, 'athlete').length === 1;
  return (
    <>
      {hasCounterparts(derived) && (
        <div style={{ padding: '8px 0 4px' }}>
          <TextField
            select
            size="small"
            label={TEXT.comparedWith}
            value={subject.counterpart?.trial.clip.id ?? ''}
            onChange={(event) => chooseCounterpart(derived, clip.id, event.target.value)}
            slotProps={{
              select: {
                SelectDisplayProps: {
                  'aria-label': TEXT.comparedWithOf(clip.performer.name),
                  // The label over it does not say whose it is.
                  'aria-labelledby': undefined,
                },
              },
            }}
            sx={{ minWidth: 150, textAlign: 'left' }}
          >
            {references.map(({ clip: on }) => (
              <MenuItem key={on.id} value={on.trial.clip.id}>
                {on.trial.clip.performer.name}
              </MenuItem>
            ))}
          </TextField>
        </div>
      )}
      <div style={{ fontWeight: 400 }}>
        {alone ? null : isJudged ? (
          TEXT.decidedAndReported
        ) : (
          <Button size="small" onClick={() => judgeAthlete(derived, clip.id)}>
            {TEXT.decideAndReportThis}
          </Button>
        )}
      </div>
    </>
  );
}

/** A crew, a pair or several attempts beside each other: each against their own reference, and judged alike. */
export function PerformersView({ derived }: { readonly derived: Derived }): ReactNode {
  const { movement, session } = derived;
  const navigate = useNavigate();
  const performers = useMemo(() => performersOf(derived), [derived]);
  const { subjects, references } = performers;
  if (subjects.length + references.length < 3) return <p>{TEXT.addFurtherAthletesOrReferences}</p>;
  return (
    <>
      <section className="card" style={{ marginBottom: 12 }}>
        <PerformersTable
          movement={movement}
          performers={performers}
          below={(subject) => <UnderName derived={derived} subject={subject} references={references} />}
          onShow={(measureId, readings) => goToFrames(navigate, session.id, framesOf(...readings), measureId)}
        />
        <p className="note">{TEXT.eachIsJudgedAgainstTheir}</p>
      </section>
      <div className="flow">
        {subjects.map((subject) => (
          <WorkOf key={subject.clip.id} subject={subject} />
        ))}
      </div>
    </>
  );
}
