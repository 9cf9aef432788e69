const http = require('node:http');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);

// While developing, the page comes from Metro and the jobs from the server beside it.
const apiPort = process.env.OGEE_API_PORT;
if (apiPort) {
  config.server.enhanceMiddleware = (middleware) => (request, response, next) => {
    if (!request.url.startsWith('/api/')) return middleware(request, response, next);
    const { url: path, method, headers } = request;
    const onward = http.request({ port: apiPort, path, method, headers }, (answer) => {
      response.writeHead(answer.statusCode, answer.headers);
      answer.pipe(response);
    });
    onward.on('error', () => response.writeHead(502).end());
    request.pipe(onward);
  };
}

module.exports = withNativeWind(config, { input: './src/theme/global.css', inlineRem: 16 });
