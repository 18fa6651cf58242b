const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
config.resolver.assetExts.push('woff2');

// `npm run dev`: the app comes from Metro, everything under /api from the server beside it.
config.server.enhanceMiddleware = (metro) => {
  const { createProxyMiddleware } = require('http-proxy-middleware');
  const target = `http://127.0.0.1:${process.env.ZYGOSTAT_PORT ?? 4310}`;
  const proxy = createProxyMiddleware({ target, pathFilter: '/api' });
  return (request, response, next) => proxy(request, response, () => metro(request, response, next));
};

module.exports = config;
