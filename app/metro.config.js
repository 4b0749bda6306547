const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);
config.maxWorkers = 2;

// Metro does not tree-shake: keep zod's fifty locales and its JSON Schema half out of the bundle.
const STAND_INS = [
  [/[\\/]zod[\\/]v4[\\/]locales[\\/]index\.c?js$/, 'zod-locales-en.mjs'],
  [
    /[\\/]zod[\\/]v4[\\/](core[\\/]json-schema-processors|classic[\\/]from-json-schema)\.c?js$/,
    'zod-no-json-schema.mjs',
  ],
];
config.resolver.resolveRequest = (context, name, platform) => {
  // One copy of the query core, whoever asks for it.
  const from =
    name === '@tanstack/query-core'
      ? { ...context, originModulePath: path.join(__dirname, 'package.json') }
      : context;
  const resolved = context.resolveRequest(from, name, platform);
  const standIn =
    resolved.type === 'sourceFile' &&
    STAND_INS.find(([pattern]) => pattern.test(resolved.filePath));
  return standIn ? { ...resolved, filePath: path.join(__dirname, standIn[1]) } : resolved;
};
module.exports = withNativeWind(config, { input: './global.css' });
