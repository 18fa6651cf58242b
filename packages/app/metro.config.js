const { createReadStream } = require('node:fs');
const { dirname, join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
config.resolver.assetExts.push('woff2');

// Icons are drawn from paths: the font that Paper would look for is not there to be found.
const NO_FONTS = /^(@expo\/vector-icons|@react-native-vector-icons|react-native-vector-icons)/;
// Less to send for the same: of the queries not what was made for engines long gone, and of Paper not everything for the sake of
// its themes, the only thing that its own plugin for Babel does not find by itself.
const folder = (name) => dirname(require.resolve(`${name}/package.json`));
const LEAN = {
  '@reduxjs/toolkit/query': join(folder('@reduxjs/toolkit'), 'dist/query/rtk-query.browser.mjs'),
  '@reduxjs/toolkit/query/react': join(
    folder('@reduxjs/toolkit'),
    'dist/query/react/rtk-query-react.browser.mjs',
  ),
  'react-native-paper/lib/module/index.js': join(
    folder('react-native-paper'),
    'lib/module/styles/themes/index.js',
  ),
};
// What every view and every button does for what next to none of them is asked (`lean/`): half of the time they took to be there.
const OWN = join(__dirname, 'lean');
const HOOKS = Object.fromEntries(
  ['useElementLayout', 'useHover', 'useResponderEvents'].map((hook) => [
    join(folder('react-native-web'), `dist/modules/${hook}/index.js`),
    join(OWN, `${hook}.js`),
  ]),
);
config.resolver.resolveRequest = (context, name, platform) => {
  if (NO_FONTS.test(name)) return { type: 'empty' };
  if (name in LEAN) return { type: 'sourceFile', filePath: LEAN[name] };
  const found = context.resolveRequest(context, name, platform);
  const isOwn = context.originModulePath.startsWith(OWN);
  return !isOwn && found.filePath in HOOKS ? { ...found, filePath: HOOKS[found.filePath] } : found;
};

// What mostly hands on what others make reads each of them when it is first wanted: the router has much that nobody here asks for, and
// of the screens beyond the list one is wanted at a time.
const HANDS_ON =
  /[\\/](packages[\\/](app[\\/]src[\\/]features[\\/]beyond|core[\\/]src[\\/].*[\\/]index)\.ts|node_modules[\\/](expo-router[\\/]build|@react-navigation|react-native-web[\\/]dist[\\/]index\.js).*)$/;
config.transformer.getTransformOptions = () => ({
  transform: {
    experimentalImportSupport: true,
    inlineRequires: { blockList: new Proxy({}, { has: (_, path) => !HANDS_ON.test(path) }) },
  },
});

// `npm run dev`: the app comes from Metro, everything under /api from the server beside it, the model's worker from
// where esbuild keeps it up to date.
// The export asks for this too, where the packages of development are not there.
const proxyToServer = () => {
  const { createProxyMiddleware } = require('http-proxy-middleware');
  const target = `http://127.0.0.1:${process.env.ZYGOSTAT_PORT ?? 4310}`;
  return createProxyMiddleware({ target, pathFilter: '/api' });
};
config.server.enhanceMiddleware = (metro) => {
  let proxy;
  return (request, response, next) => {
    if (request.url !== '/model.worker.js') {
      proxy ??= proxyToServer();
      return proxy(request, response, () => metro(request, response, next));
    }
    response.setHeader('Content-Type', 'text/javascript');
    createReadStream(join(__dirname, '../../.cache/model.worker.js')).pipe(response);
  };
};

module.exports = config;
