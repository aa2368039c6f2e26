import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApp } from '../../server/app.ts';
import { expect, test } from './app.ts';

/** A server of the test's own, which can be stopped, and whose build can be made anew. */
function serve(dist: string, port = 0): { server: Server; home: string } {
  const server = createApp(dist).listen(port);
  const address = server.address();
  if (address === null || typeof address === 'string') throw new Error('the server has no port');
  return { server, home: `http://localhost:${address.port}` };
}

async function stop(server: Server): Promise<void> {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
}

test('installed and offline: after the first visit everything works with the server stopped; a new build is offered, not forced', async ({
  browser,
}) => {
  test.setTimeout(180_000);
  const folder = mkdtempSync(join(tmpdir(), 'vumble-dist-'));
  cpSync(fileURLToPath(new URL('../../dist', import.meta.url)), folder, { recursive: true });
  const { server, home } = serve(folder);
  const context = await browser.newContext({ serviceWorkers: 'allow', acceptDownloads: true });
  const page = await context.newPage();
  await page.goto(`${home}/jobs`);
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible();
  // Kept once the worker is in charge: it takes charge when all files are there.
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await expect
    .poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null), { timeout: 60_000 })
    .toBe(true);
  const tools = await context.newCDPSession(page);
  const { installabilityErrors } = await tools.send('Page.getInstallabilityErrors');
  // A window of a test is private, which no install gets past; nothing else may stand in its way.
  expect(installabilityErrors.filter(({ errorId }) => errorId !== 'in-incognito')).toEqual([]);
  await stop(server);
  for (const [path, words] of [
    ['/jobs', 'Jobs'],
    ['/shelf', 'Shelf'],
    ['/log', 'Log'],
    ['/reference', 'Reference'],
    ['/practice', 'Practice'],
    ['/settings', 'Settings'],
  ] as const) {
    await page.goto(`${home}${path}`);
    await expect(page.getByRole('heading', { name: words, exact: true }).first()).toBeVisible();
  }
  await page.goto(`${home}/jobs/library-route-3/cure`);
  await expect(page.getByText(/falls short/i).first()).toBeVisible();
  await page.goto(`${home}/jobs/library-route-3/hand-over`);
  const kept = page.getByLabel('Where the stock bulbs are kept', { exact: true });
  await kept.fill('Typed with no network');
  await page.reload();
  await expect(kept).toHaveValue('Typed with no network');
  // What is loaded only when it is wanted is there too.
  const [pdf] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PDF' }).first().click(),
  ]);
  expect(
    readFileSync(await pdf.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
  // A new build on the same address.
  const worker = join(folder, 'sw.js');
  writeFileSync(worker, `${readFileSync(worker, 'utf8')}\n// another build`);
  const again = serve(folder, Number(new URL(home).port));
  await page.reload();
  await expect(page.getByText('There is a newer Vumble')).toBeVisible({ timeout: 60_000 });
  await kept.fill('In the middle of it');
  await expect(kept).toHaveValue('In the middle of it');
  await page.getByRole('button', { name: 'Use it now' }).click();
  await expect(kept).toHaveValue('In the middle of it');
  await context.close();
  await stop(again.server);
  rmSync(folder, { recursive: true });
});
