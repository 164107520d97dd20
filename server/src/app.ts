import { BUILD_HEADER, Refusal, SHOP_HEADER } from '@zero-pour/contracts';
import express, { Router, type Express, type RequestHandler } from 'express';
import helmet from 'helmet';
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { archiveRoutes } from './routes/archiveRoutes';
import { answerErrors } from './routes/answerErrors';
import { blobRoutes } from './routes/blobRoutes';
import type { NetworkDoor } from './network/networkDoor';
import { MACHINE_DOOR, ownNameOnly, ownPagesOnly, ownShopOnly, type Door } from './routes/guard';
import { keepableOnly } from './routes/keepable';
import { changeRoutes, tellChanges } from './routes/changeRoutes';
import { calendarRoutes } from './routes/calendarRoutes';
import { castRoutes } from './routes/castRoutes';
import { deviceRoutes } from './routes/deviceRoutes';
import { kilnRunRoutes } from './routes/kilnRunRoutes';
import { networkRoutes } from './routes/networkRoutes';
import { patternRoutes } from './routes/patternRoutes';
import { pourRoutes } from './routes/pourRoutes';
import { readingRoutes } from './routes/readingRoutes';
import { recordRoutes } from './routes/recordRoutes';
import type { Services } from './routes/services';
import { noteChanges, safekeepingRoutes } from './routes/safekeepingRoutes';
import { scrapRoutes } from './routes/scrapRoutes';
import { shareRoutes } from './routes/shareRoutes';
import { signInRoutes } from './routes/signInRoutes';
import { shopRoutes } from './routes/shopRoutes';

/** A pour document with every field filled stays far below this. */
const JSON_LIMIT = '2mb';
export const VERSION = '0.1.0';

const SHORT_JSON = express.json({ limit: JSON_LIMIT, type: 'application/json' });
/** Old records come by the thousand: their route reads its body itself. */
const shortJson: RequestHandler = (request, response, next) =>
  request.path === '/scraps' ? next() : SHORT_JSON(request, response, next);

const SECURITY = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      workerSrc: ["'self'", 'blob:'],
      frameAncestors: ["'none'"],
      objectSrc: ["'none'"],
      baseUri: ["'none'"],
      formAction: ["'self'"],
    },
  },
  crossOriginEmbedderPolicy: true,
  strictTransportSecurity: false,
});

/** The application over HTTP: the API below /api, the built page for everything else. */
export function createApp(services: Services, webFolder: string, door: Door = MACHINE_DOOR): Express {
  const app = express();
  app.disable('x-powered-by');
  // Nothing is compressed: over the loopback address that only costs the machine that also draws the page.
  app.use(SECURITY, ownNameOnly(door));
  const build = readBuild(webFolder);
  app.use('/api', (_request, response, next) => {
    response.set({ [SHOP_HEADER]: services.shopId, [BUILD_HEADER]: build, 'Cache-Control': 'no-store' });
    next();
  });
  app.use('/api', ownPagesOnly(door), ownShopOnly(services.shopId));
  app.use('/api', shortJson, keepableOnly);
  app.use('/api', door === MACHINE_DOOR ? networkRoutes(services.network) : networkGuard(services.network));
  app.get('/api/health', (_request, response) => {
    response.json({ status: 'ok', version: VERSION, migrations: services.migration });
  });
  app.use(
    '/api',
    tellChanges(services.changes),
    noteChanges(services),
    changeRoutes(services.changes),
    archiveRoutes(services),
    safekeepingRoutes(services, VERSION, door === MACHINE_DOOR),
    shareRoutes(services),
    scrapRoutes(services),
    shopRoutes(services),
    patternRoutes(services),
    calendarRoutes(services),
    readingRoutes(services),
    blobRoutes(services),
    pourRoutes(services),
    recordRoutes(services),
    castRoutes(services),
    kilnRunRoutes(services),
    deviceRoutes(services),
  );
  app.use('/api', () => {
    throw new Refusal('NOT_FOUND', { what: 'such address' });
  });
  servePage(app, webFolder);
  app.use(answerErrors(services.log));
  return app;
}

/** What comes over the network signs in first, and is told nothing of how that is set up. */
function networkGuard(network: NetworkDoor): Router {
  return Router()
    .use(signInRoutes(network))
    .use('/network', () => {
      throw new Refusal('ONLY_HERE');
    });
}

/**
 * The boolean engine of the page’s workers makes its own small functions while it starts. A worker goes by the policy of its
 * own script, so that only it may, and the page may not (docs/decisions/0008).
 */
const WORKER_POLICY = "default-src 'self'; script-src 'self' 'wasm-unsafe-eval' 'unsafe-eval'";
const isWorker = (file: string): boolean => /job\.worker-[\w-]+\.js$/.test(file);

/** The name of the built page, as the page itself knows it. */
function readBuild(webFolder: string): string {
  const file = path.join(webFolder, 'build.txt');
  return existsSync(file) ? readFileSync(file, 'utf8').trim() : 'none';
}

/** Built files carry their hash in the name and may be kept for good; the page itself is asked for anew. */
function servePage(app: Express, webFolder: string): void {
  app.use(
    '/assets',
    express.static(path.join(webFolder, 'assets'), {
      immutable: true,
      maxAge: '1y',
      fallthrough: false,
      setHeaders: (response, file) => {
        if (isWorker(file)) response.setHeader('Content-Security-Policy', WORKER_POLICY);
      },
    }),
  );
  app.use(express.static(webFolder, { index: false }));
  app.get('/{*path}', (_request, response) => {
    const page = path.join(webFolder, 'index.html');
    if (existsSync(page)) response.set('Cache-Control', 'no-cache').sendFile(page);
    else response.status(503).type('text').send('The page is not built yet: npm run build');
  });
}
