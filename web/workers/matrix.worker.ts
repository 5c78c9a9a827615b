import { pricesOf } from '@bienestar/core/figures/trial';
import { expose } from 'comlink';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { matrixOf, type Matrix } from '@bienestar/core/figures/matrix';
import { createTrial } from '@bienestar/core/figures/trial';
import { clientWith } from '@bienestar/core/house/client';
import type { House, Protocol, Service } from '@bienestar/core/house/house';
import { indexHouse } from '@bienestar/core/house/houseIndex';
import { failWith, type Outcome } from '@bienestar/core/problem/problem';
import { toldFirst } from './toldFirst';

/** Works out the range of a protocol over all clients, away from the page. */
const matrices = {
  async over(
    house: House,
    protocol: Protocol,
    service: Service,
    onProgress: (share: number) => void,
  ): Promise<Outcome<Matrix>> {
    const { materials } = createCalculator()({ ...house, services: [], demand: [] });
    const inUse = { protocol, mixes: house.mixes };
    const { figures } = createTrial()(house, materials, service, inUse, clientWith());
    if (!figures.rates.ok) return failWith(figures.rates.problems);
    const of = {
      house,
      index: indexHouse(house),
      inUse,
      ...pricesOf(materials),
      rates: figures.rates.value,
    };
    return toldFirst(onProgress, (tell) => matrixOf(of, tell));
  },
};

export type MatrixWorker = typeof matrices;
expose(matrices);
