import type { ReactNode } from 'react';
import type { Derived } from '../../../application/analysis/derived';
import { performersOf } from '../../../application/analysis/subjects';
import { mainsOf } from '../../../application/bench/bench-clips';
import { PerformersTable, WorkOf } from '../../components/performers-table';
import { TEXT } from '../../../text/screens/report';

/** A crew, a pair or several attempts: what the others are to work on, and a column of readings for each. */
export function Everybody({ derived }: { readonly derived: Derived }): ReactNode {
  if (mainsOf(derived.clips, 'athlete').length < 2) return null;
  const { movement } = derived;
  const performers = performersOf(derived);
  return (
    <section data-testid="everybody">
      <h2>{TEXT.allPerformers}</h2>
      {/* What the first is to work on is the report itself. */}
      {performers.subjects.slice(1).map((subject) => (
        <WorkOf key={subject.clip.id} subject={subject} />
      ))}
      <PerformersTable movement={movement} performers={performers} />
    </section>
  );
}
