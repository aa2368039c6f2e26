import { readFileSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import type { Browser, BrowserContextOptions, Page } from '@playwright/test';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { readPack } from '../../core/formats/pack.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
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
  const done =
    (await phone
      .getByText(/^\d+ of \d+ done/)
      .first()
      .textContent()) ?? '';
  expect(done).not.toMatch(/^0 of/);
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

/** What stands in a PDF, and on how many sheets. */
async function textOfPdf(bytes: Uint8Array): Promise<{ sheets: number; text: string }> {
  const pdf = await getDocument({ data: Uint8Array.from(bytes), verbosity: 0 }).promise;
  const texts: string[] = [];
  for (let number = 1; number <= pdf.numPages; number += 1) {
    const { items } = await (await pdf.getPage(number)).getTextContent();
    texts.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
  }
  return { sheets: pdf.numPages, text: texts.join(' ').replaceAll(/\s+/g, ' ') };
}

test('the owner’s page is one sheet, printed and as PDF, and the label comes as SVG in true size', async ({
  page,
}) => {
  await page.goto('/jobs/library-route-1/hand-over');
  await expect(page.getByText(/^All proved/)).toBeVisible();
  const pdf = await textOfPdf(readFileSync(await saved(page, 'Save as PDF')));
  expect(pdf.sheets).toBe(1);
  expect(pdf.text).toMatch(/What no longer warns/);
  expect(pdf.text).toMatch(/measured by taps/);
  const printed = await textOfPdf(await page.pdf({ preferCSSPageSize: true }));
  expect(printed.sheets).toBe(1);
  expect(printed.text).toMatch(/What gets hot, by estimate/);
  expect(printed.text).not.toMatch(/Save as PDF/);
  await page.getByText('For the file', { exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Evidence, in the order it was told' })).toBeVisible();
  await page.getByLabel('Size').selectOption('70x40');
  const svg = readFileSync(await saved(page, 'Save as SVG'), 'utf8');
  expect(svg).toMatch(/width="70mm" height="40mm"/);
  expect(svg).toMatch(/Resistor 6 Ω 50 W/);
});

test('units are chosen once and hold everywhere; a field takes any of them', async ({ page }) => {
  await page.goto('/settings');
  await page.getByRole('button', { name: 'All imperial' }).click();
  await page.getByRole('button', { name: 'Load again' }).click();
  await expect(page.getByLabel('Lengths')).toHaveValue('in');
  await page.goto(`/jobs/${JOB}/identify`);
  const room = page.getByLabel('Room behind, length');
  await room.fill('1 3/8');
  await page.getByLabel('Room, width').fill('35 mm');
  // Nothing is lost from 50 ms on after a key.
  await page.waitForTimeout(100);
  await page.reload();
  await expect(room).toHaveValue('1.375');
  await expect(page.getByLabel('Room, width')).toHaveValue('1.378');
  await room.fill('wide');
  await expect(page.getByText(/Type a figure from .* in, or with its unit: 3\/8 in/)).toBeVisible();
  // A walk over the screens of a job and the places: no unit of the other kind stands anywhere. Names of bases and bulbs,
  // sizes of tools and of wires to buy are names.
  const stray = /\d\s?(mm²?|°C|lx|m)(?![\w²])/;
  const names =
    /(Bayonet|bayonet|Wedge|wedge|Festoon|festoon|Prefocus|foot|holder|Glass|Plastic|socket|spanner|rivet|bit|hole|thin wall|caps)[^.;]{0,40}/g;
  for (const path of [
    ...['look-over', 'identify', 'choose', 'cure', 'pick', 'fit', 'prove', 'hand-over'].map(
      (stage) => `/jobs/${JOB}/${stage}`,
    ),
    '/jobs/library-route-1/hand-over',
    '/shelf',
    '/log',
    '/jobs',
  ]) {
    await page.goto(path);
    await expect(page.locator('main h1, main h2, main h3').first()).toBeVisible();
    await page.waitForTimeout(800);
    let text = (await page.locator('main').textContent()) ?? '';
    for (const { name } of DEMO_SHELF) text = text.replaceAll(name, '');
    text = text.replaceAll(names, '');
    expect(text.match(new RegExp(`.{0,40}${stray.source}.{0,20}`))?.[0], path).toBeUndefined();
  }
});

test('twenty vans are begun from one job; one differs, and its plan says what changes', async ({ page }) => {
  test.setTimeout(180_000);
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Do Mobile library, route 1 again' }).click();
  await page
    .getByLabel('Fleet numbers or plates')
    .fill(Array.from({ length: 20 }, (_, index) => `V${index + 1}`).join('\n'));
  await expect(page.getByText(/^20 vehicles: V1, V2/)).toBeVisible();
  await page.getByRole('button', { name: 'Begin 20 jobs' }).click();
  await expect(page.getByRole('heading', { name: 'Like Mobile library, route 1' })).toBeVisible();
  await expect(
    page.getByRole('listitem').filter({ has: page.getByRole('link', { name: /^V\d+$/ }) }),
  ).toHaveCount(20);
  // The third: its five looks, then another LED in one lamp.
  await page.getByRole('link', { name: 'V3', exact: true }).click();
  const like = page.getByRole('region', { name: /^As on Mobile library/ });
  await expect(like.getByRole('checkbox')).toHaveCount(5);
  for (const box of await like.getByRole('checkbox').all()) {
    await box.click();
    await expect(box).toBeChecked();
  }
  await expect(like).toContainText('Its plan is that of the first', { timeout: 60_000 });
  await page.goto(page.url().replace('look-over', 'cure'));
  const id = /jobs\/([^/]+)/.exec(page.url())?.[1] ?? '';
  await page.goto(`/jobs/${id}/choose?lamp=rear-left`);
  await page
    .getByRole('button', { name: /^Keep the/ })
    .first()
    .click();
  await page.goto(`/jobs/${id}/look-over`);
  await expect(like).toContainText('Its plan is its own', { timeout: 60_000 });
  await expect(like).toContainText(/instead of/);
});
