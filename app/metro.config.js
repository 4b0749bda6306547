const { createHash } = require('node:crypto');
const { readdirSync, readFileSync, writeFileSync } = require('node:fs');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');
const { chunksByRoute } = require('./bundling/chunks');
const { LIBRARIES } = require('./bundling/libraries');
const { makeTables } = require('./bundling/tables');

const config = getDefaultConfig(__dirname);
config.maxWorkers = 2;
const shipped = process.env.NODE_ENV === 'production';
const CORE = path.join(__dirname, '../core/src');

if (shipped) {
  // What a barrel passes on is written into whoever imports from it: a change there outdates them all.
  const barrels = [CORE, path.join(__dirname, 'src')]
    .flatMap((folder) =>
      readdirSync(folder, { recursive: true }).map((name) => path.join(folder, name)),
    )
    .filter((file) => /\.tsx?$/.test(file) && !/\.test\./.test(file))
    .map(
      (file) =>
        readFileSync(file, 'utf8')
          .match(/^export .*$/gm)
          ?.join('\n') ?? '',
    );
  // So does a change of how they are taken apart.
  const ways = ['babel.config.js', 'bundling/barrels.js'].map((file) =>
    readFileSync(path.join(__dirname, file), 'utf8'),
  );
  // The addresses written are absolute: another checkout, or a package that npm has moved, is another cache.
  config.cacheVersion = createHash('sha256')
    .update([__dirname, JSON.stringify(LIBRARIES), ...barrels, ...ways].join('\n'))
    .digest('hex');
}

const tables = shipped
  ? makeTables({
      data: path.join(CORE, 'knowledge/data'),
      publicFolder: path.join(__dirname, 'public'),
      modules: path.join(__dirname, '.tables'),
    })
  : new Map();

const ROUTES = path.join(__dirname, 'src/app');
const route = (file) => path.join(ROUTES, file);
const feature = (file) => path.join(__dirname, 'src/features', file);
const PLACES = feature('session/PlacesLayout.tsx');
const LAWNS = feature('lawns/LawnsLayout.tsx');
/** Outside the places: the door, a customer's page. */
const OUTSIDE = ['sign-in.tsx', 'index.tsx', '+not-found.tsx', 'report/'].map(route);
if (shipped) {
  chunksByRoute(
    {
      // Loaded at the door: what two of them share is common to all pages.
      eager: [route('_layout.tsx'), route('sign-in.tsx'), route('index.tsx'), PLACES],
      covers: (file) => {
        const around = [route('_layout.tsx')];
        // The router asks for every layout at once: as files they are a line each, and need nothing around.
        if (
          path.basename(file) === '_layout.tsx' ||
          OUTSIDE.some((start) => file.startsWith(start))
        ) {
          return around;
        }
        if (file !== PLACES) around.push(PLACES);
        if (file.startsWith(route('(places)/lawns/'))) around.push(LAWNS);
        return around;
      },
    },
    new Map([...tables.values()].map(({ path: file, url }) => [file, url])),
    (chunks) =>
      writeFileSync(
        path.join(__dirname, '.tables/routes.json'),
        JSON.stringify(
          Object.fromEntries(
            chunks
              .filter(({ file }) => file.startsWith(ROUTES))
              .map(({ file, urls }) => [path.relative(ROUTES, file), urls]),
          ),
        ),
      ),
  );
}

/** Metro does not tree-shake. In place of these files, ours, with what the app uses of them. */
const STAND_INS = [
  [/[\\/]zod[\\/]v4[\\/]locales[\\/]index\.c?js$/, 'zodLocalesEn.mjs'],
  [
    /[\\/]zod[\\/]v4[\\/](core[\\/]json-schema-processors|classic[\\/]from-json-schema)\.c?js$/,
    'zodNoJsonSchema.mjs',
  ],
  ...(shipped
    ? [
        [/[\\/]zod[\\/]v4[\\/]core[\\/]to-json-schema\.c?js$/, 'zodNoToJsonSchema.mjs'],
        [/[\\/]zod[\\/]v4[\\/]core[\\/]compile\.c?js$/, 'zodNoCompile.mjs'],
        [/[\\/]react-native-web[\\/]dist[\\/]index\.js$/, 'reactNativeParts.mjs'],
        [
          /[\\/]react-native-css-interop[\\/]dist[\\/]runtime[\\/]components\.js$/,
          'styledComponents.js',
        ],
        [/[\\/]native-stack[\\/]createNativeStackNavigator\.js$/, 'routerNoStack.js'],
        [
          /[\\/]expo-router[\\/]build[\\/]layouts[\\/]stack-utils[\\/]index\.js$/,
          'routerNothing.js',
        ],
        [/[\\/]expo-router[\\/]build[\\/]views[\\/]Sitemap\.js$/, 'routerNothing.js'],
        [/[\\/]expo-router[\\/]build[\\/]head[\\/]index\.js$/, 'routerNoHead.js'],
        [/[\\/]expo-router[\\/]build[\\/]views[\\/]Toast\.js$/, 'routerNoToast.js'],
        [/[\\/]expo-router[\\/]build[\\/]screensFeatureFlags\.js$/, 'routerNoScreens.js'],
      ]
    : []),
];
// Its parts name one another as ES modules and as CommonJS; two copies would not know of each other's gestures.
const GESTURES = /^@use-gesture\/core(?:\/(actions|utils|types))?$/;
const gesturePart = (part) => {
  const folder = path.dirname(require.resolve('@use-gesture/core/package.json'));
  return part
    ? path.join(folder, part, `dist/use-gesture-core-${part}.esm.js`)
    : path.join(folder, 'dist/use-gesture-core.esm.js');
};
config.resolver.resolveRequest = (context, name, platform) => {
  const gesture = GESTURES.exec(name);
  if (gesture) return { type: 'sourceFile', filePath: gesturePart(gesture[1]) };

  // One copy of the query core, whoever asks for it.
  const from =
    name === '@tanstack/query-core'
      ? { ...context, originModulePath: path.join(__dirname, 'package.json') }
      : context;
  const resolved = context.resolveRequest(from, name, platform);
  const standIn =
    resolved.type === 'sourceFile' &&
    STAND_INS.find(([pattern]) => pattern.test(resolved.filePath));
  if (standIn)
    return { ...resolved, filePath: path.join(__dirname, 'bundling/standIns', standIn[1]) };
  const table = resolved.type === 'sourceFile' ? tables.get(resolved.filePath) : undefined;
  return table ? { type: 'sourceFile', filePath: table.path } : resolved;
};
module.exports = withNativeWind(config, { input: './global.css' });
