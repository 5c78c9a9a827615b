import type { RequestHandler } from 'express';
import { PROBLEM_TYPES } from '@bienestar/contract/problems';
import { LOOPBACK_NAMES } from './loopback';
import { Refusal } from './problems';

/**
 * Refuses requests that were meant for another name: a page elsewhere could let its own name lead to
 * this machine and then read the house as if it were its own.
 * @param names by which the house may be called, besides those of loopback
 */
export function knownHost(names: readonly string[]): RequestHandler {
  const known = new Set([...LOOPBACK_NAMES, '[::1]', ...names].map((name) => name.toLowerCase()));
  return (request, _response, next) => {
    const name = (request.headers.host ?? '').replace(/:\d+$/, '').toLowerCase();
    if (known.has(name)) {
      next();
      return;
    }
    next(
      new Refusal(
        421,
        PROBLEM_TYPES.notFound,
        'Not this house',
        'This house does not go by that name. Name it in HOSTS to let it.',
      ),
    );
  };
}
