import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { type BrowserContext, chromium, type Page } from '@playwright/test';
import { createApp } from '../../server/app.ts';
import { mailboxRoutes } from '../../server/mailbox/routes.ts';
import { serverCertificate } from '../../server/trust/authority.ts';
import { trustRoutes } from '../../server/trust/routes.ts';
import { CHROMIUM } from '../chromium.ts';
import { expect, test } from './app.ts';

const JOB = 'library-route-3';
/** A name that is no machine's own: a page under it may use the camera only where its certificate is trusted. */
const NAME = 'workshop.local';
const [WIDE, HIGH] = [640, 480];

/** A phone: a browser of its own that finds the workshop's server by name, with a home of its own and what that trusts. */
function phone(home: string, film?: string): Promise<BrowserContext> {
  return chromium.launchPersistentContext(join(home, 'profile'), {
    ...CHROMIUM,
    env: { ...process.env, HOME: home } as Record<string, string>,
    args: [
      ...CHROMIUM.args,
      `--host-resolver-rules=MAP ${NAME} 127.0.0.1`,
      ...(film
        ? [
            '--use-fake-device-for-media-stream',
            '--use-fake-ui-for-media-stream',
            `--use-file-for-fake-video-capture=${film}`,
          ]
        : []),
    ],
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    serviceWorkers: 'allow',
    acceptDownloads: true,
  });
}

/** Puts an authority among those a home trusts for servers, as a phone's settings do. */
function trust(home: string, authority: string): void {
  const store = join(home, '.pki', 'nssdb');
  mkdirSync(store, { recursive: true });
  const run = (...args: string[]) => execFileSync('certutil', ['-d', `sql:${store}`, ...args]);
  run('-N', '--empty-password');
  run('-A', '-n', 'vumble', '-t', 'C,,', '-i', authority);
}

/** What a screen shows of a code, filmed: grey pictures of it with a white rim, as a camera held still gives them. */
async function filmOf(page: Page, path: string): Promise<void> {
  const shown = await page.getByRole('img', { name: 'Code of the parcel' }).screenshot();
  const grey = await page.evaluate(
    async ([png, wide, high]) => {
      const bytes = Uint8Array.from(atob(png), (each) => each.charCodeAt(0));
      const picture = await createImageBitmap(new Blob([bytes], { type: 'image/png' }));
      const canvas = new OffscreenCanvas(wide, high);
      const paper = canvas.getContext('2d');
      if (!paper) throw new Error('nothing to draw on');
      paper.fillStyle = '#bbb';
      paper.fillRect(0, 0, wide, high);
      const side = high * 0.9;
      paper.drawImage(picture, (wide - side) / 2, (high - side) / 2, side, side);
      const { data } = paper.getImageData(0, 0, wide, high);
      let text = '';
      for (let at = 0; at < data.length; at += 4) text += String.fromCharCode(data[at + 1] ?? 0);
      return btoa(text);
    },
    [shown.toString('base64'), WIDE, HIGH] as const,
  );
  const chroma = Buffer.alloc((WIDE * HIGH) / 2, 128);
  const frame = [Buffer.from('FRAME\n'), Buffer.from(grey, 'base64'), chroma];
  const head = Buffer.from(`YUV4MPEG2 W${WIDE} H${HIGH} F10:1 Ip A1:1 C420jpeg\n`);
  writeFileSync(path, Buffer.concat([head, ...frame, ...frame]));
}

test('a phone trusts the workshop’s authority, scans the code of a job with its camera, and is a secure, installed app', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const folder = mkdtempSync(join(tmpdir(), 'vumble-yard-'));
  const dist = fileURLToPath(new URL('../../dist', import.meta.url));
  const certificate = await serverCertificate(join(folder, 'authority'), [NAME]);
  const mailbox = mailboxRoutes();
  const addresses: string[] = [];
  const trusting = trustRoutes({ authorityDer: certificate.authorityDer, addresses });
  const plain = createApp(dist, null, { mailbox, trust: trusting }).listen(0);
  const secure = createServer(
    { key: certificate.key, cert: certificate.cert },
    createApp(dist, null, { mailbox, trust: trusting }),
  ).listen(0);
  const portOf = (server: { address(): unknown }) => (server.address() as AddressInfo).port;
  const here = `http://localhost:${portOf(plain)}`;
  const there = `https://${NAME}:${portOf(secure)}`;
  addresses.push(there);

  // At the desk, by this machine's own address: the same mailbox.
  await page.goto(`${here}/hand-off?job=${JOB}`);
  await page.getByRole('button', { name: 'Show a code for another device' }).click();
  await expect(page.getByRole('img', { name: 'Code of the parcel' })).toBeVisible();
  const film = join(folder, 'film.y4m');
  await filmOf(page, film);

  // A phone that does not trust it yet is warned off; the page that leads through it is there without.
  const home = join(folder, 'phone');
  mkdirSync(home);
  const stranger = await phone(home);
  const warned = await stranger.newPage();
  await expect(warned.goto(there)).rejects.toThrow(/ERR_CERT_AUTHORITY_INVALID/);
  const first = await stranger.newPage();
  await first.goto(`http://${NAME}:${portOf(plain)}/trust`);
  await expect(first.getByRole('link', { name: there })).toBeVisible();
  // Its style is let in: a column a phone reads, with links a thumb meets.
  await expect(first.getByRole('main')).toHaveCSS('max-width', '720px');
  // By plain http nothing here may use a camera: it says so.
  expect(await first.evaluate(() => window.isSecureContext)).toBe(false);
  const [download] = await Promise.all([
    first.waitForEvent('download'),
    first.locator('a[href$=".crt"]').first().click(),
  ]);
  const authority = join(folder, 'taken.crt');
  await download.saveAs(authority);
  await stranger.close();

  trust(home, authority);
  const trusted = await phone(home, film);
  const second = trusted.pages()[0] ?? (await trusted.newPage());
  const trouble: string[] = [];
  second.on('pageerror', ({ message }) => trouble.push(message));
  await second.goto(`${there}/hand-off?view=take`);
  expect(await second.evaluate(() => window.isSecureContext)).toBe(true);
  await second.getByRole('button', { name: 'Scan the code' }).click();
  await expect(second.getByRole('heading', { name: 'What it would change' })).toBeVisible({
    timeout: 60_000,
  });
  await second.getByRole('button', { name: 'Take it over' }).click();
  await expect(second.getByRole('heading', { name: 'Taken over' })).toBeVisible();
  // The camera is let go of, and the app is kept for the yard.
  await expect(second.getByLabel('What the camera sees')).toHaveCount(0);
  await second.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  expect(trouble).toEqual([]);
  await trusted.close();
  for (const server of [plain, secure]) {
    server.closeAllConnections();
    server.close();
  }
  rmSync(folder, { recursive: true });
});
