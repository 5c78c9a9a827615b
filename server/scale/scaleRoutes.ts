import { Router } from 'express';
import Joi from 'joi';
import { type StandInOrder } from '@bienestar/contract/api';
import { PROBLEM_TYPES } from '@bienestar/contract/problems';
import { checkedInput } from '../aggregates/checkInput';
import { notFound, Refusal } from '../http/problems';
import type { BenchScale } from './benchScale';

const TOLD_WITHIN_MS = 1_500;
const grams = Joi.number().min(-5_000).max(5_000);
const order: Joi.Schema<StandInOrder> = Joi.object<StandInOrder>({
  put: grams,
  add: grams,
  fault: Joi.valid('none', 'unplugged', 'overload', 'unstable'),
})
  .xor('put', 'add', 'fault')
  .required();

/**
 * The routes of the bench scale.
 * - `GET /` what it says now: stable or settling with its grams, overload, or away with the reason.
 * - `POST /zero` counts what lies on it as nothing, 204; 409 while it is not stable or does not answer.
 * - `POST /stand-in` tells the simulated scale what lies on it (`put`, `add`) or what is wrong with it
 *   (`fault`), 204; 404 where the scale is a real one, 424 when the simulated one does not answer.
 * @param control address of the simulated scale's control, where there is one
 */
export function scaleRoutes(scale: BenchScale, control: string | undefined): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await scale.read());
  });

  router.post('/zero', async (_request, response) => {
    if (!(await scale.zero())) {
      throw new Refusal(
        409,
        PROBLEM_TYPES.scaleAway,
        'Not at zero yet',
        'The scale is not stable: wait a moment, then set it to zero again.',
      );
    }
    response.status(204).end();
  });

  router.post('/stand-in', async (request, response) => {
    if (control === undefined) throw notFound('simulated scale', 'bench');
    const told = checkedInput<StandInOrder>(order, request.body);
    const path =
      'put' in told
        ? `put?g=${told.put}`
        : 'add' in told
          ? `add?g=${told.add}`
          : `fault?is=${told.fault}`;
    const isTold = await fetch(`${control}/${path}`, {
      method: 'POST',
      signal: AbortSignal.timeout(TOLD_WITHIN_MS),
    }).catch(() => undefined);
    if (!isTold?.ok) {
      throw new Refusal(
        424,
        PROBLEM_TYPES.scaleAway,
        'The simulated scale is away',
        'The simulated scale does not answer. It is started again by itself; try once more in a moment.',
      );
    }
    response.status(204).end();
  });

  return router;
}
