import { randomUUID } from 'node:crypto';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Sequelize } from 'sequelize';
import { API } from '@bienestar/contract/api';
import { AGGREGATE_NAMES } from '@bienestar/contract/rules';
import { aggregateRoutes } from './aggregates/aggregateRoutes';
import { bookingRoutes } from './bookings/bookingRoutes';
import type { Copies } from './copies/copies';
import { copyRoutes } from './copies/copyRoutes';
import { countRoutes } from './counts/countRoutes';
import { editionRoutes } from './editions/editionRoutes';
import { exportRoutes } from './exports/exportRoutes';
import { isDamaged } from './documents/checkedDocuments';
import { healthRoutes } from './health/healthRoutes';
import { asideHouses } from './house/asideHouses';
import { openingHouses } from './house/openAndAnswer';
import { houseRoutes } from './house/houseRoutes';
import { answerProblems, unknownAddress } from './http/problems';
import { auditRoutes } from './audit/auditRoutes';
import { journalRoutes } from './audit/journalRoutes';
import { SERIALIZERS } from './log';
import { knownHost } from './http/knownHost';
import { plainAddress, plainBody } from './http/plainRequests';
import { sameOriginWrites } from './http/sameOrigin';
import { servePages } from './http/servePages';
import { ledgerRoutes } from './ledger/ledgerRoutes';
import { lineRoutes } from './lines/lineRoutes';
import { materialRoutes } from './materials/materialRoutes';
import { orderRoutes } from './orders/orderRoutes';
import { priceListRoutes } from './priceLists/priceListRoutes';
import { benchScale, noScale } from './scale/benchScale';
import { scaleRoutes } from './scale/scaleRoutes';
import { settingsRoutes } from './settings/settingsRoutes';
import { severalRoutes } from './several/severalRoutes';
import { logbookRoutes } from './logbook/logbookRoutes';
import { runRoutes } from './runs/runRoutes';
import { treatmentRoutes } from './treatments/treatmentRoutes';
import { openDoor } from './work/door';

/** Large enough for a protocol of 400 steps; a batch for a shelf of some thousand materials. */
const LARGEST_BODY = '1mb';
const LARGEST_BATCH = '8mb';

/** Devices and services outside the house; what is not there is said to be away. */
export interface Outside {
  /** host:port of the bench scale */
  readonly scale?: string;
  /** address of the simulated scale's control, where the scale is simulated */
  readonly scaleControl?: string;
  /** address under which the suppliers' price lists lie */
  readonly priceLists?: string;
  /** address under which suppliers take orders */
  readonly orders?: string;
  /** address of the booking calendar */
  readonly bookings?: string;
}

export interface AppOptions {
  readonly sequelize: Sequelize;
  /** where `sequelize` connects to */
  readonly databaseUrl: string;
  readonly log: Logger;
  /** the folder of the built web app; none in tests of the API alone */
  readonly pages?: string;
  /** names by which the house may be called, besides those of loopback */
  readonly hosts?: readonly string[];
  readonly outside?: Outside;
  /** safe copies of the house; none in tests of the API alone */
  readonly copies?: Copies | undefined;
}

/** The app: the API, and the pages where there are any. It keeps no state between requests. */
export function createApp({
  sequelize,
  databaseUrl,
  log,
  pages,
  hosts = [],
  copies,
  outside = {},
}: AppOptions): Express {
  const door = openDoor(sequelize);
  const app = express();
  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger: log,
      genReqId: (_request, response) => {
        const id = randomUUID();
        response.setHeader('X-Request-Id', id);
        return id;
      },
      serializers: SERIALIZERS,
      wrapSerializers: false,
      customLogLevel: (_request, response) => (response.statusCode >= 500 ? 'error' : 'debug'),
    }),
  );
  /* Plain HTTP on loopback: nothing to upgrade to, and no promise of HTTPS to make. */
  app.use(
    helmet({
      strictTransportSecurity: false,
      contentSecurityPolicy: {
        directives: {
          'upgrade-insecure-requests': null,
          /* The layout of a PDF is a WebAssembly module; no other code may be made from text. */
          'script-src': ["'self'", "'wasm-unsafe-eval'"],
        },
      },
    }),
  );
  app.use(knownHost(hosts));
  app.use(sameOriginWrites);
  app.use(API, plainAddress);
  app.use(`${API}/health`, healthRoutes(sequelize));
  const open = openingHouses(door, sequelize, databaseUrl, async () => {
    /* A house that cannot be read cannot be written to a file: it is put aside whole, as any. */
    await copies?.make('opening').catch((error: unknown) => {
      if (!isDamaged(error)) throw error;
    });
  });
  app.use(`${API}/house`, houseRoutes(door, open));
  app.put(
    [`${API}/materials`, `${API}/several`, `${API}/bookings`],
    express.json({ limit: LARGEST_BATCH, strict: false }),
  );
  app.use(API, express.json({ limit: LARGEST_BODY, strict: false }));
  app.use(API, plainBody);
  app.use(`${API}/copies`, copyRoutes(copies, asideHouses(sequelize, databaseUrl), open));
  app.use(`${API}/settings`, settingsRoutes(door));
  app.use(`${API}/materials`, materialRoutes(door));
  app.use(`${API}/orders`, orderRoutes(door, outside.orders));
  app.use(`${API}/counts`, countRoutes(door));
  app.use(`${API}/bookings`, bookingRoutes(door, outside.bookings));
  app.use(`${API}/treatments`, treatmentRoutes(door));
  app.use(`${API}/runs`, runRoutes(door));
  app.use(`${API}/logbook`, logbookRoutes(door));
  for (const name of AGGREGATE_NAMES) app.use(`${API}/${name}`, aggregateRoutes(name, door));
  app.use(`${API}/several`, severalRoutes(door));
  app.use(`${API}/journal`, journalRoutes(door));
  app.use(`${API}/audit`, auditRoutes(door));
  app.use(`${API}/demand`, lineRoutes('demand', door));
  app.use(`${API}/editions`, editionRoutes(door));
  app.use(`${API}/ledger`, ledgerRoutes(door));
  const scale = outside.scale === undefined ? noScale : benchScale(outside.scale);
  app.use(`${API}/scale`, scaleRoutes(scale, outside.scaleControl));
  app.use(`${API}/price-lists`, priceListRoutes(door, outside.priceLists));
  app.use(`${API}/exports`, exportRoutes(door));
  app.use(API, unknownAddress);
  if (pages !== undefined) app.use(servePages(pages));
  app.use(unknownAddress);
  app.use(answerProblems);
  return app;
}
