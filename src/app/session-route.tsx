import { lazy, Suspense, useEffect, useState, type ReactNode } from 'react';
import { Navigate, useParams } from 'react-router';
import type { Issue } from '../core/result';
import { useDocument } from '../application/stores/document-store';
import type { Step } from '../application/session/steps';
import { openSession } from '../application/session/session-use-cases';
import { useWindow } from '../application/stores/windows';
import { Boundary } from '../ui/components/boundary';
import { SessionFrame } from '../ui/components/session-frame';
import { UnopenedSession } from '../ui/screens/home/unopened-session';
import { TEXT } from '../text/app';
import './working';

// Each screen's script comes when it is first shown.
const BenchScreen = lazy(() => import('../ui/screens/bench/bench-screen').then((m) => ({ default: m.BenchScreen })));
const CompareScreen = lazy(() =>
  import('../ui/screens/compare/compare-screen').then((m) => ({ default: m.CompareScreen })),
);
const DecideScreen = lazy(() =>
  import('../ui/screens/decide/decide-screen').then((m) => ({ default: m.DecideScreen })),
);
const FollowUpScreen = lazy(() =>
  import('../ui/screens/follow-up/follow-up-screen').then((m) => ({ default: m.FollowUpScreen })),
);
const IntakeScreen = lazy(() =>
  import('../ui/screens/intake/intake-screen').then((m) => ({ default: m.IntakeScreen })),
);
const MovementScreen = lazy(() =>
  import('../ui/screens/movement/movement-screen').then((m) => ({ default: m.MovementScreen })),
);
const ReportScreen = lazy(() =>
  import('../ui/screens/report/report-screen').then((m) => ({ default: m.ReportScreen })),
);

/** The screen of each step: a new one is one folder and one line here. */
const SCREENS: Readonly<Record<Step | 'movement', () => ReactNode>> = {
  intake: () => (
    <SessionFrame step="intake">
      <IntakeScreen />
    </SessionFrame>
  ),
  review: () => <BenchScreen step="review" />,
  match: () => <BenchScreen step="match" />,
  moments: () => <BenchScreen step="moments" />,
  measure: () => <BenchScreen step="measure" />,
  compare: () => <CompareScreen />,
  decide: () => <DecideScreen />,
  report: () => <ReportScreen />,
  'follow-up': () => <FollowUpScreen />,
  movement: () => <MovementScreen />,
};

const DELETED: Issue = { code: 'deleted', message: TEXT.thisSessionWasDeletedIn };

/** Opens the session of the address, then shows its step. */
export function SessionRoute(): ReactNode {
  const { id = '', step = '' } = useParams();
  const openId = useDocument((state) => state.session?.id);
  const deleted = useWindow((state) => state.deleted);
  const [attempt, setAttempt] = useState(0);
  const again = (): void => setAttempt((n) => n + 1);
  const [problem, setProblem] = useState<Issue | null>(null);
  useEffect(() => {
    let current = true;
    void openSession(id).then((opened) => {
      if (current) setProblem(opened.ok ? null : opened.issue);
    });
    return () => {
      current = false;
    };
  }, [id, attempt]);
  if (!Object.hasOwn(SCREENS, step)) return <Navigate to={`/s/${encodeURIComponent(id)}/intake`} replace />;
  if (deleted === id) return <UnopenedSession id={id} issue={DELETED} onRepaired={again} />;
  if (problem) return <UnopenedSession id={id} issue={problem} onRepaired={again} />;
  const opening = (
    <main className="page" role="status">
      {TEXT.openingSession}
    </main>
  );
  if (openId !== id) return opening;
  return (
    <Boundary what={TEXT.thisScreen} resetKeys={[id, step]}>
      <Suspense fallback={opening}>{SCREENS[step as keyof typeof SCREENS]()}</Suspense>
    </Boundary>
  );
}
