import type { RequestHandler } from 'express';
import { addressesOf } from '../addresses.ts';

/** Where the app is reached by others with a certificate. */
export function secureAddresses(host: string, port: number): string[] {
  return addressesOf(host, port)
    .slice(1)
    .map((address) => address.replace(/^http:/, 'https:'));
}

/** Sends whoever comes from another machine by plain http to the door with the certificate; the page about trust stays open. */
export function toSecure(port: number): RequestHandler {
  return (request, response, next) => {
    const from = request.socket.remoteAddress ?? '';
    const isHere = from === '::1' || from.replace(/^::ffff:/, '').startsWith('127.');
    if (isHere || request.path.startsWith('/trust') || request.path === '/mark.svg') return next();
    const name = (request.headers.host ?? '').replace(/:\d+$/, '');
    response.redirect(307, request.path === '/' ? '/trust' : `https://${name}:${port}${request.originalUrl}`);
  };
}
