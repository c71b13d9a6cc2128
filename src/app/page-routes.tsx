import { lazy, Suspense, type ReactNode } from 'react';
import { useParams } from 'react-router';
import { Boundary } from '../ui/components/boundary';
import { TEXT } from '../text/app';

// Each page's script comes when it is first shown.
const AthleteScreen = lazy(() =>
  import('../ui/screens/athlete/athlete-screen').then((m) => ({ default: m.AthleteScreen })),
);
const KeptScreen = lazy(() => import('../ui/screens/kept/kept-screen').then((m) => ({ default: m.KeptScreen })));

const OneSession = lazy(() => import('./session-route').then((m) => ({ default: m.SessionRoute })));

function Page({ of, children }: { readonly of: string; readonly children: ReactNode }): ReactNode {
  return (
    <Boundary what={TEXT.thisScreen} resetKeys={[of]}>
      <Suspense
        fallback={
          <main className="page" role="status">
            {TEXT.opening}
          </main>
        }
      >
        {children}
      </Suspense>
    </Boundary>
  );
}

/** One athlete. */
export function AthleteRoute(): ReactNode {
  const { key = '' } = useParams();
  return (
    <Page of={key}>
      <AthleteScreen key={key} />
    </Page>
  );
}

/** All that this browser holds. */
export function KeptRoute(): ReactNode {
  return (
    <Page of="kept">
      <KeptScreen />
    </Page>
  );
}

/** A session at one of its steps. */
export function SessionRoute(): ReactNode {
  return (
    <Page of="session">
      <OneSession />
    </Page>
  );
}
