const { createReadStream } = require('node:fs');
const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
config.resolver.assetExts.push('woff2');

// Icons are drawn from paths: the font that Paper would look for is not there to be found.
config.resolver.resolveRequest = (context, name, platform) =>
  /^(@expo\/vector-icons|@react-native-vector-icons|react-native-vector-icons)/.test(name)
    ? { type: 'empty' }
    : context.resolveRequest(context, name, platform);

// `npm run dev`: the app comes from Metro, everything under /api from the server beside it, the model's worker from
// where esbuild keeps it up to date.
config.server.enhanceMiddleware = (metro) => {
  const { createProxyMiddleware } = require('http-proxy-middleware');
  const target = `http://127.0.0.1:${process.env.ZYGOSTAT_PORT ?? 4310}`;
  const proxy = createProxyMiddleware({ target, pathFilter: '/api' });
  return (request, response, next) => {
    if (request.url !== '/model.worker.js')
      return proxy(request, response, () => metro(request, response, next));
    response.setHeader('Content-Type', 'text/javascript');
    createReadStream(join(__dirname, '../../.cache/model.worker.js')).pipe(response);
  };
};

module.exports = config;
