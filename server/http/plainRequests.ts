import type { RequestHandler } from 'express';
import { plainFaults } from '@bienestar/contract/plainInput';
import { PROBLEM_TYPES } from '@bienestar/contract/problems';
import { invalidInput, Refusal } from './problems';

/* Printable ASCII: of what else do no addresses of the house consist. */
const ADDRESS = /^[\x20-\x7E]*$/;

/** Refuses addresses that nothing can have, before they reach a database that cannot compare them. */
export const plainAddress: RequestHandler = (request, _response, next) => {
  const address = decodeURIComponent(request.path);
  if (ADDRESS.test(address)) next();
  else {
    next(
      new Refusal(
        404,
        PROBLEM_TYPES.notFound,
        'Not found',
        'There is nothing at this address: ids consist of letters, digits, - and _.',
      ),
    );
  }
};

/** Refuses what no input may hold, wherever it goes: characters that cannot be kept, nesting without end. */
export const plainBody: RequestHandler = (request, _response, next) => {
  const faults = plainFaults(request.body);
  next(faults.length > 0 ? invalidInput(faults) : undefined);
};
