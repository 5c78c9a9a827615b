import { lazy, Suspense } from 'react';
import type { Problem } from '@bienestar/core/problem/problem';

const load = () => import('./MissingMeasure');
const MissingMeasure = lazy(async () => ({ default: (await load()).MissingMeasure }));
const MissingDensity = lazy(async () => ({ default: (await load()).MissingDensity }));

interface ProblemsProps {
  readonly problems: readonly Problem[];
  /** they are only told: what is missing has its field elsewhere on the screen */
  readonly isTold?: boolean;
}

/** What cannot be computed, and why, once each; what only waits for a measure is answered there. */
export function Problems({ problems, isTold = false }: ProblemsProps) {
  const byMessage = new Map(problems.map((problem) => [problem.message, problem.where]));
  if (byMessage.size === 0) return null;
  return (
    <ul className="flex flex-col gap-1 border-l-2 border-clay bg-clay-wash px-3 py-2 text-sm">
      {[...byMessage].map(([message, { materialId, mixId, missing }]) => (
        <li key={message}>
          <span aria-hidden className="text-clay">
            ▲{' '}
          </span>
          {message}
          {!isTold && missing !== undefined && (
            <Suspense>
              {materialId !== undefined && (
                <MissingMeasure materialId={materialId} missing={missing} />
              )}
              {materialId === undefined && mixId !== undefined && missing.of === 'density' && (
                <MissingDensity mixId={mixId} />
              )}
            </Suspense>
          )}
        </li>
      ))}
    </ul>
  );
}
