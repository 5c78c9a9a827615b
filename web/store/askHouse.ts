import { fetchBaseQuery, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import { API, WRITE_ID_HEADER } from '@bienestar/contract/api';
import { digestOf, wasAnswered, writeIdFor } from './writeIds';

/** Longer than the server gives its database. */
const ANSWERS_WITHIN_MS = 20_000;
/** Characters of a write that the browser still sends when its page is gone; it takes 64 kB in all. */
const MOST_KEPT_ALIVE = 15_000;

type BaseQuery = ReturnType<typeof fetchBaseQuery>;

/** The header that names a write. */
export function named(writeId: string): Readonly<Record<string, string>> {
  return { [WRITE_ID_HEADER]: writeId };
}

/**
 * Names each write, so that one whose answer is lost is done once however often it is sent: what comes out of
 * the outbox has its name, anything else is known by what it says.
 */
function withWriteIds(ask: BaseQuery): BaseQuery {
  return async (request, queryApi, extra) => {
    if (typeof request === 'string') return ask(request, queryApi, extra);
    const { url, method = 'GET' } = request;
    if (method === 'GET') return ask(request, queryApi, extra);
    const body: unknown = request.body;
    /* What is on its way goes on when the page is left or read again at once. */
    const keepalive = JSON.stringify(body ?? null).length <= MOST_KEPT_ALIVE;
    if (request.headers) return ask({ ...request, keepalive }, queryApi, extra);
    const digest = await digestOf(method, url, body);
    const headers = named(writeIdFor(digest));
    const answer = await ask({ ...request, headers, keepalive }, queryApi, extra);
    const isAnswered = !answer.error || isDefinite(answer.error);
    if (isAnswered) wasAnswered(digest);
    return answer;
  };
}

/** Whether a refusal tells that nothing was done; who heard nothing does not know. */
function isDefinite({ status }: FetchBaseQueryError): boolean {
  return typeof status === 'number' && status < 500;
}

/** Asks the house; see withWriteIds. */
export const askHouse = withWriteIds(
  fetchBaseQuery({ baseUrl: `${location.origin}${API}`, timeout: ANSWERS_WITHIN_MS }),
);
