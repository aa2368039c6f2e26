import express, { type ErrorRequestHandler, type RequestHandler, Router } from 'express';
import { writeFrames } from '../../core/formats/frames.ts';
import { JOB_FILE_MAX_BYTES } from '../../core/formats/jobFile.ts';
import { writeWav } from '../../core/formats/wav.ts';
import { FILM_SIZE, filmedLamp, recordedClicks } from '../../core/instruments/recordings.ts';
import { PanelWish, type Session, Sessions, SessionWish } from './sessions.ts';

/** One line to an instrument is never longer than this, bytes; its own limit is shorter and has its own error. */
const LINE_BYTES = 16 * 1024;
/** So long is recorded where nobody says, and at the most, s. */
const SECONDS = { usual: 12, most: 40 } as const;

/**
 * The stand-in instruments over HTTP: a vehicle is put before them, and each is spoken to in lines of text. From this machine
 * alone, whatever address the server listens on: a reading is nobody else's business.
 */
export function instrumentRoutes(): Router {
  const sessions = new Sessions();
  const routes = Router();
  routes.use(fromHereOnly);
  routes.get('/', (_request, response) => void response.json({ instruments: true }));
  routes.post('/vehicles', express.json({ limit: JOB_FILE_MAX_BYTES }), (request, response) => {
    const wish = SessionWish.safeParse(request.body);
    if (!wish.success) return refuse(response, 400, 'This is no vehicle the instruments can be held to.');
    try {
      response.status(201).json({ id: sessions.open(wish.data) });
    } catch (error) {
      refuse(response, 422, (error as Error).message);
    }
  });
  const found =
    (act: (session: Session, ...rest: Parameters<RequestHandler>) => void): RequestHandler =>
    (request, response, next) => {
      const session = sessions.get(String(request.params.id));
      if (session) act(session, request, response, next);
      else refuse(response, 404, 'No such vehicle stands before the instruments. Put it there again.');
    };
  routes.put(
    '/vehicles/:id/panel',
    express.json({ limit: 4096 }),
    found(({ vehicle }, request, response) => {
      const wish = PanelWish.safeParse(request.body);
      if (!wish.success) return refuse(response, 400, 'This is no panel of a driver.');
      vehicle.setPanel(wish.data);
      response.status(204).end();
    }),
  );
  routes.delete('/vehicles/:id', (request, response) => {
    sessions.close(request.params.id);
    response.status(204).end();
  });
  const line = express.text({ type: () => true, limit: LINE_BYTES });
  const spokenTo = (instrument: 'meter' | 'adapter') =>
    routes.post(
      `/vehicles/:id/${instrument}`,
      line,
      found((session, request, response) => {
        const text = typeof request.body === 'string' ? request.body : '';
        const answers = text
          .split(/\r\n|\r|\n/)
          .slice(0, 64)
          .flatMap((each) => (each === '' ? [] : (session[instrument].line(each) ?? [])));
        response.type('text/plain').send(answers.join('\n'));
      }),
    );
  spokenTo('meter');
  spokenTo('adapter');
  routes.get(
    '/vehicles/:id/clicks.wav',
    found(({ vehicle, noise }, request, response) => {
      const sound = recordedClicks(vehicle, secondsFrom(request.query.seconds), noise, Math.random);
      response.type('audio/wav').send(Buffer.from(writeWav(sound)));
    }),
  );
  routes.get(
    '/vehicles/:id/lamp.y4m',
    found(({ vehicle, noise }, request, response) => {
      const framesPerSecond = Math.min(120, Math.max(5, Number(request.query.fps) || 30));
      const seconds = secondsFrom(request.query.seconds);
      try {
        const frames = filmedLamp(
          vehicle,
          String(request.query.lamp ?? ''),
          { framesPerSecond, seconds, noise: 255 * noise },
          Math.random,
        );
        response
          .type('application/octet-stream')
          .send(Buffer.from(writeFrames(FILM_SIZE, framesPerSecond, frames)));
      } catch (error) {
        if (!(error instanceof RangeError)) throw error;
        refuse(response, 404, 'The vehicle has no such lamp.');
      }
    }),
  );
  routes.use((_request, response) => refuse(response, 404, 'The instruments have no such address.'));
  routes.use(answerPlainly);
  return routes;
}

/** Another machine's page must not reach them either: a request that names another host than this machine is none of ours. */
const fromHereOnly: RequestHandler = (request, response, next) => {
  const from = request.socket.remoteAddress ?? '';
  const here = /^(::1|(::ffff:)?127\.\d+\.\d+\.\d+)$/.test(from);
  const host = (request.headers.host ?? '').replace(/:\d+$/, '');
  const origin = request.headers.origin;
  const known = ['localhost', '127.0.0.1', '[::1]'];
  const own = origin === undefined || known.includes(origin.replace(/^https?:\/\//, '').replace(/:\d+$/, ''));
  if (here && known.includes(host) && own) return next();
  refuse(response, 403, 'The instruments answer on this machine alone.');
};

const answerPlainly: ErrorRequestHandler = (error: { status?: unknown }, _request, response, next) => {
  if (response.headersSent) return next(error);
  const status = typeof error.status === 'number' ? error.status : 500;
  refuse(
    response,
    status,
    status === 413
      ? 'That is longer than any line or vehicle.'
      : status < 500
        ? 'This cannot be read.'
        : 'The instrument could not measure that.',
  );
};

function refuse(response: Parameters<RequestHandler>[1], status: number, words: string): void {
  response.status(status).type('text/plain').send(words);
}

function secondsFrom(asked: unknown): number {
  const seconds = Number(asked);
  return seconds > 0 ? Math.min(SECONDS.most, seconds) : SECONDS.usual;
}
