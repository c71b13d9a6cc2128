import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import type { ComponentType, ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import type { Derived } from '../../../application/analysis/derived';
import { useDerived } from '../../../application/analysis/use-derived';
import { SessionFrame } from '../../components/session-frame';
import { CurvesView } from './curves-view';
import { PathsView } from './paths-view';
import { PerformersView } from './performers-view';
import { ReadingsView } from './readings-view';
import { ReferenceCard } from './reference-card';
import { RepetitionsView } from './repetitions-view';
import { CriteriaView } from './criteria-view';
import { TimingView } from './timing-view';
import { TogetherView } from './together-view';
import { TEXT } from '../../../text/screens/compare';

/** The ways to compare: a further one is one line here. */
const VIEWS: readonly {
  readonly id: string;
  readonly name: string;
  readonly View: ComponentType<{ readonly derived: Derived }>;
}[] = [
  { id: 'readings', name: TEXT.readings, View: ReadingsView },
  { id: 'performers', name: TEXT.performersBeside, View: PerformersView },
  { id: 'curves', name: TEXT.curves, View: CurvesView },
  { id: 'timing', name: TEXT.timing, View: TimingView },
  { id: 'paths', name: TEXT.trajectories, View: PathsView },
  { id: 'repetitions', name: TEXT.repetitions, View: RepetitionsView },
  { id: 'together', name: TEXT.synchrony, View: TogetherView },
  { id: 'criteria', name: TEXT.criteria, View: CriteriaView },
];

/** Athlete against reference, in every way in which they can be compared. */
export function CompareScreen(): ReactNode {
  const derived = useDerived();
  const [params, setParams] = useSearchParams();
  const chosen = VIEWS.find((v) => v.id === params.get('view')) ?? VIEWS[0]!;
  return (
    <SessionFrame step="compare">
      <main className="page">
        <div className="inner">
          <h1 className="visually-hidden">{TEXT.differences}</h1>
          {derived.judged.length === 0 ? (
            <p>{TEXT.differencesStandHereOnceAthletes}</p>
          ) : (
            <>
              <ReferenceCard derived={derived} />
              <Tabs
                value={chosen.id}
                onChange={(_, id: string) => setParams(id === VIEWS[0]!.id ? {} : { view: id }, { replace: true })}
                aria-label={TEXT.waysToCompare}
                variant="scrollable"
                sx={{ mb: 1.5, minHeight: 40 }}
              >
                {VIEWS.map((v) => (
                  <Tab key={v.id} value={v.id} label={v.name} id={`tab-${v.id}`} aria-controls={`view-${v.id}`} />
                ))}
              </Tabs>
              <div role="tabpanel" id={`view-${chosen.id}`} aria-labelledby={`tab-${chosen.id}`}>
                <chosen.View derived={derived} />
              </div>
            </>
          )}
        </div>
      </main>
    </SessionFrame>
  );
}
