import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { TEXT } from '../../text/components/common';

interface BoundaryProps {
  /** What cannot be shown where something in it fails, as a sentence begins. */
  readonly what: string;
  readonly resetKeys?: readonly unknown[];
  readonly children: ReactNode;
}

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error)).slice(0, 300);

/** Keeps a part that fails from taking the rest along, and says what can be done. */
export function Boundary({ what, resetKeys = [], children }: BoundaryProps): ReactNode {
  return (
    <ErrorBoundary
      resetKeys={[...resetKeys]}
      fallbackRender={({ error, resetErrorBoundary }: FallbackProps) => (
        <main className="page">
          <Alert
            severity="warning"
            action={
              <>
                <Button color="inherit" size="small" onClick={resetErrorBoundary}>
                  {TEXT.tryAgain}
                </Button>
                <Button color="inherit" size="small" href="/">
                  {TEXT.allSessions}
                </Button>
              </>
            }
          >
            {TEXT.whatCannotBeShownMessage(what, messageOf(error))}
          </Alert>
        </main>
      )}
    >
      {children}
    </ErrorBoundary>
  );
}
