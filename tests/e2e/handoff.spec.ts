import { readFileSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import type { Browser, BrowserContextOptions, Page } from '@playwright/test';
import { readPack } from '../../core/formats/pack.ts';
import { createApp } from '../../server/app.ts';
import { mailboxRoutes } from '../../server/mailbox/routes.ts';
import { expect, test } from './app.ts';

const JOB = 'library-route-3';

/** Another device: a browser with nothing in it. */
async function device(browser: Browser, phone = false): Promise<Page> {
  const context = await browser.newContext({
    acceptDownloads: true,
    ...(phone ? { viewport: { width: 390, height: 844 }, hasTouch: true } : {}),
  });
  return context.newPage();
}

async function saved(page: Page, press: string): Promise<string> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: press, exact: true }).first().click(),
  ]);
  return download.path();
}

async function handedOn(page: Page): Promise<string> {
  await page.goto(`/hand-off?job=${JOB}`);
  return saved(page, 'Save the job as a file');
}

async function chooseFile(page: Page, path: string): Promise<void> {
  await page.goto('/hand-off?view=take');
  await page.getByLabel('File to take over', { exact: true }).last().setInputFiles(path);
}

const field = (page: Page, name: string) => page.getByLabel(name, { exact: true });

test('a job goes from the desk to a phone and back by file: what both changed is one question, all else is there', async ({
  browser,
}) => {
  const [desk, phone] = [await device(browser), await device(browser, true)];
  await desk.goto('/settings');
  await field(desk, 'Name').fill('Ada at the desk');
  await chooseFile(phone, await handedOn(desk));
  await phone.getByRole('button', { name: 'Take it over' }).click();
  await expect(phone.getByRole('heading', { name: 'Taken over' })).toBeVisible();
  // At the bumper.
  await phone.goto('/settings');
  await field(phone, 'Name').fill('Bo in bay 2');
  await phone.goto(`/jobs/${JOB}/hand-over`);
  await field(phone, 'Where the stock bulbs are kept').fill('Phone: shelf 2');
  await field(phone, 'Title of the job').fill('Route 3, fitted');
  // Meanwhile at the desk: a price, and one field the phone changes too.
  await desk.goto(`/jobs/${JOB}/pick?view=ledger`);
  await field(desk, 'An hour of work costs').fill('48');
  await desk.goto(`/jobs/${JOB}/hand-over`);
  await field(desk, 'Where the stock bulbs are kept').fill('Desk: box 4');
  await chooseFile(desk, await handedOn(phone));
  const asked = desk.getByRole('region', { name: 'Changed on both: which stands?' });
  await expect(asked.getByRole('radiogroup')).toHaveCount(1);
  await expect(asked).toContainText('where the stock bulbs are kept');
  // What is taken without a question is told too, and nothing else.
  const told = desk.getByRole('region', { name: 'What it would change' });
  await expect(told).toContainText('Title of the job: Route 3, fitted, was Mobile library, route 3');
  await expect(told.getByRole('listitem').getByRole('listitem')).toHaveCount(1);
  await expect(asked.getByRole('radio', { name: /Bo in bay 2.*Phone: shelf 2/s })).toBeVisible();
  await expect(asked.getByRole('radio', { name: /Ada at the desk.*Desk: box 4/s })).toBeVisible();
  await expect(desk.getByRole('button', { name: '1 to choose first' })).toBeDisabled();
  await asked.getByRole('radio', { name: /Phone: shelf 2/ }).click();
  // An answer can be another until it is taken.
  await expect(asked.getByRole('radio', { name: /Phone: shelf 2/ })).toBeChecked();
  await desk.getByRole('button', { name: 'Take it over' }).click();
  await expect(desk.getByRole('heading', { name: 'Taken over' })).toBeVisible();
  await desk.goto(`/jobs/${JOB}/hand-over`);
  await expect(field(desk, 'Where the stock bulbs are kept')).toHaveValue('Phone: shelf 2');
  await expect(field(desk, 'Title of the job')).toHaveValue('Route 3, fitted');
  // One undo takes all of it back.
  await desk.getByRole('button', { name: /^Undo/ }).click();
  await expect(field(desk, 'Title of the job')).toHaveValue('Mobile library, route 3');
  await expect(field(desk, 'Where the stock bulbs are kept')).toHaveValue('Desk: box 4');
  await desk.getByRole('button', { name: /^Redo/ }).click();
  await expect(field(desk, 'Title of the job')).toHaveValue('Route 3, fitted');
  // The answer ends the question everywhere.
  await chooseFile(phone, await handedOn(desk));
  await expect(phone.getByText('is laid together with the one here')).toBeVisible();
  await expect(phone.getByRole('radiogroup')).toHaveCount(0);
  await phone.getByRole('button', { name: 'Take it over' }).click();
  await expect(phone.getByRole('heading', { name: 'Taken over' })).toBeVisible();
  await desk.context().close();
  await phone.context().close();
});

