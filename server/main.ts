import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { createApp } from './app.ts';

const { values } = parseArgs({ options: { port: { type: 'string', default: '5170' } } });
const port = Number(values.port);
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`--port takes a number from 1 to 65535, not "${values.port}".`);
  process.exit(2);
}
const server = createApp(fileURLToPath(new URL('../dist', import.meta.url))).listen(port, () => {
  console.log(`Vumble is at http://localhost:${port}`);
});
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is taken. Stop what uses it, or choose another: ./start --port ${port + 1}`
      : `The server could not start: ${error.message}`,
  );
  process.exit(1);
});
