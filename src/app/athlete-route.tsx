import { lazy, Suspense, type ReactNode } from 'react';
import { useParams } from 'react-router';
import { Boundary } from '../ui/components/boundary';

// Its script comes when it is first shown.
const AthleteScreen = lazy(() =>
  import('../ui/screens/athlete/athlete-screen').then((m) => ({ default: m.AthleteScreen })),
);

export function AthleteRoute(): ReactNode {
  const { key } = useParams();
  return (
    <Boundary what="This screen" resetKeys={[key]}>
      <Suspense
        fallback={
          <main className="page" role="status">
            Opening the athlete
          </main>
        }
      >
        <AthleteScreen key={key} />
      </Suspense>
    </Boundary>
  );
}
