import { createApi } from '@reduxjs/toolkit/query/react';
import {
  isRecord,
  type AggregateName,
  type Aggregates,
  type FetchedList,
  type Health,
  type HouseSnapshot,
  type Journal,
  type Lines,
  type MaterialBatch,
  type Publishing,
  type Several,
  type Versioned,
} from '@bienestar/contract/api';
import { type LedgerPage, type Posted } from '@bienestar/contract/happened';
import type { PricePoint } from '@bienestar/core/house/pricePoint';
import type { Edition, Material, Service } from '@bienestar/core/house/house';
import type { HouseSettings } from '@bienestar/core/house/settings';
import type { StockEntry } from '@bienestar/core/stock/entries';
import type { MaterialStock } from '@bienestar/core/house/stock';
import { askHouse, named } from './askHouse';

/** Any part of the House that is written by itself. */
export type Part = AggregateName | keyof Lines | 'settings';

/** The value of a part. */
export type PartValue<P extends Part> = P extends AggregateName
  ? Aggregates[P]
  : P extends keyof Lines
    ? Lines[P]
    : HouseSettings;

/** A write of one part, with the version it read. */
export interface Write<P extends Part = Part> {
  readonly part: P;
  readonly value: Versioned<PartValue<P>>;
}

/** A write of the outbox, with the id by which the house knows it. */
export type Named<T> = T & { readonly writeId: string };

/** The server's data: one House, read whole and written part by part. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: askHouse,
  tagTypes: [
    'House',
    'Ledger',
    'Prices',
    'Editions',
    'Journal',
    'Counts',
    'Ended',
    'Copies',
    'Runs',
  ],
  endpoints: (build) => ({
    house: build.query<HouseSnapshot, void>({
      query: () => '/house',
      providesTags: ['House'],
      /* What was written while the House was on its way is newer than what arrives. */
      onQueryStarted: async (_nothing, { dispatch, queryFulfilled }) => {
        const onTheWay: HouseChange[] = [];
        keptMeanwhile.add(onTheWay);
        await queryFulfilled.catch(() => undefined);
        keptMeanwhile.delete(onTheWay);
        onTheWay.forEach((change) => dispatch(inHouse(change)));
      },
    }),
    health: build.query<Health, void>({ query: () => '/health' }),
    /* The outbox puts what was saved into the House at hand, before it sends what comes next. */
    save: build.mutation<Versioned<PartValue<Part>>, Named<Write>>({
      query: ({ writeId, ...write }) => ({
        url: addressOf(write),
        method: 'PUT',
        body: write.value,
        headers: named(writeId),
      }),
      invalidatesTags: (_saved, error, { part }) => {
        if (error !== undefined) return [];
        /* Whoever looks at what moved sees it at once. */
        return isRecord(part)
          ? ['Ended']
          : part === 'materials'
            ? ['Prices', 'Journal']
            : ['Journal'];
      },
    }),
    add: build.mutation<
      Versioned<PartValue<Part>>,
      {
        readonly part: AggregateName;
        readonly value: object;
        /** of the outbox; without it the write is known by what it says */
        readonly writeId?: string;
      }
    >({
      query: ({ part, value, writeId }) => ({
        url: `/${part}`,
        method: 'POST',
        body: value,
        ...(writeId !== undefined && { headers: named(writeId) }),
      }),
      invalidatesTags: (_added, error) => (error ? [] : ['Journal']),
      onQueryStarted: async ({ part }, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (data) dispatch(keepInHouse(part, data));
      },
    }),
    remove: build.mutation<
      void,
      { readonly part: AggregateName; readonly id: string; readonly version: number }
    >({
      query: ({ part, id, version }) => ({
        url: `/${part}/${id}?version=${version}`,
        method: 'DELETE',
      }),
      invalidatesTags: (_result, error) => (error ? [] : ['House', 'Ended', 'Journal']),
    }),
    saveMaterials: build.mutation<readonly Versioned<Material>[], MaterialBatch>({
      query: (body) => ({ url: '/materials', method: 'PUT', body }),
      invalidatesTags: ['Prices', 'Journal'],
      onQueryStarted: async (_batch, { dispatch, queryFulfilled }) => {
        const { data = [] } = await queryFulfilled.catch(() => ({ data: undefined }));
        dispatch(keepAllInHouse(data));
      },
    }),
    saveSeveral: build.mutation<Several, Several>({
      query: (body) => ({ url: '/several', method: 'PUT', body }),
      invalidatesTags: (_saved, error) => (error ? [] : ['House', 'Prices', 'Journal']),
      /* Who takes it back at once takes back what is there now, not what was before it. */
      onQueryStarted: async (_several, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (data) dispatch(keepSeveral(data));
      },
    }),
    journal: build.query<Journal, void>({
      query: () => '/journal',
      providesTags: ['Journal'],
      keepUnusedDataFor: 0,
    }),
    ledger: build.query<LedgerPage, { readonly materialId: string; readonly before?: number }>({
      query: ({ materialId, before }) => ({
        url: `/ledger/${materialId}`,
        params: before === undefined ? {} : { before },
      }),
      providesTags: (_page, _error, { materialId }) => [{ type: 'Ledger', id: materialId }],
    }),
    enter: build.mutation<Posted, Named<{ readonly entry: StockEntry }>>({
      query: ({ entry, writeId }) => ({
        url: '/ledger',
        method: 'POST',
        body: entry,
        headers: named(writeId),
      }),
      invalidatesTags: (_posted, error, { entry }) =>
        error ? [] : [{ type: 'Ledger', id: entry.materialId }],
      onQueryStarted: async (_entry, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (!data) return;
        dispatch(keepStock(data.stock));
        if (data.order) dispatch(keepInHouse('orders', data.order));
      },
    }),
    prices: build.query<readonly PricePoint[], string>({
      query: (materialId) => `/materials/${materialId}/prices`,
      providesTags: ['Prices'],
    }),
    priceList: build.query<FetchedList, string>({
      query: (supplierId) => `/price-lists/${supplierId}`,
      keepUnusedDataFor: 0,
    }),
    edition: build.query<Edition, { readonly protocolId: string; readonly number: number }>({
      query: ({ protocolId, number }) => `/editions/${protocolId}/${number}`,
      providesTags: ['Editions'],
    }),
    publish: build.mutation<Edition, Publishing>({
      query: (body) => ({ url: '/editions', method: 'POST', body }),
      invalidatesTags: (_edition, error) => (error ? [] : ['House']),
    }),
  }),
});

