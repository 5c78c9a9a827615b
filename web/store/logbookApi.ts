import type { LogbookCorrected, LoggedVisitRead } from '@bienestar/contract/happened';
import type { LogbookCorrection } from '@bienestar/core/house/logbook';
import { api } from './api';

/* One visit of the logbook, and what is corrected of it. All of it is read by a worker. */
const logbookApi = api.injectEndpoints({
  endpoints: (build) => ({
    loggedVisit: build.query<LoggedVisitRead, string>({ query: (id) => `/logbook/${id}` }),
    correctVisit: build.mutation<
      LogbookCorrected,
      { readonly id: string; readonly correction: LogbookCorrection }
    >({
      query: ({ id, correction }) => ({
        url: `/logbook/${id}/corrections`,
        method: 'POST',
        body: correction,
      }),
      invalidatesTags: (_corrected, error) => (error ? [] : ['House', 'Ledger']),
      onQueryStarted: async ({ id }, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (!data) return;
        const { entry, plan } = data;
        void dispatch(logbookApi.util.upsertQueryData('loggedVisit', id, { entry, plan }));
      },
    }),
  }),
});

export const { useLoggedVisitQuery, useCorrectVisitMutation } = logbookApi;
