/**
 * `npm run web-weight`: first-load JavaScript of the built app, gzipped, against the same Expo shell
 * with an empty screen. What a page loads is read from its index.html plus the chunks of the route.
 */
import { execFileSync } from 'node:child_process';
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

const ROOT = join(import.meta.dirname, '..');
const LEVEL = 9;

function bundleFiles(dist: string): string[] {
  const folder = join(dist, '_expo/static/js/web');
  return readdirSync(folder).map((name) => join(folder, name));
}

const gz = (file: string) => gzipSync(readFileSync(file), { level: LEVEL }).length;

/** Scripts that index.html names, and the layout and route chunks of the first screen. */
function firstLoad(dist: string, chunks: readonly RegExp[]): { name: string; bytes: number }[] {
  const html = readFileSync(join(dist, 'index.html'), 'utf8');
  return bundleFiles(dist)
    .map((file) => ({ file, name: file.slice(file.lastIndexOf('/') + 1) }))
    .filter(({ name }) => html.includes(name) || chunks.some((chunk) => chunk.test(name)))
    .map(({ file, name }) => ({ name, bytes: gz(file) }));
}

function emptyShell(): string {
  const folder = join(ROOT, '.data', 'empty-shell');
  const dist = join(folder, 'dist');
  if (existsSync(join(dist, 'index.html'))) return dist;
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(join(folder, 'src/app'), { recursive: true });
  for (const name of [
    'app.json',
    'babel.config.js',
    'metro.config.js',
    'tailwind.config.js',
    'zod-locales-en.mjs',
    'package.json',
  ]) {
    cpSync(join(ROOT, 'app', name), join(folder, name));
  }
  symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'));
  writeFileSync(
    join(folder, 'global.css'),
    '@tailwind base;@tailwind components;@tailwind utilities;',
  );
  writeFileSync(
    join(folder, 'src/app/index.tsx'),
    "import '../../global.css';\nimport { View } from 'react-native';\nexport default function Empty() { return <View className=\"flex-1\" />; }\n",
  );
  execFileSync(
    process.execPath,
    [join(ROOT, 'node_modules/expo/bin/cli'), 'export', '-p', 'web', '--max-workers', '2'],
    {
      cwd: folder,
      env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1' },
      stdio: ['ignore', 'ignore', 'inherit'],
    },
  );
  return dist;
}

const total = (files: readonly { bytes: number }[]) =>
  files.reduce((sum, { bytes }) => sum + bytes, 0);
const kb = (bytes: number) => `${(bytes / 1000).toFixed(1)} kB`;

const app = firstLoad(join(ROOT, 'app/dist'), [/^_layout-/, /^index-/]);
const shell = firstLoad(emptyShell(), [/^_layout-/, /^index-/]);
for (const { name, bytes } of app) console.log(`  ${kb(bytes).padStart(10)}  ${name}`);
console.log(`first load        ${kb(total(app))} gzipped`);
console.log(`empty shell       ${kb(total(shell))} gzipped`);
console.log(`our own share     ${kb(total(app) - total(shell))} gzipped (the aim is under 250 kB)`);