export const {
  useHouseQuery,
  useHealthQuery,
  useAddMutation,
  useRemoveMutation,
  useSaveMaterialsMutation,
  useSaveSeveralMutation,
  useJournalQuery,
  useLedgerQuery,
  usePricesQuery,
  useLazyPriceListQuery,
  useEditionQuery,
  usePublishMutation,
} = api;

function addressOf({ part, value }: Write): string {
  if (part === 'settings') return '/settings';
  return `/${part}/${keyOf(part, value)}`;
}

function keyOf(part: Exclude<Part, 'settings'>, value: object): string {
  const key = part === 'demand' ? 'serviceId' : 'id';
  return String((value as Record<string, unknown>)[key]);
}

type HouseChange = (house: HouseSnapshot) => HouseSnapshot;

/** For each reading of the House that is on its way: what was kept since it was asked for. */
const keptMeanwhile = new Set<HouseChange[]>();

function inHouse(change: HouseChange) {
  return api.util.updateQueryData('house', undefined, change);
}

/** Changes the House at hand, also the one that a reading on its way will bring. */
function keep(change: HouseChange) {
  keptMeanwhile.forEach((changes) => changes.push(change));
  return inHouse(change);
}

/** A service that goes on to another edition brings that edition with it. */
export function lacksEdition(
  { editions }: HouseSnapshot,
  { protocolId, edition }: Service,
): boolean {
  return (
    edition !== undefined &&
    !editions.some((each) => each.protocolId === protocolId && each.number === edition)
  );
}

/** Puts what the server answered into the House that is at hand, unless a newer one is there. */
export function keepInHouse(part: Part, value: Versioned<object>) {
  return keep((house) => withKept(house, part, value));
}

/** Puts several things that were written together into the House that is at hand. */
function keepSeveral(saved: Several) {
  const parts = Object.entries(saved) as [Part, Versioned<object> | readonly Versioned<object>[]][];
  return keep((house) =>
    parts
      .flatMap(([part, of]) => [of].flat().map((value) => [part, value] as const))
      .reduce((so, [part, value]) => withKept(so, part, value), house),
  );
}

function withKept(house: HouseSnapshot, part: Part, value: Versioned<object>): HouseSnapshot {
  if (part === 'settings') {
    return house.settings.version > value.version
      ? house
      : { ...house, settings: value as HouseSnapshot['settings'] };
  }
  const list = house[part] as readonly Versioned<object>[];
  const id = keyOf(part, value);
  const at = list.findIndex((item) => keyOf(part, item) === id);
  const there = list[at];
  if (there && there.version > value.version) return house;
  return { ...house, [part]: there ? list.with(at, value) : [...list, value] };
}

/** Puts several materials that were written together into the House that is at hand. */
function keepAllInHouse(saved: readonly Versioned<Material>[]) {
  const byId = new Map(saved.map((material) => [material.id, material]));
  return keep((house) => ({
    ...house,
    materials: house.materials.map((material) => byId.get(material.id) ?? material),
  }));
}

/** Puts what an entry left of a material into the House that is at hand. */
export function keepStock(stock: MaterialStock) {
  return keep((house) => {
    const at = house.stock.findIndex((line) => line.materialId === stock.materialId);
    const all = house.stock;
    return { ...house, stock: at === -1 ? [...all, stock] : all.with(at, stock) };
  });
}
