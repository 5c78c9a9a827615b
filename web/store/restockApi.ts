import type { FetchedList, RecordName, RecordPage, Versioned } from '@bienestar/contract/api';
import type { Booking, CountRound, Order } from '@bienestar/core/house/house';
import type { TreatmentId } from '@bienestar/core/house/ids';
import type { MaterialStock } from '@bienestar/core/house/stock';
import type { CountHistory } from '@bienestar/core/restock/countReview';
import { api, keepInHouse } from './api';
import type { OrderRead } from './happenedApi';

/* What is done with orders, counts, the book and what was performed. */
const restockApi = api.injectEndpoints({
  endpoints: (build) => ({
    sendOrder: build.mutation<Versioned<Order>, OrderRead>({
      query: ({ id, version }) => ({
        url: `/orders/${id}/send`,
        method: 'POST',
        body: { version },
      }),
      onQueryStarted: async (_read, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (data) dispatch(keepInHouse('orders', data));
      },
    }),
    askOrder: build.mutation<Versioned<Order>, OrderRead>({
      query: ({ id, version }) => ({ url: `/orders/${id}/ask`, method: 'POST', body: { version } }),
      onQueryStarted: async (_read, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (data) dispatch(keepInHouse('orders', data));
      },
    }),
    bookingFeed: build.query<FetchedList, void>({
      query: () => '/bookings/feed',
      keepUnusedDataFor: 0,
    }),
    saveBookings: build.mutation<readonly Booking[], readonly Booking[]>({
      query: (body) => ({ url: '/bookings', method: 'PUT', body }),
      invalidatesTags: (_saved, error) => (error ? [] : ['House']),
    }),
    takeBack: build.mutation<{ readonly stock: readonly MaterialStock[] }, TreatmentId>({
      query: (id) => ({ url: `/treatments/${id}/take-back`, method: 'POST' }),
      invalidatesTags: (_back, error) => (error ? [] : ['House', 'Ledger']),
    }),
    countHistory: build.query<CountHistory, string>({
      query: (roundId) => `/counts/${roundId}/history`,
      providesTags: ['Counts'],
    }),
    ended: build.infiniteQuery<RecordPage, RecordName, number | undefined>({
      infiniteQueryOptions: {
        initialPageParam: undefined,
        getNextPageParam: ({ next }) => next,
      },
      query: ({ queryArg: name, pageParam: before }) => ({
        url: `/${name}`,
        params: { ended: true, ...(before !== undefined && { before }) },
      }),
      providesTags: ['Ended'],
    }),
    record: build.query<
      Versioned<Order | CountRound>,
      { readonly of: RecordName; readonly id: string }
    >({
      query: ({ of, id }) => `/${of}/${id}`,
      providesTags: ['Ended'],
    }),
  }),
});

export const {
  useSendOrderMutation,
  useAskOrderMutation,
  useLazyBookingFeedQuery,
  useSaveBookingsMutation,
  useTakeBackMutation,
  useCountHistoryQuery,
  useEndedInfiniteQuery,
  useRecordQuery,
} = restockApi;
