const http = require('node:http');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
config.resolver.assetExts.push('woff2');

// Modules that packages ask for and this application never runs: animation worklets (motion here is CSS and SVG only), and zod's
// table of foreign-language messages (our sentences are our own) and its reader of other schemas. Left in, they are a third of the load.
const EMPTY = { type: 'empty' };
const unused = (name) =>
  name === 'react-native-reanimated' || name === 'react-native-worklets' || name.startsWith('react-native-worklets/');
const { resolveRequest } = config.resolver;
config.resolver.resolveRequest = (context, name, platform) => {
  if (unused(name)) return EMPTY;
  if (/(locales\/index|from-json-schema)(\.js)?$/.test(name) && context.originModulePath.includes('/zod/'))
    return EMPTY;
  return (resolveRequest ?? context.resolveRequest)(context, name, platform);
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
      headers: { ...headers, host: `localhost:${port}` },
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
