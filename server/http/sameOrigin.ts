import type { RequestHandler } from 'express';
import { PROBLEM_TYPES } from '@bienestar/contract/problems';
import { Refusal } from './problems';

const READING = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Refuses writes that a page of another origin sends: there is no sign-in yet that would stop them. */
export const sameOriginWrites: RequestHandler = (request, _response, next) => {
  const { origin, host } = request.headers;
  if (READING.has(request.method) || origin === undefined || originHost(origin) === host) {
    next();
    return;
  }
  next(
    new Refusal(
      403,
      PROBLEM_TYPES.invalid,
      'Not from here',
      'Changes are only taken from the house’s own pages.',
    ),
  );
};

function originHost(origin: string): string | undefined {
  return URL.canParse(origin) ? new URL(origin).host : undefined;
}
