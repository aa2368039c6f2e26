import express, { type ErrorRequestHandler, type Router } from 'express';
import { Mailbox, MailboxFullError, MOST_BYTES } from './mailbox.ts';

/** How often one address may leave something in a minute. */
const LEAVES_A_MINUTE = 12;

/** The mailbox over HTTP: leave, fetch, confirm. It is asked with GET whether it is on at all. */
export function mailboxRoutes(mailbox = new Mailbox(), now: () => number = Date.now): Router {
  const router = express.Router();
  const left = new Map<string, number[]>();
  const mayLeave = (who: string) => {
    for (const [other, times] of left) if (now() - (times.at(-1) ?? 0) > 60_000) left.delete(other);
    const lately = (left.get(who) ?? []).filter((at) => now() - at < 60_000);
    if (lately.length >= LEAVES_A_MINUTE) return false;
    left.set(who, [...lately, now()]);
    return true;
  };
  router.use((_request, response, next) => {
    response.setHeader('cache-control', 'no-store');
    next();
  });
  router.get('/', (_request, response) => void response.status(204).end());
  router.post(
    '/',
    express.raw({ type: 'application/octet-stream', limit: MOST_BYTES }),
    (request, response) => {
      if (!mayLeave(request.ip ?? '')) {
        response.status(429).type('text').send('Too many at once. Wait a minute.');
        return;
      }
      if (!(request.body instanceof Uint8Array) || request.body.length === 0) {
        response.status(400).type('text').send('A parcel is bytes, and not none.');
        return;
      }
      response.json({ number: mailbox.leave(request.body) });
    },
  );
  router.get('/:number', (request, response) => {
    const who = request.ip ?? '';
    const waits = mailbox.waits(who);
    if (waits > 0) {
      response.setHeader('retry-after', String(Math.ceil(waits / 1000)));
      response
        .status(429)
        .type('text')
        .send(`Wrong numbers were named from here. Wait ${Math.ceil(waits / 1000)} s, then try again.`);
      return;
    }
    const bytes = mailbox.fetch(request.params.number);
    if (!bytes) {
      mailbox.missed(who);
      response
        .status(404)
        .type('text')
        .send('Nothing lies under this number: look at it again, or it was taken or has lain ten minutes.');
      return;
    }
    mailbox.found(who);
    response.type('application/octet-stream').send(Buffer.from(bytes));
  });
  router.delete('/:number', (request, response) => {
    response.status(mailbox.confirm(request.params.number) ? 204 : 404).end();
  });
  router.use(answerPlainly);
  return router;
}

const answerPlainly: ErrorRequestHandler = (error: Error & { type?: string }, _request, response, next) => {
  if (response.headersSent) return next(error);
  if (error instanceof MailboxFullError || error.type === 'entity.too.large')
    response
      .status(413)
      .type('text')
      .send(
        error instanceof MailboxFullError
          ? error.message
          : `Larger than ${MOST_BYTES / 1e6} MB: hand fewer jobs over at a time, or by file.`,
      );
  else next(error);
};
