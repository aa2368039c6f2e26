import { spawn } from 'node:child_process';
import { expect, test } from './app.ts';

/** Runs the server until it stops by itself, or has said where it is. */
function serve(...args: string[]): Promise<{ code: number | null; out: string; err: string }> {
  return new Promise((resolve) => {
    const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', ...args]);
    let [out, err] = ['', ''];
    server.stdout.on('data', (text) => {
      out += text;
      if (/^Vumble is at/m.test(out)) setTimeout(() => server.kill(), 300);
    });
    server.stderr.on('data', (text) => {
      err += text;
    });
    server.on('exit', (code) => resolve({ code, out, err }));
  });
}

test('the server says where it is only once it listens, and who may come', async () => {
  const taken = await serve('--port', '5199');
  expect(taken).toMatchObject({ code: 1, out: '' });
  expect(taken.err).toMatch(/Port 5199 is taken/);
  const open = await serve('--port', '5198', '--host', '0.0.0.0');
  expect(open.out).toMatch(/^Vumble is at http:\/\/localhost:5198/);
  expect(open.out).toMatch(/Anyone on this network may connect/);
});
