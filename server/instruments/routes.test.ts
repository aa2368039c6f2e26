import { once } from 'node:events';
import { createServer, request as rawRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import { connect } from 'node:net';
import express from 'express';
import request from 'supertest';
import { describe, expect, it } from 'vitest';
import { readFrames } from '../../core/formats/frames.ts';
import { jobFileOf } from '../../core/formats/jobFile.ts';
import { readWav } from '../../core/formats/wav.ts';
import { CONTROLS_OFF } from '../../core/simulation/controls.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { instrumentRoutes } from './routes.ts';

const app = express();
app.use('/instruments', instrumentRoutes());
const panel = {
  configuration: 'stock' as const,
  controls: { ...CONTROLS_OFF, key: 'on' as const, turn: 'left' as const },
  emfVolts: 12.6,
};
const file = jobFileOf(demoJob('library-route-3'), DEMO_SHELF, '2026-11-29T10:00:00.000Z');
const ask = () => request(app);
async function opened(noise = 0): Promise<string> {
  const response = await ask()
    .post('/instruments/vehicles')
    .set('host', 'localhost')
    .send({ ...panel, file, noise });
  expect(response.status, response.text).toBe(201);
  return `/instruments/vehicles/${(response.body as { id: string }).id}`;
}
const line = (address: string, instrument: string, text: string) =>
  ask().post(`${address}/${instrument}`).set('host', 'localhost').type('text/plain').send(text);

describe('the instruments over HTTP', () => {
  it('measure the vehicle that was put before them, and follow its panel', async () => {
    const at = await opened();
    const meter = (text: string) => line(at, 'meter', text);
    const answer = await meter('ROUT:PROB "lamp:rear-left:main"\nMEAS:VOLT:MAX?\nMEAS:FREQ?');
    const [volts, hertz] = answer.text.split('\n').map(Number);
    expect(volts).toBeGreaterThan(10);
    expect(60 * (hertz ?? 0)).toBeGreaterThan(60);
    await ask()
      .put(`${at}/panel`)
      .set('host', 'localhost')
      .send({ ...panel, controls: CONTROLS_OFF })
      .expect(204);
    expect(Number((await meter('MEAS:VOLT:MAX?')).text)).toBeCloseTo(0, 2);
    expect((await meter('SYST:ERR?')).text).toBe('0,"No error"');
    expect((await line(at, 'adapter', 'ATI')).text).toContain('STAND-IN');
  });

  it('scatter by the noise that was asked for, and not without', async () => {
    const readings = async (noise: number) => {
      const at = await opened(noise);
      const lines = Array.from({ length: 40 }, () => 'MEAS:VOLT:MAX?').join('\n');
      const { text } = await line(at, 'meter', `ROUT:PROB "lamp:rear-left:main"\n${lines}`);
      return text.split('\n').map(Number);
    };
    expect(new Set(await readings(0)).size).toBe(1);
    const noisy = await readings(0.01);
    expect(new Set(noisy).size).toBeGreaterThan(20);
    const mean = noisy.reduce((sum, each) => sum + each, 0) / noisy.length;
    expect(Math.abs((noisy[0] ?? 0) / mean - 1)).toBeLessThan(0.05);
  });

  it('give their recordings as WAV and as a film', async () => {
    const at = await opened(0.01);
    const binary = (address: string) =>
      ask()
        .get(address)
        .set('host', 'localhost')
        .buffer(true)
        .parse((response, done) => {
          const parts: Buffer[] = [];
          response.on('data', (part: Buffer) => parts.push(part));
          response.on('end', () => done(null, Buffer.concat(parts)));
        });
    const clicks = readWav((await binary(`${at}/clicks.wav?seconds=6`)).body as Uint8Array);
    expect(clicks.ok && clicks.sound.samples.length / clicks.sound.samplesPerSecond).toBe(6);
    const film = readFrames(
      (await binary(`${at}/lamp.y4m?lamp=rear-left&fps=24&seconds=2`)).body as Uint8Array,
    );
    expect(film.ok && film.frames).toMatchObject({ framesPerSecond: 24, count: 48 });
    await ask().get(`${at}/lamp.y4m?lamp=none`).set('host', 'localhost').expect(404);
  });

  it.each([
    ['no vehicle', {}],
    ['a job that is none', { ...panel, file: { ...file, job: {} }, noise: 0 }],
    ['a supply of a thousand volts', { ...panel, emfVolts: 1000, file, noise: 0 }],
    [
      'a panel with a switch there is not',
      { ...panel, controls: { ...panel.controls, turbo: true }, file, noise: 0 },
    ],
  ])('refuse %s in a line', async (_, body) => {
    const response = await ask().post('/instruments/vehicles').set('host', 'localhost').send(body);
    expect(response.status).toBe(400);
    expect(response.text).toMatch(/\.$/);
  });

  it('survive garbage, lines of any length and whoever hangs up', async () => {
    const at = await opened();
    for (const text of [
      '\u0000\u0001\u0002',
      '"'.repeat(900),
      ';'.repeat(500),
      'x'.repeat(4000),
      'MEAS\n'.repeat(900),
    ])
      for (const instrument of ['meter', 'adapter'])
        expect((await line(at, instrument, text)).status).toBe(200);
    expect((await line(at, 'meter', 'x'.repeat(40_000))).status).toBe(413);
    expect(
      (await ask().post('/instruments/vehicles').set('host', 'localhost').type('json').send('{"a":')).status,
    ).toBe(400);
    const server = createServer(app).listen(0, '127.0.0.1');
    await once(server, 'listening');
    const { port } = server.address() as AddressInfo;
    for (let each = 0; each < 5; each++) {
      const socket = connect(port, '127.0.0.1');
      socket.write(`POST ${at}/meter HTTP/1.1\r\nHost: localhost\r\nContent-Length: 4000\r\n\r\nMEAS`);
      await once(socket, 'connect');
      socket.destroy();
    }
    const answer = await new Promise<number>((resolve) => {
      rawRequest({ port, path: '/instruments/', headers: { host: 'localhost' } }, (response) => {
        response.resume();
        resolve(response.statusCode ?? 0);
      }).end();
    });
    expect(answer).toBe(200);
    server.close();
    expect((await line(at, 'meter', '*CLS;*IDN?')).text).toContain('Vumble');
  });

  it('answer nobody who calls them by another name, or a page from elsewhere', async () => {
    for (const host of ['workshop.local', '192.168.1.20:5170', 'evil.example'])
      expect((await ask().get('/instruments/').set('host', host)).status).toBe(403);
    const foreign = await ask()
      .get('/instruments/')
      .set('host', 'localhost')
      .set('origin', 'http://evil.example');
    expect(foreign.status).toBe(403);
    expect((await ask().get('/instruments/').set('host', 'localhost:5170')).status).toBe(200);
  });

  it('forget a vehicle that was taken away', async () => {
    const at = await opened();
    await ask().delete(at).set('host', 'localhost').expect(204);
    expect((await line(at, 'meter', '*IDN?')).status).toBe(404);
  });
});
