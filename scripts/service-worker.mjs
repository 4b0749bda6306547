// Writes app/dist/sw.js (Workbox inside) after `expo export`: the app starts without a signal.
import { generateSW } from 'workbox-build';

const { count, size, warnings } = await generateSW({
  globDirectory: 'app/dist',
  globPatterns: ['**/*.{html,js,css,ttf,png,ico,svg,webmanifest,json}'],
  globIgnores: ['sw.js', '_sitemap.html', '_expo/.routes.json'],
  swDest: 'app/dist/sw.js',
  inlineWorkboxRuntime: true,
  sourcemap: false,
  mode: 'production',
  skipWaiting: true,
  clientsClaim: true,
  cleanupOutdatedCaches: true,
  maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
  dontCacheBustURLsMatching: /^(_expo\/static|assets)\//,
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//],
});
console.log({ count, size, warnings });
