import type { Working } from '@bienestar/core/explain/working';
import { useShowWorking } from './WorkingProvider';

interface WorkedFigureProps {
  readonly label: string;
  readonly text: string;
  /** made when it is asked for */
  readonly working: () => Working;
  readonly className?: string;
}

/** A figure that opens to its working. */
export function WorkedFigure({ label, text, working, className = '' }: WorkedFigureProps) {
  const show = useShowWorking();
  return (
    <button
      type="button"
      aria-label={`${label}: ${text}. Show the working`}
      title="Show the working"
      onClick={() => show(working())}
      className={`underline decoration-line-strong decoration-dotted decoration-1 underline-offset-4 hover:decoration-clay hover:decoration-solid ${className}`}
    >
      {text}
    </button>
  );
}
