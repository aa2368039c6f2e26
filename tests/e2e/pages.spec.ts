import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { expect, test } from './app.ts';

const JOB = 'library-route-3';

async function saved(page: Page, press: string): Promise<string> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: press, exact: true }).first().click(),
  ]);
  return download.path();
}

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
  // What was found of the first's watcher is offered where the flasher was found the same, and supposed of this one knowingly.
  const found = like.getByRole('group', { name: 'Found on the fleet' });
  await expect(found).toContainText(/Left turn: .* A to .* A at 13\.5 V, computed from \d+ findings/);
  await expect(found).toContainText('Found on Mobile library, route 1');
  await found.getByRole('button', { name: /^Suppose/ }).click();
  await expect(found).toHaveCount(0);
  await page.goto('/fleet/library-route-1');
  await page.getByRole('link', { name: 'One shopping list' }).click();
  await expect(page.getByText(/Only for Mobile library, route 1 and the vehicles like it/)).toBeVisible();
  const list = page.getByRole('table', { name: 'Shopping list of the fleet' });
  await expect(list).toContainText('V20', { timeout: 30_000 });
  await expect(list).not.toContainText('Gritter');
  await page.getByRole('button', { name: 'All open jobs' }).click();
  await expect(page.getByRole('table', { name: 'Shopping list of all open jobs' })).toContainText(
    /gritter/i,
    {
      timeout: 30_000,
    },
  );
});
