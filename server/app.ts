import type { ServerResponse } from 'node:http';
import path from 'node:path';
import compression from 'compression';
import express from 'express';
import type { Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { ShopCopies } from './features/copies/shop-copies';
import { copyRoutes } from './features/copies/routes';
import type { Database } from './database/connect';
import { benchRoutes } from './features/bench/routes';
import { checkRoutes } from './features/checks/routes';
import { changeRoutes } from './features/changes/routes';
import { customerRoutes } from './features/customers/routes';
import { guard } from './features/door/guard';
import { doorRoutes } from './features/door/routes';
import { handoverRoutes } from './features/handover/routes';
import { labelRoutes } from './features/labels/routes';
import { machineRoutes } from './features/machine/routes';
import { outboxRoutes } from './features/outbox/routes';
import { paperRoutes } from './features/papers/routes';
import { peopleRoutes } from './features/people/routes';
import { photographRoutes } from './features/photographs/routes';
import { moneyRoutes } from './features/money/routes';
import { correctionRoutes } from './features/corrections/routes';
import { outworkRoutes } from './features/outwork/routes';
import { preparingRoutes } from './features/preparing/routes';
import { planRoutes } from './features/plans/routes';
import { evidenceRoutes } from './features/evidence/routes';
import { storeRoutes } from './features/store/routes';
import { learningRoutes } from './features/learning/routes';
import { shopRoutes } from './features/shop/routes';
import { ticketRoutes } from './features/tickets/routes';
import { isLoopback } from './http/loopback';
import { Problem } from './http/problem';
import { errorsPage } from './http/errors-page';
import { Measured } from './http/measured';
import { requestLog } from './http/request-log';
import { onlyOurs } from './http/only-ours';
import { ownNames } from './http/own-names';
import { problemHandler } from './http/problem-handler';
import type { Trust } from './http/trust-page';
import { trustRoutes } from './http/trust-page';
import { readableSigns } from './http/readable-signs';

export interface AppParts {
  readonly db: Database;
  readonly logger: Logger;
  /** Folder of the built web app; none in tests of the routes. */
  readonly webFolder?: string;
  /** The shop's copies; none are made where left out. */
  readonly copies?: ShopCopies;
  /** The address it listens on, by whose names alone it answers. */
  readonly host?: string;
  /** What a tablet trusts this shop by, where it makes its own certificates. */
  readonly trust?: Trust;
  /** The folder whose disk is watched. */
  readonly dataFolder?: string;
  /** Whether the whole process is measured as well; of several servers in one, as in tests, it is not. */
  readonly ofProcess?: boolean;
  /** Whether an address is the shop's own computer; its loopback where left out. */
  readonly isOwn?: (address: string | undefined) => boolean;
}

/** The whole server: routes under /api, the built app beside them, every refusal as problem+json. */
export function createApp({
  db,
  logger,
  webFolder,
  copies,
  host = '127.0.0.1',
  trust,
  dataFolder = '.',
  ofProcess = false,
  isOwn = isLoopback,
}: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          // WebAssembly reads the codes of tags.
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          fontSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(requestLog(logger));
  app.use(onlyOurs(ownNames(host)));
  // On the shop's own computer nothing travels: squeezing a long line would take longer than reading it.
  app.use(
    compression({
      filter: (request, response) => !isLoopback(request.socket.remoteAddress) && compression.filter(request, response),
    }),
  );
  const measured = new Measured();
  if (ofProcess) measured.ofProcess();
  app.use('/api', measured.counting());
  // Of one shop's people: asked for anew each time, and kept by nothing on the way.
  app.use('/api', (_request, response, next) => {
    response.setHeader('Cache-Control', 'private, no-cache');
    next();
  });
  // Before anything of a stranger's is read.
  app.use('/api', guard(db));
  app.use('/api/door', express.json({ limit: '8kb' }));
  app.use(express.json({ limit: '4mb' }));
  app.use(readableSigns);
  const api = express.Router();
  api.use(machineRoutes(db, { measured, dataFolder, isOwn }));
  const features = [
    shopRoutes,
    learningRoutes,
    storeRoutes,
    peopleRoutes,
    customerRoutes,
    ticketRoutes,
    evidenceRoutes,
    planRoutes,
    moneyRoutes,
    preparingRoutes,
    correctionRoutes,
    outworkRoutes,
    benchRoutes,
    checkRoutes,
    handoverRoutes,
    paperRoutes,
    photographRoutes,
    outboxRoutes,
    labelRoutes,
    changeRoutes,
  ];
  for (const routes of features) api.use(routes(db));
  api.use(copyRoutes(db, copies ?? null));
  api.use(doorRoutes(db, { isOwn, trustPage: trust !== undefined }));
  api.use(() => {
    throw new Problem('not-found', 'There is nothing at this address.');
  });
  app.use('/api', api);
  app.use(errorsPage());
  if (trust) app.use(trustRoutes(trust));
  if (webFolder) serveWeb(app, webFolder);
  app.use(problemHandler);
  return app;
}

function serveWeb(app: Express, folder: string): void {
  // Built files carry their content's hash in the name, so they may be kept for good; the few that do not, such as
  // what says which version this is, are asked for each time.
  const setHeaders = (response: ServerResponse, file: string): void => {
    const isHashed = /-[A-Z0-9]{8}\.\w+$/.test(file);
    response.setHeader('Cache-Control', isHashed ? 'public, max-age=31536000, immutable' : 'no-cache');
  };
  app.use(express.static(folder, { index: false, cacheControl: false, setHeaders }));
  app.get(/^\/(?!api\/).*/, (request, response, next) => {
    if (path.extname(request.path) !== '') return next();
    response.setHeader('Cache-Control', 'no-cache');
    // By its folder: a checkout below a hidden one is served as any other.
    return response.sendFile('index.html', { root: folder });
  });
}
