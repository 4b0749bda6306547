/**
 * What `expo export` leaves to do in app/dist: the rules of the fonts and the chunks of the first page into
 * index.html, the service worker (Workbox inside), and every file once more as brotli and gzip, for the server to
 * send as it is.
 */
import { readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { build } from 'esbuild';
import { generateSW } from 'workbox-build';

const DIST = 'app/dist';
/** Not worth a second file. */
const LEAST_BYTES = 600;

const page = join(DIST, 'index.html');
const fonts = readFileSync(join(DIST, 'fonts.css'), 'utf8').trim();
rmSync(join(DIST, 'fonts.css'));

/** A route file as the addresses it answers: groups are no part of them, `[id]` is any word. */
const addressOf = (file) =>
  `^/${file
    .replace(/\.tsx$/, '')
    .split('/')
    .filter((part) => part !== 'index' && !/^\(/.test(part))
    .map((part) => (/^\[/.test(part) ? '[^/]+' : part))
    .join('/')}$`;
const routes = JSON.parse(readFileSync('app/.tables/routes.json', 'utf8'));
/** Layouts around a route, outermost first: the router would ask for them one after the other. */
const layoutsOf = (file) =>
  file
    .split('/')
    .map((_, index, parts) => [...parts.slice(0, index), '_layout.tsx'].join('/'))
    .filter((layout) => routes[layout]);
// The server tells the browser of them with the page, so that all come at once.
writeFileSync(
  join(DIST, 'preload.json'),
  JSON.stringify(
    Object.keys(routes)
      .filter((file) => !/(^|\/)[_+]/.test(file))
      // A page of its own before one that any word leads to.
      .sort((a, b) => a.split('[').length - b.split('[').length)
      .map((file) => ({
        address: addressOf(file),
        files: [...new Set([...layoutsOf(file), file].flatMap((name) => routes[name]))],
      })),
  ),
);

const html = readFileSync(page, 'utf8')
  .replace('<link rel="stylesheet" href="/fonts.css" />', `<style>${fonts}</style>`)
  .replace(/<link rel="preload" href="([^"]+)" as="style">\s*/, '');
writeFileSync(page, html);

// What the service worker sends when the line is back; a file of its own, beside what keeps the app's files.
await build({
  entryPoints: ['app/src/api/sync/background.worker.ts'],
  outfile: join(DIST, 'background-sync.js'),
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  tsconfig: 'app/tsconfig.json',
  define: { 'process.env.NODE_ENV': '"production"' },
});

const { count, size, warnings } = await generateSW({
  globDirectory: DIST,
  globPatterns: ['**/*.{html,js,css,woff2,png,ico,svg,webmanifest,json}'],
  importScripts: ['/background-sync.js'],
  globIgnores: [
    'sw.js',
    'background-sync.js',
    '_sitemap.html',
    '_expo/.routes.json',
    'metadata.json',
    'preload.json',
  ],
  swDest: join(DIST, 'sw.js'),
  inlineWorkboxRuntime: true,
  sourcemap: false,
  mode: 'production',
  // A new version waits until the page says that nothing typed would be lost.
  skipWaiting: false,
  clientsClaim: true,
  cleanupOutdatedCaches: true,
  maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
  dontCacheBustURLsMatching: /^(_expo\/static|assets|tables|fonts)\//,
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//],
});
console.log({ count, size, warnings });

for (const name of readdirSync(DIST, { recursive: true })) {
  if (!/\.(html|js|css|svg|json|webmanifest)$/.test(name)) continue;
  const file = join(DIST, name);
  const bytes = readFileSync(file);
  if (bytes.length < LEAST_BYTES) continue;
  const quality = { params: { [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY } };
  writeFileSync(`${file}.br`, brotliCompressSync(bytes, quality));
  writeFileSync(`${file}.gz`, gzipSync(bytes, { level: constants.Z_BEST_COMPRESSION }));
}
