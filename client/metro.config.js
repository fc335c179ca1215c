const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
config.resolver.assetExts.push('woff2');

// Modules that packages ask for and this application never runs: animation worklets (motion here is CSS and SVG only), and zod's
// table of foreign-language messages (our sentences are our own). Left in, they are a third of the first load.
const EMPTY = { type: 'empty' };
const unused = (name) =>
  name === 'react-native-reanimated' || name === 'react-native-worklets' || name.startsWith('react-native-worklets/');
const { resolveRequest } = config.resolver;
config.resolver.resolveRequest = (context, name, platform) => {
  if (unused(name)) return EMPTY;
  if (/locales\/index(\.js)?$/.test(name) && context.originModulePath.includes('/zod/')) return EMPTY;
  return (resolveRequest ?? context.resolveRequest)(context, name, platform);
};

module.exports = config;
