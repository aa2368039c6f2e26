import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from './app.ts';

let dist = '';
beforeAll(() => {
  dist = mkdtempSync(join(tmpdir(), 'vumble-dist-'));
  mkdirSync(join(dist, 'assets'));
  writeFileSync(join(dist, 'index.html'), '<!doctype html><title>built</title>');
  writeFileSync(join(dist, 'assets', 'app-abc.js'), `export const x = '${'y'.repeat(3000)}';`);
});
afterAll(() => rmSync(dist, { recursive: true }));

describe('the server', () => {
  it('serves the app on every address of the app', async () => {
    for (const path of ['/', '/jobs', '/jobs/some-id/cure']) {
      const response = await request(createApp(dist)).get(path).set('accept', 'text/html');
      expect(response.status).toBe(200);
      expect(response.text).toContain('built');
    }
  });

  it('allows scripts, styles and workers from itself and nothing else', async () => {
    const policy = (await request(createApp(dist)).get('/')).headers['content-security-policy'];
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("script-src 'self'");
    expect(policy).not.toMatch(/unsafe|https?:|data:|\*/);
  });

  it('compresses and keeps hashed files for good, the page never', async () => {
    const asset = await request(createApp(dist)).get('/assets/app-abc.js').set('accept-encoding', 'gzip');
    expect(asset.headers['cache-control']).toContain('immutable');
    expect(asset.headers['content-encoding']).toBe('gzip');
    expect((await request(createApp(dist)).get('/')).headers['cache-control']).toContain('max-age=0');
  });

  it('does not answer a missing script with the page', async () => {
    expect((await request(createApp(dist)).get('/assets/gone.js')).status).toBe(404);
    expect((await request(createApp(dist)).get('/nothing').set('accept', 'application/json')).status).toBe(
      404,
    );
  });

  it.each(['/robots.txt', '/favicon.ico', '/old-chunk.js', '/reference/table.html'])(
    'answers %s, which is not there, with 404 and not with the page',
    async (path) => {
      const response = await request(createApp(dist)).get(path).set('accept', 'text/html,*/*');
      expect(response.status).toBe(404);
      expect(response.text).not.toContain('built');
    },
  );

  it('takes the dot in the id of a job for what it is', async () => {
    const response = await request(createApp(dist)).get('/jobs/lorry-2.5/cure').set('accept', 'text/html');
    expect(response.text).toContain('built');
    expect((await request(createApp(dist)).get('/jobs/lorry-2.5').set('accept', 'text/html')).status).toBe(
      200,
    );
  });

  it('says what to do when there is no build', () => {
    expect(() => createApp(join(dist, 'none'))).toThrow(/npm run build/);
  });

  it.each(['/%', '/%ff', '/assets/%ff', '/jobs/%c0%ae%c0%ae', '/assets/..%2f..%2fpackage.json'])(
    'answers %s in a line, and says nothing of where it runs',
    async (path) => {
      const response = await request(createApp(dist)).get(path).set('accept', 'text/html');
      expect([400, 403, 404]).toContain(response.status);
      expect(response.headers['content-type']).toContain('text/plain');
      expect(response.text).toMatch(/^(This address cannot be read|There is no such file here)\.$/);
      expect(response.text).not.toMatch(/node_modules|\bat\b .*:\d+/);
    },
  );

  it.each(['[', 'a b', 'x:123456', '../..', '<b>', '%00'])(
    'refuses a request for host %s in a line',
    async (host) => {
      const response = await request(createApp(dist))
        .get('/jobs')
        .set('host', host)
        .set('accept', 'text/html');
      expect(response.status).toBe(400);
      expect(response.text).toMatch(/neither a name nor an address/);
    },
  );

  it.each([
    'localhost',
    'localhost:5170',
    '192.168.1.20:5170',
    '[::1]:5170',
    'workshop.local',
    'workshop-2.lan:80',
  ])('serves whoever calls it %s', async (host) => {
    const response = await request(createApp(dist)).get('/jobs').set('host', host).set('accept', 'text/html');
    expect(response.status).toBe(200);
  });
});
