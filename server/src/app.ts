import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type Handler } from 'express';
import staticGzip from 'express-static-gzip';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { ownHost, sameOrigin } from './routes/guard';
import { ROUTES } from './routes';
import { openApiDocument } from './routes/openapi';
import { answerRefusal, noSuchPlace } from './routes/refusal';
import { served } from './routes/route';
import type { JobStore } from './store/jobs';
import type { LogStore } from './store/log';

export interface Parts {
  readonly store: JobStore;
  readonly log: LogStore;
  readonly logger: Logger;
  /** Folder of the built web app; null serves the API alone. */
  readonly web: string | null;
  /** Names it answers to, beside the loopback's. */
  readonly names?: readonly string[];
}

const security = helmet({
  contentSecurityPolicy: {
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      workerSrc: ["'self'"],
      connectSrc: ["'self'"],
      fontSrc: ["'self'", 'data:'],
      objectSrc: ["'none'"],
      frameAncestors: ["'none'"],
      upgradeInsecureRequests: null,
    },
  },
  strictTransportSecurity: false,
});

const A_DAY_MS = 24 * 3600 * 1000;
const A_YEAR_MS = 365 * A_DAY_MS;

/** Files of the web app; where the build has laid a compressed one beside it, that one. */
const files = (folder: string, serveStatic: { immutable?: boolean; maxAge: number }): Handler =>
  staticGzip(folder, {
    enableBrotli: true,
    orderPreference: ['br', 'gz'],
    index: false,
    serveStatic,
  });

const serveWeb = (app: Express, web: string): void => {
  // File names under _expo and assets carry a hash of their contents; the rest is asked for anew.
  app.use('/_expo', files(join(web, '_expo'), { immutable: true, maxAge: A_YEAR_MS }));
  app.use('/fonts', files(join(web, 'fonts'), { maxAge: A_DAY_MS }));
  app.use(files(web, { maxAge: 0 }));
  app.get('/{*splat}', (request, response, next) => {
    const isPage = request.accepts('html') !== false && !/\.[a-z0-9]+$/i.test(request.path);
    if (isPage) response.sendFile(join(web, 'index.html'), { maxAge: 0 });
    else next();
  });
};

/** The HTTP application: the jobs API, its description, the web app. Opens nothing itself. */
export const createApp = ({ store, log, logger, web, names = [] }: Parts): Express => {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger,
      quietReqLogger: true,
      autoLogging: { ignore: (r) => r.url === '/healthz' },
    }),
  );
  app.use(security);
  app.use(ownHost(names));
  app.use(compression());
  app.get('/healthz', async (_request, response) => {
    await store.isEmpty();
    response.json({ status: 'ok' });
  });
  const description = openApiDocument();
  app.get('/api/openapi.json', (_request, response) => {
    response.json(description);
  });
  app.use('/api', sameOrigin);
  app.use('/api', express.json({ limit: '512kb' }), (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  app.use(served(ROUTES, { store, log }));
  app.all('/api/{*splat}', noSuchPlace);
  if (web !== null && existsSync(join(web, 'index.html'))) serveWeb(app, web);
  app.use(noSuchPlace);
  app.use(answerRefusal);
  return app;
};
