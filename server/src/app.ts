import { existsSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type Handler } from 'express';
import staticGzip from 'express-static-gzip';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { serializers } from './request-log';
import { agreedVersion, isLoopback, ownHost, sameOrigin } from './routes/guard';
import { slowed } from './routes/limits';
import { ROUTES } from './routes';
import { openApiDocument } from './routes/openapi';
import { answerRefusal, noSuchPlace, refuse } from './routes/refusal';
import { served } from './routes/route';
import type { Changes } from './store/changes';
import type { JobStore } from './store/jobs';
import type { LogStore } from './store/log';

export interface Parts {
  readonly store: JobStore;
  readonly log: LogStore;
  readonly changes: Changes;
  readonly logger: Logger;
  /** Folder of the built web app; null serves the API alone. */
  readonly web: string | null;
  /** Names it answers to, beside the loopback's. */
  readonly names?: readonly string[];
  /** Whether it has been told to end. */
  readonly leaving?: () => boolean;
}

/** What browsers are told to keep to. A page that came by plain http is told nothing that they would only complain of. */
const security = (plain: boolean): Handler =>
  helmet({
    ...(plain ? { crossOriginOpenerPolicy: false, originAgentCluster: false } : {}),
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

/** Which build of the web app lies in a folder: by its first script, whose name changes with what is in it. */
export const buildIn = (web: string | null): (() => string | null) => {
  let read = { at: -1, build: null as string | null };
  return () => {
    if (web === null) return null;
    try {
      const file = join(web, 'index.html');
      const at = statSync(file).mtimeMs;
      if (at !== read.at)
        read = { at, build: /\/(entry-[\w-]+\.js)/.exec(readFileSync(file, 'utf8'))?.[1] ?? null };
      return read.build;
    } catch {
      return null;
    }
  };
};

/** A server that has been told to end finishes what is under way and takes nothing more. */
const unlessLeaving =
  (leaving: () => boolean): Handler =>
  (_request, response, next) => {
    if (!leaving()) {
      next();
      return;
    }
    response.set({ Connection: 'close', 'Retry-After': '2' });
    throw refuse(503, 'leaving', 'server', 'the server is about to end; nothing was saved');
  };

/** A stream of events is sent as it comes. */
const compressed = compression({
  filter: (request, response) =>
    !String(response.getHeader('Content-Type')).startsWith('text/event-stream') &&
    compression.filter(request, response),
});

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
export const createApp = ({
  store,
  log,
  changes,
  logger,
  web,
  names = [],
  leaving = () => false,
}: Parts): Express => {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger,
      serializers,
      quietReqLogger: true,
      autoLogging: { ignore: (r) => r.url === '/healthz' },
    }),
  );
  const [safe, plain] = [security(false), security(true)];
  app.use((request, response, next) => {
    const trusted = request.secure || isLoopback(request.headers.host ?? '');
    (trusted ? safe : plain)(request, response, next);
  });
  app.use(unlessLeaving(leaving));
  app.use(ownHost(names));
  app.use(compressed);
  app.get('/healthz', async (_request, response) => {
    await store.isEmpty();
    response.json({ status: 'ok' });
  });
  const description = openApiDocument();
  app.get('/api/openapi.json', (_request, response) => {
    response.json(description);
  });
  app.use('/api', sameOrigin, agreedVersion);
  app.use('/api', express.json({ limit: '512kb' }), slowed(), (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  app.use(served(ROUTES, { store, log, changes }));
  app.all('/api/{*splat}', noSuchPlace);
  if (web !== null && existsSync(join(web, 'index.html'))) serveWeb(app, web);
  app.use(noSuchPlace);
  app.use(answerRefusal);
  return app;
};
