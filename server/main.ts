import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { ANYONE, addressesOf, WITHOUT_HTTPS } from './addresses.ts';
import { createApp } from './app.ts';

const OPTIONS = {
  port: { type: 'string', default: '5170' },
  /** who may come: this machine alone, or with 0.0.0.0 whoever is on its networks */
  host: { type: 'string', default: '127.0.0.1' },
  /** stand-ins for meter, adapter and recordings, for this machine alone */
  instruments: { type: 'boolean', default: false },
} as const;

function refuse(problem: string): never {
  console.error(problem);
  process.exit(2);
}

function asked(): { port: string; host: string; instruments: boolean } {
  try {
    return parseArgs({ options: OPTIONS }).values;
  } catch (error) {
    return refuse(
      `${(error as Error).message} Options: --port 5170, --host 0.0.0.0 to let a phone in, --instruments for stand-in instruments.`,
    );
  }
}

const { port: typed, host, instruments } = asked();
const port = Number(typed);
if (!Number.isInteger(port) || port < 1 || port > 65535)
  refuse(`--port takes a number from 1 to 65535, not "${typed}".`);
// Of its own: Express calls whoever waits for it to listen when it cannot, too.
// The engine is loaded only where somebody measures with it.
const routes = instruments ? (await import('./instruments/routes.ts')).instrumentRoutes() : null;
const server = createServer(createApp(fileURLToPath(new URL('../dist', import.meta.url)), routes));
server.listen(port, host, () => {
  const [home, ...others] = addressesOf(host, port);
  console.log(`Vumble is at ${home}`);
  if (instruments) console.log(`Stand-in instruments: ${home}/bench, from this machine alone.`);
  if (others.length > 0) {
    console.log(`For a phone on the same network: ${others.join(' or ')}`);
    console.log(ANYONE);
    console.log(WITHOUT_HTTPS);
  }
});
server.on('error', (error: NodeJS.ErrnoException) => {
  const why: Record<string, string> = {
    EADDRINUSE: `Port ${port} is taken. Stop what uses it, or choose another: ./start --port ${port + 1}`,
    EADDRNOTAVAIL: `This machine has no address "${host}". Use 0.0.0.0 for all it has.`,
    EACCES: `Port ${port} is not for everyone on this machine. Choose one above 1024: ./start --port 5170`,
    ENOTFOUND: `"${host}" is no address. Use 0.0.0.0 for all this machine has.`,
  };
  console.error(why[error.code ?? ''] ?? `The server could not start: ${error.message}`);
  process.exit(1);
});
