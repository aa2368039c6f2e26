import { existsSync } from 'node:fs';
import { extname, join } from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';

/**
 * Serves the built app. The app computes and stores in the browser: this server sees no data.
 *
 * @param dist folder of the build
 * @throws Error when there is no build there
 */
export function createApp(dist: string): Express {
  if (!existsSync(join(dist, 'index.html'))) {
    throw new Error(`There is no build in ${dist}. Run "npm run build" first.`);
  }
  const app = express();
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          'default-src': ["'none'"],
          'script-src': ["'self'"],
          'worker-src': ["'self'"],
          'style-src': ["'self'"],
          'font-src': ["'self'"],
          'img-src': ["'self'", 'blob:'],
          'connect-src': ["'self'"],
          'manifest-src': ["'self'"],
          'base-uri': ["'none'"],
          'form-action': ["'none'"],
          'frame-ancestors': ["'none'"],
        },
      },
      // Installers reach the workshop's machine by plain http on the local network.
      strictTransportSecurity: false,
    }),
  );
  app.use(compression());
  // Built files carry their hash in the name; the page that names them must always be asked for anew.
  app.use(
    '/assets',
    express.static(join(dist, 'assets'), { immutable: true, maxAge: '365d', fallthrough: false }),
  );
  app.use(express.static(dist, { maxAge: 0 }));
  app.get('/{*path}', (request, response) => {
    if (request.accepts('html') && !namesFile(request.path)) response.sendFile(join(dist, 'index.html'));
    else response.status(404).type('text').send('There is no such file here.');
  });
  return app;
}

/** Whether an address asks for a file rather than for a screen; the id of a job may have a dot in it. */
function namesFile(path: string): boolean {
  return extname(path) !== '' && !path.startsWith('/jobs/');
}
