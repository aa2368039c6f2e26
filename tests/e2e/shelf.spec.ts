import { readFileSync } from 'node:fs';
import { expect, goTo, openStage, test } from './app.ts';

test('a part is added with what is printed on it, and stands in Choose at once', async ({ page }) => {
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByLabel(/^Code/).fill('RAIL-4');
  await page.getByLabel(/^Name/).fill('Amber LED, four watts');
  await page.getByLabel(/^Bases/).fill('BA15s');
  await page.getByLabel(/^Power, W/).fill('four');
  await page.getByLabel(/^Light, lm/).fill('330');
  await page.getByLabel(/^Length/).fill('46');
  await page.getByLabel(/^Width/).fill('20');
  await page.getByLabel(/^Price$|^Price \*$/).fill('7,5');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByText('"four" is not a number. Write it without a unit, in W.')).toBeVisible();
  await expect(page.getByLabel(/^Code/)).toHaveValue('RAIL-4');
  // What was typed is there again, until it is on the shelf or given up.
  await page.reload();
  await page.getByRole('button', { name: 'Add a part' }).click();
  await expect(page.getByText('As you left it: what you typed is not on the shelf yet.')).toBeVisible();
  await expect(page.getByLabel(/^Code/)).toHaveValue('RAIL-4');
  await page.getByLabel(/^Power, W/).fill('4');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('row', { name: /RAIL-4/ })).toContainText('4 W at 12.8 V');
  await page.getByRole('button', { name: 'Add a part' }).click();
  await expect(page.getByLabel(/^Code/)).toHaveValue('');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await openStage(page, '/jobs/library-route-3', 'choose');
  await page
    .getByRole('region', { name: 'The stage' })
    .getByRole('button', { name: /^Rear left/ })
    .click();
  await page.getByLabel('Search the shelf').fill('rail');
  await expect(page.getByRole('button', { name: 'Choose RAIL-4' })).toBeVisible();
});

test('a table goes out and comes in; a bad row is named by its line, the good ones kept on consent', async ({
  page,
}) => {
  await page.goto('/shelf');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export CSV' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  const [header = '', ...lines] = text.split('\r\n');
  const resistor = lines.find((line) => line.includes('OTTER-6/50')) ?? '';
  const table = [
    header,
    resistor.replace('OTTER-6/50', 'OTTER-5/50'),
    resistor.replace('OTTER-6/50', 'OTTER-4/50').replace('resistor', 'spring'),
  ].join('\r\n');
  const file = (name: string, content: string) => ({
    name,
    mimeType: 'text/csv',
    buffer: Buffer.from(content),
  });
  await page.locator('input[type="file"]').setInputFiles(file('parts.csv', table));
  await expect(page.getByText('Line 3: kind: "spring" is no kind of part.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep nothing' }).click();
  await expect(page.getByText('OTTER-5/50')).toHaveCount(0);
  await page.locator('input[type="file"]').setInputFiles(file('parts.csv', table));
  await page.getByRole('button', { name: 'Keep the 1 good rows' }).click();
  await expect(page.getByRole('row', { name: /OTTER-5\/50/ })).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('OTTER-5/50')).toHaveCount(0);
  await page.locator('input[type="file"]').setInputFiles(file('holiday.csv', 'a,b\n1,2'));
  await expect(page.getByText(/must name the columns/)).toBeVisible();
});

test('a part some job needs stays; another goes and comes back', async ({ page }) => {
  await page.goto('/shelf?q=TERN-3A');
  await page.getByRole('button', { name: 'Take off TERN-3A', exact: true }).click();
  await expect(page.getByText(/TERN-3A is used by .* Choose another part there first/)).toBeVisible();
  await goTo(page, '/shelf?q=MAGPIE');
  await page.getByRole('button', { name: 'Take off MAGPIE-9000' }).click();
  await expect(page.getByText('Nothing on the shelf is called that')).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('row', { name: /MAGPIE-9000/ })).toBeVisible();
});

test('five hundred parts: one of them is searched for, found in Choose, and chosen', async ({ page }) => {
  test.slow();
  await page.goto('/shelf');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export CSV' }).click();
  const text = readFileSync(await (await download).path(), 'utf8');
  const [header = '', ...lines] = text.trim().split('\r\n');
  const led = lines.find((line) => line.includes('TERN-3A')) ?? '';
  const many = Array.from({ length: 500 }, (_, index) => led.replace('TERN-3A', `BULK-${index}`));
  await page.locator('input[type="file"]').setInputFiles({
    name: 'many.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([header, ...many].join('\r\n')),
  });
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  await expect(page.getByText(/of 5\d\d parts/)).toBeVisible();
  await page.getByLabel('Search the shelf').fill('BULK-499');
  await expect(page.getByRole('row', { name: /BULK-499/ })).toBeVisible();
  await openStage(page, '/jobs/library-route-3', 'choose');
  await page
    .getByRole('region', { name: 'The stage' })
    .getByRole('button', { name: /^Rear left/ })
    .click();
  await page.getByLabel('Search the shelf').fill('BULK-321');
  await expect(page.getByRole('button', { name: 'Choose BULK-321' })).toBeVisible();
  await page.getByRole('button', { name: 'Choose BULK-321' }).click();
  await expect(page.getByRole('button', { name: 'Chosen BULK-321' })).toBeVisible();
});
