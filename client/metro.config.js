const http = require('node:http');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
config.resolver.assetExts.push('woff2');

// Modules that packages ask for and this application never runs. Left in, they are half of the load.
const UNUSED = [
  // Animation worklets: motion here is CSS and SVG only.
  /^react-native-(reanimated|worklets)(\/|$)/,
  // Native tabs, stacks and their headers: every route here is a plain slot.
  /\/react-navigation\/bottom-tabs(\/index)?$/,
  /\/native-tabs(\/index)?$/,
  /\/(stack-utils|experimental-stack)(\/index)?$/,
  /\/(TabsClient|Tabs)$/,
  /\/react-navigation\/(native-stack|elements)(\/index)?$/,
  /\/views\/Sitemap$|^\.\/Sitemap$/,
  /\/link\/preview\/HrefPreview$|^\.\/HrefPreview$|^\.\/preview\/HrefPreview$/,
  /^color$/,
];
/** Of react-native-web: lists and animations that no screen here shows. */
const UNUSED_EXPORTS =
  /^\.\/exports\/(Animated|FlatList|SectionList|VirtualizedList|Modal|Picker|ProgressBar|RefreshControl|Switch|CheckBox|DrawerLayoutAndroid|ImageBackground|LogBox|YellowBox|StatusBar|TouchableNativeFeedback|Button|Alert|Share|Vibration|Clipboard|PanResponder)$/;
/** Of zod: its table of foreign-language messages (our sentences are our own), and its readers and writers of other schemas. */
const UNUSED_OF_ZOD = /(locales\/index|from-json-schema|json-schema-processors)(\.js)?$/;

const isUnused = (name, from) =>
  UNUSED.some((pattern) => pattern.test(name)) ||
  (UNUSED_EXPORTS.test(name) && /react-native-web[\\/]dist[\\/](cjs[\\/])?index\.js$/.test(from)) ||
  (UNUSED_OF_ZOD.test(name) && from.includes('/zod/'));

const SCREENS = path.join(__dirname, 'unused', 'screens.js');

const { resolveRequest } = config.resolver;
config.resolver.resolveRequest = (context, name, platform) => {
  if (name === 'react-native-screens') return { type: 'sourceFile', filePath: SCREENS };
  return isUnused(name, context.originModulePath)
    ? { type: 'empty' }
    : (resolveRequest ?? context.resolveRequest)(context, name, platform);
};

// In development the pages come from here and the data from the server beside it.
config.server.enhanceMiddleware = (pages) => (request, response, next) => {
  if (!request.url.startsWith('/api/')) return pages(request, response, next);
  const { origin: _origin, ...headers } = request.headers;
  const port = Number(process.env.KATABASIS_PORT ?? 4870);
  const onward = http.request(
    {
      port,
      host: '127.0.0.1',
      path: request.url,
      method: request.method,
      // Both were started by one person on one machine.
      headers: { ...headers, host: `localhost:${port}`, 'katabasis-key': process.env.KATABASIS_KEY ?? '' },
    },
    (answer) => {
      response.writeHead(answer.statusCode, answer.headers);
      answer.pipe(response);
    },
  );
  onward.on('error', () => response.writeHead(502).end());
  request.pipe(onward);
};

module.exports = config;
