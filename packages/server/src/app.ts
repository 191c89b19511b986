import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import session from 'express-session';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import { USUAL_IDLE_MINUTES } from './config.js';
import type { Server } from './context.js';
import { accessRoutes } from './access/routes.js';
import { calendarRoutes } from './calendars/routes.js';
import { courseEditRoutes } from './courses/edit/routes.js';
import { fileRoutes } from './courses/files/routes.js';
import { courseRoutes } from './courses/routes.js';
import { deskRoutes } from './desk/routes.js';
import { findRoutes } from './find/routes.js';
import { healthRoutes } from './http/healthRoutes.js';
import { errorHandler, nothingThere } from './http/errorHandler.js';
import { REQUESTS_A_MINUTE, requestLimit } from './http/requestLimit.js';
import { sameSite } from './http/sameSite.js';
import { SessionStore, type SessionWriting } from './http/sessionStore.js';
import { signedIn, signOnRoutes } from './people/routes.js';
import { newsRoutes } from './news/routes.js';
import { pairingRoutes } from './pairing/routes.js';
import { planDateRoutes } from './plans/dateRoutes.js';
import { planRoutes } from './plans/routes.js';
import { recipeRoutes } from './recipes/routes.js';
import { rosterRoutes } from './roster/routes.js';
import { runRoutes } from './runs/routes.js';
import { takeBackRoutes } from './takeBack/routes.js';
import { RunJobs } from './runs/runJobs.js';

/** What is a file and no page; ids of courses may hold dots. */
const FILE_OF_THE_WEB = /\.(?:js|mjs|css|map|json|html?|txt|xml|ico|png|jpe?g|gif|webp|svg|woff2?|webmanifest)$/i;
/** A cookie lasts for a week at most; the session that it names ends sooner when nobody uses it. */
const COOKIE_MS = 7 * 24 * 60 * 60 * 1000;
const A_YEAR_S = 365 * 24 * 60 * 60;

export interface AppOptions {
  readonly sessionSecret: string;
  /** Folder of the built web application; none is served when absent. */
  readonly webFolder?: string;
  /** As `Config` says them. */
  readonly proxies?: number;
  readonly isSecure?: boolean;
  readonly idleMinutes?: number;
  /** Of one session. */
  readonly requestsAMinute?: number;
}

/** Wires every subject into one application. */
export function makeApp(
  server: Server,
  {
    sessionSecret,
    webFolder,
    proxies = 0,
    isSecure = false,
    idleMinutes = USUAL_IDLE_MINUTES,
    requestsAMinute = REQUESTS_A_MINUTE,
  }: AppOptions,
): Express {
  const { reading, writer, log } = server;
  const idleMs = idleMinutes * 60_000;
  const jobs = new RunJobs((input, progress) => writer.run('bring', input, progress), log);
  const app = express();
  app.disable('x-powered-by');
  // Answers are not kept; a fingerprint of each would be work for nothing.
  app.disable('etag');
  app.set('trust proxy', proxies);
  app.use(pinoHttp({ logger: log, autoLogging: { ignore: ({ url }) => url?.startsWith('/assets/') ?? false } }));
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'"],
          styleSrcAttr: ["'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          fontSrc: ["'self'", 'data:'],
          upgradeInsecureRequests: isSecure ? [] : null,
        },
      },
      strictTransportSecurity: isSecure ? { maxAge: A_YEAR_S } : false,
    }),
  );
  // Quickly rather than small: what is left to squeeze costs more than it saves.
  app.use(compression({ level: 1 }));

  const api = express.Router();
  api.use(healthRoutes(server));
  api.use((_request, response, next) => {
    response.setHeader('cache-control', 'no-store');
    next();
  });
  api.use(sameSite);
  api.use(
    session({
      name: 'yarin',
      secret: sessionSecret,
      store: new SessionStore(reading, sessionWriting(writer), idleMs),
      resave: false,
      saveUninitialized: false,
      cookie: { httpOnly: true, sameSite: 'strict', maxAge: COOKIE_MS, secure: isSecure },
    }),
  );
  api.use(requestLimit(requestsAMinute));
  api.use(express.json({ limit: '2mb' }));
  api.use(signOnRoutes(server));
  api.use(signedIn(server));
  api.use(deskRoutes(server));
  api.use(findRoutes(server));
  api.use(courseRoutes(server));
  api.use(courseEditRoutes(server));
  api.use(fileRoutes(server));
  api.use(pairingRoutes(server));
  api.use(accessRoutes(server));
  api.use(rosterRoutes(server));
  api.use(recipeRoutes(server));
  api.use(calendarRoutes(server));
  api.use(planRoutes(server));
  api.use(planDateRoutes(server));
  api.use(runRoutes(server, jobs));
  api.use(takeBackRoutes(server));
  api.use(newsRoutes(server, jobs));
  api.use(nothingThere);
  app.use('/api', api);

  if (webFolder !== undefined && existsSync(webFolder)) {
    app.use('/assets', express.static(join(webFolder, 'assets'), { immutable: true, maxAge: '1y' }), nothingThere);
    app.use(express.static(webFolder, { index: false }));
    app.get('/{*path}', (request, response, next) => {
      if (FILE_OF_THE_WEB.test(request.path)) next();
      else response.sendFile(join(webFolder, 'index.html'));
    });
  }
  app.use(nothingThere);
  app.use(errorHandler);
  return app;
}

const sessionWriting = (writer: Server['writer']): SessionWriting => ({
  save: (session) => writer.run('saveSession', session),
  touch: (session) => writer.run('touchSession', session),
  drop: (id) => writer.run('dropSession', id),
});
