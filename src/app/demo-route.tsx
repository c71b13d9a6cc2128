import Alert from '@mui/material/Alert';
import { useEffect, useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { DEMOS } from '../application/intake/demos';
import { TEXT } from '../text/app';

/** Puts the demo data into this browser and goes to its bench. */
export function DemoRoute(): ReactNode {
  const navigate = useNavigate();
  const { which } = useParams();
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    const demo = DEMOS.find((d) => d.id === which) ?? DEMOS[0];
    void import('../application/intake/demo').then(async ({ loadDemo }) => {
      const loaded = await loadDemo(demo.id);
      if (loaded.ok) void navigate(`/s/${loaded.value}/measure`, { replace: true });
      else setProblem(loaded.issue.message);
    });
  }, [navigate, which]);
  if (problem)
    return (
      <main className="page">
        <Alert severity="warning">{problem}</Alert>
        <Link to="/">{TEXT.allSessions}</Link>
      </main>
    );
  return (
    <main className="page" role="status">
      {TEXT.loadingDemo}
    </main>
  );
}
