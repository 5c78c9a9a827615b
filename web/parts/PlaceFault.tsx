import { useRouteError } from 'react-router';
import { Button } from './Button';

/** A place that broke: says so, and offers to open it again. */
export function PlaceFault() {
  const error = useRouteError();
  return (
    <div
      role="alert"
      className="flex h-full flex-col items-center justify-center gap-3 p-8 text-center"
    >
      <h1 className="text-2xl">This place cannot be shown.</h1>
      <p className="max-w-prose text-ink-soft">
        What you saved is safe. {error instanceof Error ? error.message : ''}
      </p>
      <Button weight="main" onClick={() => window.location.reload()}>
        Open it again
      </Button>
    </div>
  );
}
