import { Router } from 'express';
import Joi from 'joi';
import { type FetchedList } from '@bienestar/contract/api';
import { PROBLEM_TYPES } from '@bienestar/contract/problems';
import { SCHEMAS } from '@bienestar/contract/rules';
import type { Booking } from '@bienestar/core/house/house';
import { checkedInput } from '../aggregates/checkInput';
import { fetchText } from '../http/fetchText';
import { invalidInput } from '../http/problems';
import type { Door } from '../work/door';

const MOST_BOOKINGS = 20_000;
const book = Joi.array<Booking[]>()
  .items(SCHEMAS.booking.optional())
  .max(MOST_BOOKINGS)
  .unique('id')
  .required();

/**
 * The routes of the book.
 * - `GET /` every booking, the earliest first.
 * - `PUT /` a list of bookings in the place of what was there, all or none; 400 with faults.
 * - `GET /feed` the calendar that the booking service publishes, as its text; 400 where none is set up,
 *   424 when it does not answer.
 * @param feed the address of the calendar
 */
export function bookingRoutes(door: Door, feed: string | undefined): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    response.json(await door.read(request, ({ house }) => house.bookings.all()));
  });

  router.get('/feed', async (_request, response) => {
    if (feed === undefined) {
      throw invalidInput([
        {
          pointer: '/feed',
          code: 'feed.missing',
          message:
            'No booking calendar is set up: choose a file, or start the house with BOOKINGS.',
        },
      ]);
    }
    const text = await fetchText(feed, {
      who: 'The booking calendar',
      what: 'calendar',
      type: PROBLEM_TYPES.bookingsAway,
    });
    response.json({ name: 'bookings.ics', text } satisfies FetchedList);
  });

  router.put('/', async (request, response) => {
    const value = checkedInput<Booking[]>(book, request.body);
    await door.write(request, response, async (unit) => {
      const { house } = unit;
      await house.bookings.replaceAll(value);
      return { status: 200, body: await house.bookings.all() };
    });
  });

  return router;
}
