const { join } = require('node:path');
const { LIBRARIES } = require('./bundling/libraries');

const CORE = join(__dirname, '../core');

/** Entries of the core by the name they are imported by. */
const packages = Object.fromEntries(
  Object.entries(require(join(CORE, 'package.json')).exports)
    .filter(([, file]) => file.endsWith('.ts'))
    .map(([entry, file]) => [`@alfombra/core${entry.slice(1)}`, join(CORE, file)]),
);

const router = (file) => (name) => [`expo-router/build/${file}`, name];
/** What the app uses of the router, by the file that declares it. */
const ROUTER = {
  Link: router('link/Link'),
  Redirect: router('link/Link'),
  Slot: router('views/Navigator'),
  useGlobalSearchParams: router('hooks'),
  useLocalSearchParams: router('hooks'),
  usePathname: router('hooks'),
  useRouter: router('hooks'),
  useSegments: router('hooks'),
};
const native = (name) => [
  `react-native-web/dist/exports/${name === 'unstable_createElement' ? 'createElement' : name}`,
  'default',
];
const declared = {
  'expo-router': (name) => ROUTER[name]?.(name),
  'react-native': native,
  'react-native-web': native,
};

module.exports = function (api) {
  // Only what is shipped is taken apart: a barrel that changes under a running Metro would go unnoticed.
  const shipped = api.env('production');
  return {
    presets: [['babel-preset-expo', { jsxImportSource: 'nativewind' }], 'nativewind/babel'],
    plugins: shipped
      ? [
          [
            require('./bundling/barrels'),
            { packages: { ...packages, ...LIBRARIES }, declared, alias: join(__dirname, 'src') },
          ],
        ]
      : api.env('test')
        ? // Jest loads CommonJS: an import that waits is a require there.
          ['@babel/plugin-transform-dynamic-import']
        : [],
  };
};
