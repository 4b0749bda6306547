const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);
config.maxWorkers = 2;

// Metro does not tree-shake: keep zod's fifty locales out of the bundle.
config.resolver.resolveRequest = (context, name, platform) => {
  const resolved = context.resolveRequest(context, name, platform);
  return resolved.type === 'sourceFile' &&
    /[\\/]zod[\\/]v4[\\/]locales[\\/]index\.c?js$/.test(resolved.filePath)
    ? { ...resolved, filePath: path.join(__dirname, 'zod-locales-en.mjs') }
    : resolved;
};
module.exports = withNativeWind(config, { input: './global.css' });
