import type { SafeCopy } from '@bienestar/contract/api';
import { api } from './api';

/* Safe copies of the house. */
export const copiesApi = api.injectEndpoints({
  endpoints: (build) => ({
    copies: build.query<readonly SafeCopy[], void>({
      query: () => '/copies',
      providesTags: ['Copies'],
    }),
    makeCopy: build.mutation<SafeCopy, void>({
      query: () => ({ url: '/copies', method: 'POST' }),
      invalidatesTags: ['Copies'],
    }),
  }),
});

export const { useCopiesQuery, useMakeCopyMutation } = copiesApi;
