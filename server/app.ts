import compression from 'compression';
import connectPgSimple from 'connect-pg-simple';
import express, { type ErrorRequestHandler, type Express, Router } from 'express';
import session from 'express-session';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import type pg from 'pg';
import type { Logger } from 'pino';
import { type House, mount } from './endpoint.ts';
import { ENDPOINTS } from './endpoints.ts';
import type { Live } from './events/live.ts';
import { ProblemError, problemOf } from './problems.ts';
import { sessionRouter } from './session/routes.ts';
import { signedInPerson } from './session/signedIn.ts';

export interface AppParts extends House {
  readonly pool: pg.Pool;
  readonly live: Live;
  readonly logger: Logger;
}

const HOUR_MS = 3_600_000;

/** The whole server as one Express application; listening is the caller's business. */
export function createApp({ db, pool, config, now, live, logger }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          // Ant Design writes its computed styles into the page.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  const api = Router();
  api.use(compression({ filter: (req, res) => req.path !== '/events' && compression.filter(req, res) }));
  const Store = connectPgSimple(session);
  api.use(
    session({
      store: new Store({
        pool,
        tableName: 'session',
        pruneSessionInterval: false,
        errorLog: (...text) => logger.debug(text),
      }),
      name: 'dajo',
      secret: config.sessionSecret,
      resave: false,
      saveUninitialized: false,
      rolling: true,
      cookie: { httpOnly: true, sameSite: 'lax', maxAge: 12 * HOUR_MS },
    }),
  );
  api.use((req, _res, next) => {
    const changes = req.method !== 'GET' && req.method !== 'HEAD';
    if (changes && (!req.session.csrfToken || req.get('X-CSRF-Token') !== req.session.csrfToken)) {
      const expired = !req.session.csrfToken;
      throw expired
        ? new ProblemError('signInNeeded', 'You are not signed in any more. Sign in again; what you typed is kept.')
        : new ProblemError('csrf', 'This page is out of date. Reload it and try again.');
    }
    next();
  });
  api.use(express.json({ limit: '1mb' }));
  const house: House = { db, config, now };
  api.use(sessionRouter(house));
  api.get('/events', async (req, res) => {
    if (!(await signedInPerson(db, req))) throw new ProblemError('signInNeeded', 'Sign in to follow what happens.');
    await live.serve(req, res);
  });
  mount(api, house, ENDPOINTS);
  api.use(() => {
    throw new ProblemError('notFound', 'There is no such address.');
  });
  app.use('/api', api);
  if (config.pageFolder) servePage(app, config.pageFolder);
  app.use(answerProblem(logger));
  return app;
}

/** Built files carry their hash in the name and are kept for ever; the page itself is asked for each time. */
function servePage(app: Express, folder: string): void {
  app.use(
    expressStaticGzip(folder, {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      serveStatic: {
        setHeaders: (res, path) => {
          res.setHeader(
            'Cache-Control',
            path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
          );
        },
      },
    }),
  );
  app.get(/^\/(?!api\/|assets\/).*/, (_req, res) => {
    res.setHeader('Cache-Control', 'no-cache');
    res.sendFile('index.html', { root: folder });
  });
}

function answerProblem(logger: Logger): ErrorRequestHandler {
  // Express knows a handler of errors by its four arguments.
  return (error, req, res, _next) => {
    if (res.headersSent) {
      logger.warn({ err: error, path: req.path }, 'an answer broke off');
      res.destroy();
      return;
    }
    const known = problemOf(error);
    if (!known) logger.error({ err: error, path: req.path }, 'a request ended in a fault');
    const { problem } =
      known ?? new ProblemError('fault', 'Something went wrong here, not with you. It is written down; try again.');
    res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}
