import compression from 'compression';
import express, { type Express } from 'express';
import compressedStatic from 'express-static-gzip';
import helmet from 'helmet';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { DesignDatabase } from './database/design-database.js';
import type { DesignStore } from './designs/design-store.js';
import { designRoutes } from './designs/routes.js';
import { meantChanges, only, onlyNames, ownOrigin } from './http/guard.js';
import { onlyWithKey } from './http/key.js';
import { nonceOf } from './http/nonce.js';
import { HttpProblem, problemHandler } from './http/problem-details.js';

/** What the application needs from outside. */
export interface AppOptions {
  readonly database: DesignDatabase;
  readonly store: DesignStore;
  readonly log: Logger;
  /** Folder of the built web application; without it only the interface under /api is served. */
  readonly webRoot?: string;
  /** Names that the server goes by, beside addresses, localhost and the machine's own. */
  readonly names?: readonly string[];
  /** Whoever enters must have it; absent: all who reach the server may. */
  readonly key?: string;
  /** Browsers reach the server over TLS. */
  readonly secure?: boolean;
  /** A proxy on this machine or its network passes requests on, and says from where. */
  readonly behindProxy?: boolean;
}

/** The HTTP application: designs under /api, the web application elsewhere. */
export function createApp(options: AppOptions): Express {
  const { database, store, log, webRoot, names = [], key, secure = false, behindProxy = false } = options;
  const app = express();
  app.disable('x-powered-by');
  if (behindProxy) app.set('trust proxy', 'loopback, linklocal, uniquelocal');
  app.use(pinoHttp({ logger: log, customLogLevel: levelOf, serializers: shortLines }));
  app.use(onlyNames(names));
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          styleSrc: ["'self'", (_request, response) => `'nonce-${nonceOf(response)}'`],
          // Components place what they draw by styles of single elements
          styleSrcAttr: ["'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'"],
          workerSrc: ["'self'", 'blob:'],
          connectSrc: ["'self'"],
          upgradeInsecureRequests: null,
        },
      },
      crossOriginEmbedderPolicy: { policy: 'require-corp' },
      strictTransportSecurity: false,
    }),
  );
  if (key !== undefined) app.use(onlyWithKey(key, secure));
  app.use(compression());

  app
    .route('/api/health')
    .get((_request, response) => {
      response.json({ status: database.source.isInitialized ? 'ok' : 'closed' });
    })
    .all(only('GET'));
  app.use('/api', ownOrigin, meantChanges, (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  app.use('/api/designs', designRoutes(store));
  app.use('/api', () => {
    throw new HttpProblem(404, 'no-route', 'Not found', 'The interface has no such address.');
  });

  if (webRoot !== undefined && existsSync(join(webRoot, 'index.html'))) {
    // Built files carry a hash in their names, except the page itself; they were compressed when they were built
    app.use(
      compressedStatic(webRoot, {
        enableBrotli: true,
        orderPreference: ['br'],
        index: false,
        serveStatic: { maxAge: '1y', immutable: true },
      }),
    );
    app.get('/{*any}', (request, response, next) => {
      if (/\.[a-z0-9]+$/i.test(request.path)) next();
      else
        response
          .setHeader('Cache-Control', 'no-cache')
          .type('html')
          .send(readFileSync(join(webRoot, 'index.html'), 'utf8').replace(pageNonce, nonceOf(response)));
    });
  }
  app.use(() => {
    throw new HttpProblem(404, 'no-route', 'Not found', 'There is nothing at this address.');
  });
  app.use(problemHandler);
  return app;
}

/** What stands in the built page for the nonce. */
const pageNonce = 'page-nonce';

/** A line a request in the log, without headers. */
const shortLines = {
  req: ({ method, url }: { method: string; url: string }) => ({ method, url: url.slice(0, 300) }),
  res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
};

function levelOf(_request: unknown, response: { statusCode: number }, error?: Error) {
  // What cannot be stored is told where it is found, at most once a second
  if (response.statusCode === 503 || response.statusCode === 507) return 'silent';
  if (error || response.statusCode >= 500) return 'error';
  return response.statusCode >= 400 ? 'warn' : 'debug';
}
