import { createApi, fetchBaseQuery, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import {
  API,
  type AggregateName,
  type Aggregates,
  type Health,
  type HouseSnapshot,
  type Lines,
  type ProblemDocument,
  type Versioned,
} from '@bienestar/contract/api';
import type { HouseSettings } from '@bienestar/core/house/settings';

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

/** The server's data: one House, read whole and written part by part. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: API, timeout: 15_000 }),
  tagTypes: ['House'],
  endpoints: (build) => ({
    house: build.query<HouseSnapshot, void>({ query: () => '/house', providesTags: ['House'] }),
    health: build.query<Health, void>({ query: () => '/health' }),
    save: build.mutation<Versioned<PartValue<Part>>, Write>({
      query: (write) => ({ url: addressOf(write), method: 'PUT', body: write.value }),
      onQueryStarted: async (write, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: undefined }));
        if (data) dispatch(keepInHouse(write.part, data));
      },
    }),
    add: build.mutation<
      Versioned<PartValue<Part>>,
      { readonly part: AggregateName; readonly value: object }
    >({
      query: ({ part, value }) => ({ url: `/${part}`, method: 'POST', body: value }),
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
      invalidatesTags: (_result, error) => (error ? [] : ['House']),
    }),
    importHouse: build.mutation<HouseSnapshot, string>({
      query: (content) => ({
        url: '/house/file',
        method: 'PUT',
        body: content,
        headers: { 'content-type': 'application/json' },
      }),
      invalidatesTags: (_result, error) => (error ? [] : ['House']),
    }),
  }),
});

export const {
  useHouseQuery,
  useHealthQuery,
  useSaveMutation,
  useAddMutation,
  useRemoveMutation,
  useImportHouseMutation,
} = api;

/** What a refused request means to the person. */
export type Refused =
  | { readonly kind: 'away'; readonly message: string }
  | { readonly kind: 'refused'; readonly document: ProblemDocument };

/** Reads an error of a request: a refusal in the server's words, or nobody there. */
export function refusedBy(error: unknown): Refused {
  const failed = error as Partial<FetchBaseQueryError> | undefined;
  const document = failed && 'data' in failed ? failed.data : undefined;
  if (isProblem(document) && document.status < 500) return { kind: 'refused', document };
  return {
    kind: 'away',
    message: isProblem(document)
      ? document.detail
      : 'The house does not answer just now. What you typed is kept here, and is saved when it is back.',
  };
}

function isProblem(value: unknown): value is ProblemDocument {
  return typeof value === 'object' && value !== null && 'status' in value && 'detail' in value;
}

function addressOf({ part, value }: Write): string {
  if (part === 'settings') return '/settings';
  return `/${part}/${keyOf(part, value)}`;
}

function keyOf(part: Exclude<Part, 'settings'>, value: object): string {
  const key = part === 'demand' ? 'serviceId' : part === 'stock' ? 'materialId' : 'id';
  return String((value as Record<string, unknown>)[key]);
}

/** Puts what the server answered into the House that is at hand. */
export function keepInHouse(part: Part, value: Versioned<object>) {
  return api.util.updateQueryData('house', undefined, (house) => {
    if (part === 'settings') return { ...house, settings: value as HouseSnapshot['settings'] };
    const list = house[part] as readonly Versioned<object>[];
    const id = keyOf(part, value);
    const at = list.findIndex((item) => keyOf(part, item) === id);
    return { ...house, [part]: at === -1 ? [...list, value] : list.with(at, value) };
  });
}
