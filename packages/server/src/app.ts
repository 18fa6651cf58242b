import compression from 'compression';
import express from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { setPublicUrl } from './address';
import { benchMeterRoutes } from './bench-meter/routes';
import { readWho } from './crew/guard';
import type { Reach } from './crew/reach';
import { ALONE } from './crew/reach';
import { crewRoutes } from './crew/routes';
import { whoOf } from './crew/who';
import { isEmpty } from './db/crew';
import type { Db } from './db/open';
import { retried } from './db/open';
import { firePanelRoutes } from './fire-panel/routes';
import { Hub } from './live/hub';
import { liveRoutes, tellingOf } from './live/routes';
import type { Draw } from './papers';
import { drawHere } from './papers';
import { wirelessLinkRoutes } from './wireless-link/routes';
import { holdBounds } from './bounds';
import type { Bundles } from './bundle';
import { bundlesHere } from './bundle';
import { ownFields, plainQuery } from './plain';
import { problemHandler, sendProblem, unknownRoute } from './problem';
import { bundleRoutes } from './routes/bundles';
import { documentRoutes } from './routes/documents';
import { firmRoutes } from './routes/firm';
import { foundRoutes } from './routes/found';
import { jobRoutes } from './routes/jobs';
import { paperRoutes } from './routes/papers';
import { photoRoutes } from './routes/photos';
import { readingRoutes } from './routes/readings';
import { recordRoutes } from './routes/record';
import { reportRoutes } from './routes/report';
import { revisionRoutes } from './routes/revisions';
import { scheduleRoutes } from './routes/schedules';
import { trusted } from './trusted';
import { webRoutes } from './web';

export interface AppOptions {
  db: Db;
  log: Logger;
  /** Folder of the exported app; the API stands alone without it. */
  web?: string;
  /** Requests a client may make in a minute. */
  requestsPerMinute?: number;
  /** Where it is reached; this machine alone unless told. */
  reach?: Reach;
  /** The certificate, PEM, that a crew's phones are told to trust. */
  authority?: string | null;
  /** Who draws what is printed; this process unless told. */
  draw?: Draw;
  /** Who reads and writes bundles; this process unless told. */
  bundles?: Bundles;
}

/** Of somebody who belongs here; of a stranger what it takes to sign in. */
const BODY_LIMIT = '2mb';
const STRANGER_LIMIT = '4kb';

const bodies = (limit: string) =>
  express.json({ limit, reviver: ownFields, verify: (_request, _response, text) => holdBounds(text) });

/** The whole server as an Express application. */
export function createApp({
  db,
  log,
  web,
  requestsPerMinute = 600,
  reach = ALONE,
  authority = null,
  draw = drawHere,
  bundles = bundlesHere(db),
}: AppOptions) {
  const app = express();
  const { crew, transport } = reach;
  app.disable('x-powered-by');
  app.set('query parser', plainQuery);
  if (transport.type === 'proxy') app.set('trust proxy', transport.address);
  setPublicUrl(app, reach.publicUrl);
  app.use(pinoHttp({ logger: log, autoLogging: { ignore: ({ url }) => !url?.startsWith('/api') } }));
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          // React Native for the web writes its styles into the page.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          workerSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'self'"],
          frameAncestors: ["'none'"],
          formAction: ["'self'"],
        },
      },
      // A certificate made here is taken by hand: a browser told to insist could not be let past it any more.
      strictTransportSecurity: transport.type === 'given' || transport.type === 'proxy',
    }),
  );
  app.use(trusted(reach));
  app.use(compression());

  const api = express.Router();
  api.use(
    rateLimit({
      windowMs: 60_000,
      limit: requestsPerMinute,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: (_request, response) =>
        sendProblem(response, {
          status: 429,
          title: 'Too many requests',
          detail: 'Wait a minute and try again.',
        }),
    }),
  );
  api.use((_request, response, next) => {
    // What a job holds is kept by no cache in between; what may be says so itself.
    response.set('Cache-Control', 'no-store');
    next();
  });
  if (crew) api.use(readWho(db));
  const [whole, small] = [bodies(BODY_LIMIT), bodies(STRANGER_LIMIT)];
  api.use((request, response, next) =>
    crew && !whoOf(response) ? small(request, response, next) : whole(request, response, next),
  );
  api.get('/health', (_request, response) => {
    const trouble = retried(db);
    if (trouble === null) response.json({ status: 'ok' });
    else response.status(503).json({ status: trouble });
  });
  api.get('/me', (_request, response) => {
    response.json(crew ? { crew, person: whoOf(response)?.person ?? null, empty: isEmpty(db) } : { crew });
  });
  api.get('/trust.crt', (_request, response, next) => {
    if (authority === null) return next();
    response.attachment('zygostat-crew.crt').type('application/x-x509-ca-cert').send(authority);
  });
  if (crew) api.use(crewRoutes(db));
  const hub = new Hub();
  api.use(tellingOf(hub), liveRoutes(db, hub));
  api.use(jobRoutes(db), revisionRoutes(db), readingRoutes(db), photoRoutes(db));
  api.use(
    documentRoutes(db),
    scheduleRoutes(db),
    paperRoutes(db, draw),
    foundRoutes(db),
    firmRoutes(db),
    recordRoutes(db),
    reportRoutes(db, draw),
    bundleRoutes(db, bundles),
    benchMeterRoutes(db),
    firePanelRoutes(db),
    wirelessLinkRoutes(db),
  );
  api.use(unknownRoute);
  app.use('/api', api);

  if (web !== undefined) app.use(webRoutes(web));
  app.use(unknownRoute);
  app.use(problemHandler);
  return app;
}
