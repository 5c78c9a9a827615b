import { useCallback } from 'react';
import type { Matrix } from '@bienestar/core/figures/matrix';
import type { Protocol } from '@bienestar/core/house/house';
import type { Outcome } from '@bienestar/core/problem/problem';
import type { MatrixWorker } from '../../workers/matrix.worker';
import { useWorked, type Question, type Worked } from '../../workers/useWorked';
import type { ShownService } from './useShownService';

/** The range of a protocol over all clients, counted for as long as it is looked at. */
export function useMatrix(
  protocol: Protocol,
  { house, service }: Pick<ShownService, 'house' | 'service'>,
): Worked<Outcome<Matrix>> {
  const question: Question<MatrixWorker, Outcome<Matrix>> = useCallback(
    (matrices, tell) => matrices.over(house, protocol, service, tell),
    [house, protocol, service],
  );
  return useWorked(matrixWorker, question);
}

function matrixWorker(): Worker {
  return new Worker(new URL('../../workers/matrix.worker.ts', import.meta.url), {
    type: 'module',
  });
}
