import type { ScaleState, StandInOrder } from '@bienestar/contract/api';
import { api } from './api';

/* The bench scale. */
const scaleApi = api.injectEndpoints({
  endpoints: (build) => ({
    scale: build.query<ScaleState, void>({ query: () => '/scale', keepUnusedDataFor: 0 }),
    zeroScale: build.mutation<void, void>({
      query: () => ({ url: '/scale/zero', method: 'POST' }),
    }),
    tellStandIn: build.mutation<void, StandInOrder>({
      query: (body) => ({ url: '/scale/stand-in', method: 'POST', body }),
    }),
  }),
});

export const { useScaleQuery, useZeroScaleMutation, useTellStandInMutation } = scaleApi;
