import { existsSync } from 'node:fs';
import { extname, join } from 'node:path';
import compression from 'compression';
import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express';
import helmet from 'helmet';

/**
 * Serves the built app. The app computes and stores in the browser: this server sees no data, unless stand-in instruments are
 * wanted: those are put before a vehicle in its memory.
 *
 * @param dist folder of the build
 * @param instruments what answers under /instruments, where that is wanted
 * @param mailbox what answers under /mailbox, where others may come
 * @param trust what answers under /trust, where the server has an authority of its own
 * @throws Error when there is no build there
 */
export function createApp(
  dist: string,
  instruments: RequestHandler | null = null,
  {
    mailbox,
    trust,
    before,
  }: { mailbox?: RequestHandler; trust?: RequestHandler; before?: RequestHandler } = {},
): Express {
  if (!existsSync(join(dist, 'index.html'))) {
    throw new Error(`There is no build in ${dist}. Run "npm run build" first.`);
  }
  const app = express();
  app.disable('x-powered-by');
  app.use(refuseStrangeHosts);
  if (before) app.use(before);
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
          // A film or a photograph somebody chose is looked at where it is, and a camera's picture is no address at all.
          'media-src': ["'self'", 'blob:'],
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
  if (instruments) app.use('/instruments', instruments);
  if (mailbox) app.use('/mailbox', mailbox);
  else
    app.use(
      '/mailbox',
      (_request, response) => void response.status(404).type('text').send('There is no mailbox here.'),
    );
  if (trust) app.use('/trust', trust);
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
  app.use(answerPlainly);
  return app;
}

/** A name or an address, with a port or without. */
const HOST = /^([a-z0-9]([a-z0-9._-]{0,252})|\[[0-9a-f:.]{2,45}\])(:\d{1,5})?$/i;

const refuseStrangeHosts: RequestHandler = (request, response, next) => {
  if (HOST.test(request.headers.host ?? '')) return next();
  response.status(400).type('text').send('The host this request names is neither a name nor an address.');
};

/** What went wrong in a line, without where in the server: who asks for nonsense learns nothing of the machine. */
const answerPlainly: ErrorRequestHandler = (error: { status?: unknown }, _request, response, next) => {
  if (response.headersSent) return next(error);
  const status =
    typeof error.status === 'number' && error.status >= 400 && error.status < 600 ? error.status : 500;
  const words =
    status === 404
      ? 'There is no such file here.'
      : status < 500
        ? 'This address cannot be read.'
        : 'Something went wrong on this server. Try again.';
  response.status(status).type('text').send(words);
};

/** Whether an address asks for a file rather than for a screen; the id of a job may have a dot in it. */
function namesFile(path: string): boolean {
  return extname(path) !== '' && !path.startsWith('/jobs/');
}
