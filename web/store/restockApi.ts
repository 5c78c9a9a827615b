import type {
  CountEntered,
  FetchedList,
  OrderReceived,
  Performed,
  RecordName,
  RecordPage,
  Versioned,
} from '@bienestar/contract/api';
import type {
  Booking,
  CountedLine,
  CountRound,
  Order,
  Treatment,
} from '@bienestar/core/house/house';
import type { OrderId, TreatmentId } from '@bienestar/core/house/ids';
import type { Receiving } from '@bienestar/core/restock/receiveOrder';
import type { CountHistory } from '@bienestar/core/restock/countReview';
import type { CountEntry, TotalCountEntry, UseEntry } from '@bienestar/core/stock/entries';
import type { MaterialStock } from '@bienestar/core/house/stock';
import { api, keepInHouse, keepStock, named, type Named } from './api';

/** An order as it was read. */
interface OrderRead {
  readonly id: OrderId;
  readonly version: number;
}

/* What is done with orders, counts, the book and what was performed. */
export const restockApi = api.injectEndpoints({
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
    receiveOrder: build.mutation<
      OrderReceived,
      Named<OrderRead & { readonly receiving: Receiving }>
    >({
      query: ({ id, version, receiving, writeId }) => ({
        url: `/orders/${id}/receive`,
        method: 'POST',
        body: { ...receiving, version },
        headers: named(writeId),
      }),
      invalidatesTags: (_received, error) => (error ? [] : ['Ledger']),
      onQueryStarted: async (_read, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (!data) return;
        dispatch(keepInHouse('orders', data.order));
        data.stock.forEach((stock) => dispatch(keepStock(stock)));
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
    perform: build.mutation<
      Performed,
      Named<{ readonly treatment: Treatment; readonly uses: readonly UseEntry[] }>
    >({
      query: ({ treatment, uses, writeId }) => ({
        url: '/treatments',
        method: 'POST',
        body: { treatment, uses },
        headers: named(writeId),
      }),
      invalidatesTags: (_performed, error) => (error ? [] : ['House', 'Ledger']),
    }),
    takeBack: build.mutation<{ readonly stock: readonly MaterialStock[] }, TreatmentId>({
      query: (id) => ({ url: `/treatments/${id}/take-back`, method: 'POST' }),
      invalidatesTags: (_back, error) => (error ? [] : ['House', 'Ledger']),
    }),
    enterCounted: build.mutation<
      CountEntered,
      Named<{
        readonly roundId: string;
        readonly line: CountedLine;
        readonly entry: CountEntry | TotalCountEntry;
      }>
    >({
      query: ({ roundId, line, entry, writeId }) => ({
        url: `/counts/${roundId}/lines`,
        method: 'POST',
        body: { line, entry },
        headers: named(writeId),
      }),
      invalidatesTags: (_entered, error) => (error ? [] : ['Ledger', 'Counts']),
      onQueryStarted: async (_line, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (!data) return;
        dispatch(keepInHouse('counts', data.round));
        dispatch(keepStock(data.stock));
      },
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
