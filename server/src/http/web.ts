import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Express, RequestHandler } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { z } from 'zod';
import { HttpFailure } from './failure';

const YEAR_SECONDS = 31_536_000;
/** Folders whose files carry their hash in their name. */
const HASHED = /\/(_expo\/static|assets|tables|fonts)\//;

const preloadSchema = z.array(z.object({ address: z.string(), files: z.array(z.string()) }));

/** What a page needs besides the scripts it names, by its address; nothing where the build left no list. */
function readPreloads(folder: string): (path: string) => string[] {
  const file = join(folder, 'preload.json');
  if (!existsSync(file)) return () => [];
  const entries = preloadSchema
    .parse(JSON.parse(readFileSync(file, 'utf8')))
    .map(({ address, files }) => ({ address: new RegExp(address), files }));
  return (path) => entries.find(({ address }) => address.test(path))?.files ?? [];
}

const linkTo = (file: string) =>
  file.endsWith('.json')
    ? `<${file}>; rel=preload; as=fetch; crossorigin`
    : `<${file}>; rel=preload; as=script`;

/** What the page may do: its own scripts and workers, pictures of the device, nothing from elsewhere. */
const policy = helmet({
  contentSecurityPolicy: {
    directives: {
      'script-src': ["'self'", "'wasm-unsafe-eval'"],
      'worker-src': ["'self'", 'blob:'],
      'img-src': ["'self'", 'data:', 'blob:'],
      'upgrade-insecure-requests': null,
    },
  },
  hsts: false,
});

/**
 * The built web app, compressed when it was built: hashed files for ever, the page itself never from cache.
 * With a page goes word of the chunks of its route, so that they come beside the first scripts.
 */
export function serveWeb(app: Express, folder: string): void {
  const preloads = readPreloads(folder);
  const serve = expressStaticGzip(folder, {
    enableBrotli: true,
    orderPreference: ['br', 'gz'],
    index: false,
    serveStatic: {
      setHeaders: (response, path) => {
        response.setHeader(
          'cache-control',
          HASHED.test(path) ? `public, max-age=${YEAR_SECONDS}, immutable` : 'no-cache',
        );
      },
    },
  });
  app.use((_request, response, next) => {
    response.setHeader('x-content-type-options', 'nosniff');
    next();
  });
  app.use(serve);
  app.get('/{*any}', policy, (request, response, next) => {
    if (/\.\w+$/.test(request.path)) {
      next(new HttpFailure('not-found', 'There is no such file.'));
      return;
    }
    const links = preloads(request.path).map(linkTo);
    if (links.length > 0) response.setHeader('link', links.join(', '));
    request.url = '/index.html';
    serve(request, response, next);
  });
}

/** The app as it is being worked on, from who bundles it; its socket that reloads the page, too. */
export function proxyWeb(target: string): RequestHandler {
  // Fetched by who works on the app, and by nobody else.
  const proxy = import('http-proxy-middleware').then(({ createProxyMiddleware }) =>
    createProxyMiddleware({ target, changeOrigin: true, ws: true }),
  );
  return (request, response, next) => {
    proxy.then((handle) => handle(request, response, next)).catch(next);
  };
}
