import { Router } from 'express';
import type { RunPage, RunSoFar } from '@bienestar/contract/happened';
import { SCHEMAS } from '@bienestar/contract/rules';
import type { Run, RunLogEntry } from '@bienestar/core/house/run';
import { beforeFrom, checkedInput, checkReferences } from '../aggregates/checkInput';
import { idTaken, invalidInput, notFound } from '../http/problems';
import type { Door } from '../work/door';
import type { UnitOfWork } from '../work/unitOfWork';

/** More than a window ever has to send of one visit. */
const MOST_EVENTS = 2_000;
const RUNS_ON_A_PAGE = 50;

/**
 * The routes of visits that are run in the room.
 * - `GET /` those that are neither entered nor put away, the newest first.
 * - `GET /?ended&before=` those that are over, in pages of 50; `next` is where the next page begins.
 * - `POST /` begins one: 201; sent again by its id 200; 400 for a service that is not there, 409 for an id of another.
 * - `GET /incidents` what went wrong in any run, and what was asked after.
 * - `GET /:id` the run and all that happened in it, in the order in which it came in; 404.
 * - `POST /:id/events` `{ events }`: each counts once by its id, whoever sends it and however often; 200 with the run
 *   so far; 400 with faults at their events, 404. What went wrong is told to the logbook, too, where the visit stands
 *   already.
 */
export function runRoutes(door: Door): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    const before = beforeFrom(request.query.before);
    const isEnded = request.query.ended !== undefined;
    const page: RunPage = await door.read(request, async ({ house: { runs } }) =>
      isEnded ? runs.closed(RUNS_ON_A_PAGE, before) : { runs: await runs.open() },
    );
    response.json(page);
  });

  router.post('/', async (request, response) => {
    const run = checkedInput<Run>(SCHEMAS.run, request.body);
    await door.write(request, response, async (unit) => {
      const { runs } = unit.house;
      await checkReferences(unit, [{ pointer: '/serviceId', kind: 'service', id: run.serviceId }]);
      if (await runs.begin(run)) return { status: 201, body: run };
      const earlier = await runs.find(run.id);
      if (earlier?.serviceId !== run.serviceId) throw idTaken('run', run.id);
      return { status: 200, body: earlier };
    });
  });

  router.get('/incidents', async (request, response) => {
    response.json(
      await door.read(request, async ({ house }) => ({ events: await house.runs.incidents() })),
    );
  });

  router.get('/:id', async (request, response) => {
    const { id } = request.params;
    response.json(await door.read(request, (unit) => soFar(unit, id)));
  });

  router.post('/:id/events', async (request, response) => {
    const { id } = request.params;
    const events = eventsFrom(request.body, id);
    await door.write(request, response, async (unit) => {
      await soFar(unit, id);
      const { runs, logbook } = unit.house;
      await runs.add(id, events);
      const incidents = events.flatMap((event) => (event.kind === 'incident' ? [event.id] : []));
      if (incidents.length > 0) await logbook.tellIncidents(id, incidents);
      return { status: 200, body: await soFar(unit, id) };
    });
  });

  return router;
}

async function soFar({ house: { runs } }: UnitOfWork, id: string): Promise<RunSoFar> {
  const run = await runs.find(id);
  if (!run) throw notFound('run', id);
  return { run, events: await runs.eventsOf(id) };
}

function eventsFrom(body: unknown, runId: string): RunLogEntry[] {
  const { events } = (typeof body === 'object' && body !== null ? body : {}) as {
    readonly events?: unknown;
  };
  if (!Array.isArray(events) || events.length > MOST_EVENTS) {
    const message = `This must be a list of at most ${MOST_EVENTS}.`;
    throw invalidInput([{ pointer: '/events', code: 'array.base', message }]);
  }
  return events.map((event: unknown, at) => {
    const checked = checkedInput<RunLogEntry>(SCHEMAS.runEvent, event);
    if (checked.runId === runId) return checked;
    const message = 'This happened in another run.';
    throw invalidInput([{ pointer: `/events/${at}/runId`, code: 'any.only', message }]);
  });
}
