import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { endWithParent } from '../endWithParent';
import { calendarOn } from './calendar';

/*
 * The stand-in of a booking program: serves the bookings of the made-up house as iCalendar at
 * `GET /bookings.ics`, on loopback at PORT. `POST /fault?is=none|down` lets it fail. Says
 * `{"ready": url}`.
 */

const HOST = '127.0.0.1';
let down = false;

const server = createServer((request, response) => {
  const { pathname, searchParams } = new URL(request.url ?? '/', `http://${HOST}`);
  if (request.method === 'POST' && pathname === '/fault') {
    down = searchParams.get('is') === 'down';
    response.writeHead(204).end();
  } else if (request.method !== 'GET' || pathname !== '/bookings.ics') {
    response.writeHead(404).end('Not found\n');
  } else if (down) {
    response.writeHead(503).end('Out of order\n');
  } else {
    response
      .writeHead(200, { 'content-type': 'text/calendar; charset=utf-8' })
      .end(calendarOn(new Date()));
  }
});
server.listen(Number(process.env.PORT ?? 0), HOST, () => {
  const { port } = server.address() as AddressInfo;
  process.stdout.write(`${JSON.stringify({ ready: `http://${HOST}:${port}` })}\n`);
});
endWithParent();
