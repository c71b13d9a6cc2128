import Alert from '@mui/material/Alert';
import { useEffect, useState, type ReactNode } from 'react';
import { Link, Navigate, useParams } from 'react-router';
import { useDocument } from '../state/document-store';
import type { Step } from '../state/steps';
import { openSession } from '../state/use-cases';
import { SessionFrame } from '../ui/components/session-frame';
import { BenchScreen } from '../ui/screens/bench/bench-screen';
import { CompareScreen } from '../ui/screens/compare/compare-screen';
import { DecideScreen } from '../ui/screens/decide/decide-screen';
import { FollowUpScreen } from '../ui/screens/follow-up/follow-up-screen';
import { IntakeScreen } from '../ui/screens/intake/intake-screen';
import { MovementScreen } from '../ui/screens/movement/movement-screen';
import { ReportScreen } from '../ui/screens/report/report-screen';

/** The screen of each step: a new one is one folder and one line here. */
const SCREENS: Readonly<Record<Step | 'movement', () => ReactNode>> = {
  intake: () => (
    <SessionFrame step="intake">
      <IntakeScreen />
    </SessionFrame>
  ),
  look: () => <BenchScreen step="look" />,
  match: () => <BenchScreen step="match" />,
  moments: () => <BenchScreen step="moments" />,
  measure: () => <BenchScreen step="measure" />,
  compare: () => <CompareScreen />,
  decide: () => <DecideScreen />,
  report: () => <ReportScreen />,
  'follow-up': () => <FollowUpScreen />,
  movement: () => <MovementScreen />,
};

/** Opens the session of the address, then shows its step. */
export function SessionRoute(): ReactNode {
  const { id = '', step = '' } = useParams();
  const openId = useDocument((state) => state.session?.id);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let current = true;
    void openSession(id).then((opened) => {
      if (current) setProblem(opened.ok ? null : opened.issue.message);
    });
    return () => {
      current = false;
    };
  }, [id]);
  if (!(step in SCREENS)) return <Navigate to={`/s/${id}/intake`} replace />;
  if (problem)
    return (
      <main className="page">
        <Alert severity="warning">{problem}</Alert>
        <Link to="/">All sessions</Link>
      </main>
    );
  if (openId !== id)
    return (
      <main className="page" role="status">
        Opening the session
      </main>
    );
  return SCREENS[step as keyof typeof SCREENS]();
}
