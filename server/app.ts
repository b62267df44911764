import { constants } from 'node:zlib';
import compression from 'compression';
import express, { type ErrorRequestHandler, type Express, Router } from 'express';
import session from 'express-session';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import type pg from 'pg';
import type { Logger } from 'pino';
import { SIGNED_OUT_TOKEN } from '../contract/session.ts';
import { calendarRouter } from './calendars/routes.ts';
import { type House, mount } from './endpoint.ts';
import { ENDPOINTS } from './endpoints.ts';
import type { Live } from './events/live.ts';
import { loggedPath } from './logged.ts';
import { clientRouter } from './offers/clientRouter.ts';
import { fitterRouter } from './orders/fitterRouter.ts';
import { ProblemError, problemOf, SignInNeeded } from './problems.ts';
import { SMALL_ANSWER } from './read/jsonText.ts';
import { sessionRouter } from './session/routes.ts';
import { visitorOf } from './session/signedIn.ts';
import { sessionStore } from './session/store.ts';
import { signInTries } from './session/tries.ts';

export interface AppParts extends Omit<House, 'tries'> {
  readonly pool: pg.Pool;
  readonly live: Live;
  readonly logger: Logger;
  /** It is being stopped: what is under way is answered, nothing new should come. */
  readonly isEnding: () => boolean;
}

/** What people send who are not signed in, yet or ever: fitters and clients have a link. */
const COMING_IN =
  /^\/(session|beginning|invitations\/[^/]+|fitting\/[^/]+\/[a-z]+|client-page\/[^/]+\/[a-z]+(?:\/[^/]+)?)$/;

const HOUR_MS = 3_600_000;
const YEAR_S = 365 * 86_400;

/** The whole server as one Express application; listening is the caller's business. */
export function createApp(parts: AppParts): Express {
  const { config, logger } = parts;
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', [...config.trustedProxies]);
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          // The solver of layouts is WebAssembly of our own page; nothing else is made from text.
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          // Ant Design writes its computed styles into the page.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use((req, res, next) => {
    // Only where it came over HTTPS: a workshop on plain HTTP in its own house must stay reachable.
    if (req.secure) res.setHeader('Strict-Transport-Security', `max-age=${YEAR_S}`);
    next();
  });
  app.use(standing(parts));
  app.use('/api', apiRouter(parts));
  if (config.pageFolder) servePage(app, config.pageFolder);
  app.use(answerProblem(logger));
  return app;
}

/** For whatever watches over it: alive, and ready to answer with its database. */
function standing({ pool, isEnding }: AppParts): Router {
  const router = Router();
  router.get('/health', (_req, res) => {
    res.set('Cache-Control', 'no-store').type('text/plain').send('alive\n');
  });
  router.get('/ready', async (_req, res) => {
    const ready =
      !isEnding() &&
      (await pool.query('select 1').then(
        () => true,
        () => false,
      ));
    res
      .set('Cache-Control', 'no-store')
      .type('text/plain')
      .status(ready ? 200 : 503)
      .send(ready ? 'ready\n' : 'not ready\n');
  });
  return router;
}

function apiRouter({ pool, live, logger, ...parts }: AppParts): Router {
  const house: House = { ...parts, tries: signInTries(pool, parts.config.signInTries) };
  const api = Router();
  // What is answered is somebody's: neither the browser nor anything between keeps it. Files by their hash say otherwise.
  api.use((_req, res, next) => {
    res.set('Cache-Control', 'no-store');
    next();
  });
  api.use(
    compression({
      filter: (req, res) => req.path !== '/events' && compression.filter(req, res),
      // Answers are made once and read once: packing them harder costs more than it saves.
      threshold: SMALL_ANSWER,
      level: 1,
      brotli: { params: { [constants.BROTLI_PARAM_QUALITY]: 1 } },
    }),
  );
  api.use(
    session({
      store: sessionStore(pool, logger),
      // A sign-in of its own in each of two workshops of one installation.
      name: house.config.cookieName,
      secret: house.config.sessionSecret,
      resave: false,
      saveUninitialized: false,
      rolling: true,
      cookie: { httpOnly: true, sameSite: 'lax', secure: 'auto', maxAge: 12 * HOUR_MS },
    }),
  );
  api.use((req, _res, next) => {
    if (req.method === 'GET' || req.method === 'HEAD') return next();
    if (!req.session.personId && !COMING_IN.test(req.path)) throw new SignInNeeded();
    const token = req.session.personId ? req.session.csrfToken : SIGNED_OUT_TOKEN;
    if (!token || req.get('X-CSRF-Token') !== token)
      throw new ProblemError('csrf', 'This page is out of date. Reload it and try again.');
    next();
  });
  api.use(sessionRouter(house));
  api.use(fitterRouter(house));
  api.use(clientRouter(house));
  api.use(calendarRouter(house));
  api.head('/events', (_req, res) => {
    res.type('text/event-stream').end();
  });
  api.get('/events', async (req, res) => {
    const visitor = await visitorOf(house.db, req);
    if (!visitor) throw new SignInNeeded('Sign in to follow what happens.');
    await live.serve(req, res, { sessionId: req.sessionID, personId: visitor.person.id });
  });
  mount(api, house, ENDPOINTS);
  api.use(() => {
    throw new ProblemError('notFound', 'There is no such address.');
  });
  return api;
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
  app.get(/^\/(?!api\/|assets\/|health$|ready$).*/, (_req, res) => {
    res.setHeader('Cache-Control', 'no-cache');
    res.sendFile('index.html', { root: folder });
  });
}

function answerProblem(logger: Logger): ErrorRequestHandler {
  // Express knows a handler of errors by its four arguments.
  return (error, req, res, _next) => {
    if (res.headersSent) {
      logger.warn({ err: error, path: loggedPath(req.path) }, 'an answer broke off');
      res.destroy();
      return;
    }
    const known = problemOf(error);
    if (!known) logger.error({ err: error, path: loggedPath(req.path) }, 'a request ended in a fault');
    const { problem, retryAfterS } =
      known ?? new ProblemError('fault', 'Something went wrong here, not with you. It is written down; try again.');
    if (problem.status === 503) logger.warn({ err: error, path: loggedPath(req.path) }, 'a request was turned away');
    if (retryAfterS !== null) res.setHeader('Retry-After', String(retryAfterS));
    res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}
