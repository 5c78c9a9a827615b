import { expose } from 'comlink';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { House } from '@bienestar/core/house/house';
import type { ServiceId } from '@bienestar/core/house/ids';
import {
  marginWatch,
  serviceHistory,
  type HistoryPoint,
  type Memory,
  type Watched,
} from '@bienestar/core/watch/history';

const calculate = createCalculator(1, 'services');

/** Works out what was from what is remembered, away from the page. */
const memories = {
  watch: (house: House, memory: Memory, since: string): readonly Watched[] =>
    marginWatch(house, memory, since, calculate),

  history: (
    house: House,
    memory: Memory,
    serviceId: ServiceId,
    today: string,
  ): readonly HistoryPoint[] => serviceHistory(house, memory, serviceId, today, calculate),
};

export type MemoryWorker = typeof memories;
expose(memories);
