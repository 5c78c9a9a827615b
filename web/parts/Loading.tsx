import { Button } from './Button';

interface LoadingProps {
  readonly what: string;
  readonly failed?: boolean;
  readonly onRetry?: () => void;
}

/** A place that is not there yet, or cannot be had. */
export function Loading({ what, failed = false, onRetry }: LoadingProps) {
  return (
    <div className="flex h-full flex-col items-center justify-center gap-4" aria-live="polite">
      <p className="font-serif text-xl text-ink-soft">
        {what} {failed ? 'did not work just now.' : '…'}
      </p>
      {failed && onRetry && <Button onClick={onRetry}>Try again</Button>}
    </div>
  );
}