test('a job goes to a phone by code over the workshop’s own network, is worked on with the server gone, and comes back', async ({
  browser,
}) => {
  test.setTimeout(180_000);
  const dist = fileURLToPath(new URL('../../dist', import.meta.url));
  const mailbox = mailboxRoutes();
  const start = (port: number) => createApp(dist, null, { mailbox }).listen(port);
  let server = start(0);
  const { port } = server.address() as AddressInfo;
  const home = `http://localhost:${port}`;
  const on = async (context: BrowserContextOptions) =>
    (await browser.newContext({ ...context, baseURL: home, serviceWorkers: 'allow' })).newPage();
  const desk = await on({});
  const phone = await on({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const byCode = async (from: Page, to: Page) => {
    await from.goto(`/hand-off?job=${JOB}`);
    await from.getByRole('button', { name: 'Show a code for another device' }).click();
    const card = from.getByRole('region', { name: 'On the other device' });
    const number = (await card.getByText(/^Number/).textContent())?.replaceAll(/\D/g, '') ?? '';
    const words = (await card.getByText(/^Words/).textContent())?.replace('Words', '').trim() ?? '';
    await to.goto('/hand-off?view=take');
    const typed = to.getByLabel('Number and twelve words');
    // First wrong, as a hand types it: it says so, and nothing is lost.
    await typed.fill(`${number} ${words.split(' ').slice(1).join(' ')}`);
    await to.getByRole('button', { name: 'Fetch it' }).click();
    await expect(to.getByText(/these are 11/)).toBeVisible();
    await typed.fill(`${number} ${words}`);
    await to.getByRole('button', { name: 'Fetch it' }).click();
    await expect(to.getByRole('heading', { name: 'What it would change' })).toBeVisible();
    // Read over there: it lies in the mailbox no longer.
    expect((await fetch(`${home}/mailbox/${number}`)).status).toBe(404);
  };
  await byCode(desk, phone);
  await phone.getByRole('button', { name: 'Take it over' }).click();
  await expect(phone.getByRole('heading', { name: 'Taken over' })).toBeVisible();
  await phone.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await expect
    .poll(() => phone.evaluate(() => navigator.serviceWorker.controller !== null), { timeout: 60_000 })
    .toBe(true);
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  // In the yard, with no server anywhere.
  await phone.goto(`${home}/jobs/${JOB}/fit`);
  await phone.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(phone.getByRole('button', { name: /^Undo: Done/ })).toBeVisible();
  const counted = phone.getByText(/^[1-9]\d* of \d+ done/).first();
  await expect(counted).toBeVisible();
  const done = (await counted.textContent()) ?? '';
  await phone.goto(`${home}/jobs/${JOB}/hand-over`);
  await field(phone, 'Where the stock bulbs are kept').fill('Phone: shelf 2');
  server = start(port);
  await desk.goto(`/jobs/${JOB}/hand-over`);
  await field(desk, 'Where the stock bulbs are kept').fill('Desk: box 4');
  await new Promise((resolve) => setTimeout(resolve, 1200));
  await byCode(phone, desk);
  const asked = desk.getByRole('region', { name: 'Changed on both: which stands?' });
  await expect(asked.getByRole('radiogroup')).toHaveCount(1);
  await asked.getByRole('radio', { name: /Phone: shelf 2/ }).click();
  await desk.getByRole('button', { name: 'Take it over' }).click();
  await expect(desk.getByRole('heading', { name: 'Taken over' })).toBeVisible();
  await desk.goto(`/jobs/${JOB}/fit`);
  await expect(desk.getByText(done).first()).toBeVisible();
  await desk.context().close();
  await phone.context().close();
  server.closeAllConnections();
  server.close();
});

test('a backup that is cut off, changed or a bomb is refused in clear words and changes nothing; a whole one is restored', async ({
  browser,
  page,
}) => {
  await page.goto(`/jobs/${JOB}/hand-over`);
  await field(page, 'Where the stock bulbs are kept').fill('Backed up');
  await page.goto('/hand-off?view=backup');
  const whole = await saved(page, 'Save everything as a file');
  await expect(page.getByText(/^Last saved here/)).toBeVisible();
  const bytes = readFileSync(whole);
  const read = readPack(bytes);
  expect(read.ok && read.pack.content).toBe('everything');
  const other = await device(browser);
  const refused = async (content: Uint8Array, words: RegExp) => {
    const path = `${whole}-broken.zip`;
    writeFileSync(path, content);
    await chooseFile(other, path);
    const said = other.getByRole('region', { name: 'This file was not taken' });
    await expect(said).toContainText('Nothing was changed');
    await expect(said).toContainText(words);
  };
  await refused(bytes.subarray(0, bytes.length / 2), /cut off|damaged|missing/);
  const flipped = Uint8Array.from(bytes);
  flipped[Math.floor(bytes.length / 2)] = (flipped[Math.floor(bytes.length / 2)] ?? 0) ^ 0xff;
  await refused(flipped, /damaged/);
  await refused(new TextEncoder().encode('not a zip at all'), /no ZIP archive/);
  await chooseFile(other, whole);
  await expect(other.getByText(/takes the place of the demo/)).toBeVisible();
  await other.getByRole('button', { name: 'Take it over' }).click();
  await expect(other.getByRole('heading', { name: 'Taken over' })).toBeVisible();
  await other.goto(`/jobs/${JOB}/hand-over`);
  await expect(field(other, 'Where the stock bulbs are kept')).toHaveValue('Backed up');
  await other.context().close();
});
