import { createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { hostname } from 'node:os';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { ANYONE, addressesOf, WITHOUT_HTTPS } from './addresses.ts';
import { createApp } from './app.ts';
import { mailboxRoutes } from './mailbox/routes.ts';
import { secureAddresses, toSecure } from './trust/secure.ts';

const OPTIONS = {
  port: { type: 'string', default: '5170' },
  /** who may come: this machine alone, or with 0.0.0.0 whoever is on its networks */
  host: { type: 'string', default: '127.0.0.1' },
  /** stand-ins for meter, adapter and recordings, for this machine alone */
  instruments: { type: 'boolean', default: false },
  /** beside it on the next port with a certificate of the workshop's own, so that phones open camera and microphone */
  https: { type: 'boolean', default: false },
} as const;

function refuse(problem: string): never {
  console.error(problem);
  process.exit(2);
}

function asked(): { port: string; host: string; instruments: boolean; https: boolean } {
  try {
    return parseArgs({ options: OPTIONS }).values;
  } catch (error) {
    return refuse(
      `${(error as Error).message} Options: --port 5170, --host 0.0.0.0 to let a phone in, --https for camera and microphone on phones, --instruments for stand-in instruments.`,
    );
  }
}

const { port: typed, host, instruments, https } = asked();
const port = Number(typed);
if (!Number.isInteger(port) || port < 1 || port > 65535)
  refuse(`--port takes a number from 1 to 65535, not "${typed}".`);
const securePort = port + 1;
const others = addressesOf(host, port).slice(1);
const shared = others.length > 0;
if (https && !shared)
  refuse('--https is for others on the network: give --host 0.0.0.0 too. This machine itself needs none.');
const dist = fileURLToPath(new URL('../dist', import.meta.url));
// The engine is loaded only where somebody measures with it.
const routes = instruments ? (await import('./instruments/routes.ts')).instrumentRoutes() : null;
// One mailbox behind both doors; none where nobody else may come.
const mailbox = shared ? mailboxRoutes() : undefined;
const secure = https ? await prepareSecure() : null;
const server = createServer(
  createApp(dist, routes, {
    ...(mailbox ? { mailbox } : {}),
    ...(secure ? { trust: secure.trust, before: toSecure(securePort) } : {}),
  }),
);
server.listen(port, host, () => {
  const [home] = addressesOf(host, port);
  console.log(`Vumble is at ${home}`);
  if (instruments) console.log(`Stand-in instruments: ${home}/bench, from this machine alone.`);
  if (!shared) return;
  if (secure) {
    console.log(
      `For a phone on the same network, once: ${others.map((each) => `${each}/trust`).join(' or ')}`,
    );
    console.log(
      `Its certificate's SHA-256 begins with ${secure.fingerprint}. Then: ${secure.addresses.join(' or ')}`,
    );
    console.log('Jobs are kept by address: those made under another one do not show there. Hand them over.');
  } else console.log(`For a phone on the same network: ${others.join(' or ')}`);
  console.log(ANYONE);
  if (!secure) console.log(`${WITHOUT_HTTPS} Give --https for all of that.`);
});
server.on('error', fail(port));
if (secure) {
  const beside = createSecureServer(
    secure.certificate,
    createApp(dist, null, { ...(mailbox ? { mailbox } : {}), trust: secure.trust }),
  );
  beside.listen(securePort, host);
  beside.on('error', fail(securePort));
}

async function prepareSecure() {
  const [{ serverCertificate }, { trustRoutes }, { createHash }] = await Promise.all([
    import('./trust/authority.ts'),
    import('./trust/routes.ts'),
    import('node:crypto'),
  ]);
  const addresses = secureAddresses(host, securePort);
  const names = [
    ...new Set(['localhost', '127.0.0.1', hostname(), ...addresses.map((each) => new URL(each).hostname)]),
  ];
  try {
    const made = await serverCertificate(
      fileURLToPath(new URL('../.vumble/authority', import.meta.url)),
      names,
    );
    const print = createHash('sha256').update(made.authorityDer).digest('hex').toUpperCase();
    return {
      certificate: { key: made.key, cert: made.cert },
      trust: trustRoutes({ authorityDer: made.authorityDer, addresses }),
      addresses,
      fingerprint: (print.match(/../g) ?? []).slice(0, 8).join(' '),
    };
  } catch (error) {
    return refuse((error as Error).message);
  }
}

function fail(at: number): (error: NodeJS.ErrnoException) => void {
  return (error) => {
    const why: Record<string, string> = {
      EADDRINUSE: `Port ${at} is taken. Stop what uses it, or choose another: ./start --port ${at + 1}`,
      EADDRNOTAVAIL: `This machine has no address "${host}". Use 0.0.0.0 for all it has.`,
      EACCES: `Port ${at} is not for everyone on this machine. Choose one above 1024: ./start --port 5170`,
      ENOTFOUND: `"${host}" is no address. Use 0.0.0.0 for all this machine has.`,
    };
    console.error(why[error.code ?? ''] ?? `The server could not start: ${error.message}`);
    process.exit(1);
  };
}
