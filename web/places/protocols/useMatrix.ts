import { proxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { Matrix } from '@bienestar/core/figures/matrix';
import type { Protocol } from '@bienestar/core/house/house';
import type { Outcome } from '@bienestar/core/problem/problem';
import type { MatrixWorker } from '../../workers/matrix.worker';
import type { ShownService } from './useShownService';

/** How far the range over all clients is counted. */
export interface CountedMatrix {
  readonly share: number;
  readonly matrix: Outcome<Matrix> | undefined;
}

/** The range of a protocol over all clients, counted in a worker for as long as it is looked at. */
export function useMatrix(
  protocol: Protocol,
  { house, service }: Pick<ShownService, 'house' | 'service'>,
): CountedMatrix {
  const [counted, setCounted] = useState<CountedMatrix>({ share: 0, matrix: undefined });
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/matrix.worker.ts', import.meta.url), {
      type: 'module',
    });
    const matrices = wrap<MatrixWorker>(worker);
    const onProgress = proxy((share: number): void =>
      setCounted((before) => (before.matrix ? before : { share, matrix: undefined })),
    );
    void matrices
      .over(house, protocol, service, onProgress)
      .then((matrix) => setCounted({ share: 1, matrix }));
    return () => worker.terminate();
  }, [house, protocol, service]);
  return counted;
}
