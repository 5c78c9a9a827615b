import type {
  CountEntered,
  Incidents,
  OrderReceived,
  Performed,
  RunPage,
  RunSoFar,
} from '@bienestar/contract/happened';
import type { CountedLine, Run, RunLogEntry, Treatment } from '@bienestar/core/house/house';
import type { LogbookVisit } from '@bienestar/core/house/logbook';
import { closesRun } from '@bienestar/core/house/run';
import type { OrderId, RunId } from '@bienestar/core/house/ids';
import type { Receiving } from '@bienestar/core/restock/receiveOrder';
import type { CountEntry, TotalCountEntry, UseEntry } from '@bienestar/core/stock/entries';
import { hearTime } from './runs/houseTime';
import { api, keepInHouse, keepStock, type Named } from './api';
import { named } from './askHouse';

/** An order as it was read. */
export interface OrderRead {
  readonly id: OrderId;
  readonly version: number;
}

/** Whether a run stands in another list after an event. */
function changesLists(event: RunLogEntry): boolean {
  return closesRun(event) || event.kind === 'incident' || event.kind === 'followed-up';
}

/* What the outbox sends besides fields: what came, what was counted, what was performed. */
export const happenedApi = api.injectEndpoints({
  endpoints: (build) => ({
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
    perform: build.mutation<
      Performed,
      Named<{
        readonly treatment: Treatment;
        readonly uses: readonly UseEntry[];
        readonly log?: LogbookVisit;
      }>
    >({
      query: ({ treatment, uses, log, writeId }) => ({
        url: '/treatments',
        method: 'POST',
        body: { treatment, uses, log },
        headers: named(writeId),
      }),
      invalidatesTags: (_performed, error) => (error ? [] : ['House', 'Ledger']),
    }),
    beginRun: build.mutation<Run, Named<{ readonly run: Run }>>({
      query: ({ run, writeId }) => ({
        url: '/runs',
        method: 'POST',
        body: run,
        headers: named(writeId),
      }),
      invalidatesTags: ['Runs'],
    }),
    addToRun: build.mutation<
      RunSoFar,
      Named<{ readonly runId: RunId; readonly events: readonly RunLogEntry[] }>
    >({
      query: ({ runId, events, writeId }) => ({
        url: `/runs/${runId}/events`,
        method: 'POST',
        body: { events },
        headers: named(writeId),
      }),
      /* A tap changes no list. */
      invalidatesTags: (_soFar, _error, { events }) => (events.some(changesLists) ? ['Runs'] : []),
    }),
    run: build.query<RunSoFar, RunId>({
      query: (id) => `/runs/${id}`,
      transformResponse: (soFar: RunSoFar, meta) => {
        hearTime(meta?.response?.headers.get('date'));
        return soFar;
      },
    }),
    incidents: build.query<Incidents, void>({
      query: () => '/runs/incidents',
      providesTags: ['Runs'],
    }),
    openRuns: build.query<RunPage, void>({ query: () => '/runs', providesTags: ['Runs'] }),
    closedRuns: build.infiniteQuery<RunPage, void, number | undefined>({
      infiniteQueryOptions: {
        initialPageParam: undefined,
        getNextPageParam: ({ next }) => next,
      },
      query: ({ pageParam: before }) => ({
        url: '/runs',
        params: { ended: true, ...(before !== undefined && { before }) },
      }),
      providesTags: ['Runs'],
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
  }),
});

export const { useIncidentsQuery, useOpenRunsQuery, useClosedRunsInfiniteQuery } = happenedApi;
