import Alert from '@mui/material/Alert';
import { useEffect, useState, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { loadDemo } from '../state/demo';

/** Puts the demo data into this browser and goes to its bench. */
export function DemoRoute(): ReactNode {
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    void loadDemo().then((loaded) => {
      if (loaded.ok) void navigate(`/s/${loaded.value}/measure`, { replace: true });
      else setProblem(loaded.issue.message);
    });
  }, [navigate]);
  if (problem) return <main className="page"><Alert severity="warning">{problem}</Alert><Link to="/">All sessions</Link></main>;
  return <main className="page" role="status">Loading the demo</main>;
}
