import { randomUUID } from 'node:crypto';
import express, { type Express, type Router } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Sequelize } from 'sequelize';
import { API, type AggregateName } from '@bienestar/contract/api';
import { AGGREGATE_NAMES } from '@bienestar/contract/rules';
import { aggregateRoutes } from './aggregates/aggregateRoutes';
import { healthRoutes } from './health/healthRoutes';
import { houseRoutes } from './house/houseRoutes';
import { storesOf, type AggregateStores } from './house/stores';
import { answerProblems, unknownAddress } from './http/problems';
import { knownHost } from './http/knownHost';
import { sameOriginWrites } from './http/sameOrigin';
import { servePages } from './http/servePages';
import { lineRoutes } from './lines/lineRoutes';
import { settingsRoutes } from './settings/settingsRoutes';

/** Large enough for a protocol of 400 steps. */
const LARGEST_BODY = '1mb';

export interface AppOptions {
  readonly sequelize: Sequelize;
  readonly log: Logger;
  /** the folder of the built web app; none in tests of the API alone */
  readonly pages?: string;
  /** names by which the house may be called, besides those of loopback */
  readonly hosts?: readonly string[];
}

/** The app: the API, and the pages where there are any. It keeps no state between requests. */
export function createApp({ sequelize, log, pages, hosts = [] }: AppOptions): Express {
  const stores = storesOf(sequelize);
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
      customLogLevel: (_request, response) => (response.statusCode >= 500 ? 'error' : 'debug'),
    }),
  );
  /* Plain HTTP on loopback: nothing to upgrade to, and no promise of HTTPS to make. */
  app.use(
    helmet({
      strictTransportSecurity: false,
      contentSecurityPolicy: { directives: { 'upgrade-insecure-requests': null } },
    }),
  );
  app.use(knownHost(hosts));
  app.use(sameOriginWrites);
  app.use(`${API}/health`, healthRoutes(sequelize));
  app.use(`${API}/house`, houseRoutes(stores, sequelize));
  app.use(API, express.json({ limit: LARGEST_BODY, strict: false }));
  app.use(`${API}/settings`, settingsRoutes(stores.settings, sequelize));
  for (const name of AGGREGATE_NAMES) app.use(`${API}/${name}`, routesOf(name, stores, sequelize));
  app.use(`${API}/demand`, lineRoutes('demand', stores.demand, sequelize));
  app.use(`${API}/stock`, lineRoutes('stock', stores.stock, sequelize));
  app.use(API, unknownAddress);
  if (pages !== undefined) app.use(servePages(pages));
  app.use(unknownAddress);
  app.use(answerProblems);
  return app;
}

function routesOf<N extends AggregateName>(
  name: N,
  stores: AggregateStores,
  sequelize: Sequelize,
): Router {
  return aggregateRoutes(name, stores[name], sequelize);
}
