import { expect, goTo, openStage, test } from './app.ts';

test('pieces put aside in one tab are gone from the other, and undo gives them back', async ({
  page,
  context,
}) => {
  await openStage(page, '/jobs/library-route-1', 'pick');
  const other = await context.newPage();
  await other.goto('/shelf?q=OTTER-6%2F50');
  const row = other.getByRole('row', { name: /OTTER-6\/50/ });
  await expect(row).toContainText('8');
  await page.getByRole('button', { name: 'Put all aside' }).click();
  await expect(page.getByText(/This job holds \d+ pieces put aside and 0 fitted/)).toBeVisible();
  // Eight lie there, four of them for the van.
  await expect(row.getByRole('cell').nth(7)).toHaveText('4');
  await page.reload();
  await expect(page.getByText(/This job holds \d+ pieces put aside/)).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(row.getByRole('cell').nth(7)).toHaveText('');
  await expect(page.getByText(/This job holds/)).toHaveCount(0);
  await other.close();
});

test('a part that came wrong goes back: its steps wait, Jobs says so, and another that is right sets them free', async ({
  page,
}) => {
  await openStage(page, '/jobs/dial-a-ride-2', 'pick');
  await page.getByRole('tab', { name: 'Receiving' }).click();
  const card = page.getByRole('region', { name: 'TERN-3Y', exact: true });
  await card.getByRole('checkbox').first().click();
  await expect(card).toContainText('1 of 2');
  await card.getByRole('button', { name: /^Not right/ }).click();
  await card.getByRole('button', { name: 'Mark it to go back' }).isDisabled();
  await card.getByLabel(/What is not right/).fill('pins too short');
  await card.getByRole('button', { name: 'Mark it to go back' }).click();
  await expect(page.getByText('Waits for: another TERN-3Y, the first came wrong')).toBeVisible();
  await expect(page.getByText('1 part came wrong.')).toBeVisible();
  await goTo(page, '/jobs');
  await expect(page.getByText('Waits for: another TERN-3Y, the first came wrong')).toBeVisible();
  await openStage(page, '/jobs/dial-a-ride-2', 'fit');
  // The ticks are one and the same record.
  await expect(page.getByRole('checkbox', { name: /TERN-3Y lights on 9 V/ })).toBeChecked();
  await openStage(page, '/jobs/dial-a-ride-2', 'pick');
  await page.getByRole('tab', { name: 'Receiving' }).click();
  await card.getByRole('button', { name: 'Another came, and is right' }).click();
  await expect(page.getByText(/Waits for/)).toHaveCount(0);
});

test('a kit sheet is written on screen, its gap and its overlap named, and what a bad line says loses nothing', async ({
  page,
}) => {
  test.slow();
  await page.goto('/shelf?kind=kit');
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByLabel(/^Kind/).first().selectOption('kit');
  await page.getByLabel(/^Code/).fill('WREN-RK');
  await page.getByLabel(/^Name/).fill('Rear kit');
  await page
    .getByLabel(/^Price/)
    .first()
    .fill('90');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.getByRole('button', { name: 'Sheet of WREN-RK' }).click();
  const sheet = page.getByRole('region', { name: 'Kit sheet of WREN-RK' });
  await expect(sheet.getByText(/No variant for any vehicle/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Add a part' }).click();
  await sheet.getByLabel('Part', { exact: true }).fill('Resistor 6 Ω');
  await sheet.getByLabel('It is').selectOption('resistor');
  await sheet.getByRole('button', { name: 'Add a plug' }).click();
  await sheet.getByLabel('Add a question about').selectOption('year');
  await sheet.getByLabel('Add a question about').selectOption('lamp');
  await sheet.getByRole('button', { name: 'Add a variant' }).click();
  await sheet.getByLabel('Called').fill('Old');
  await sheet.getByLabel('Old, years to').fill('2015');
  await sheet.getByLabel('Old: take out of the box').selectOption({ label: 'Resistor 6 Ω' });
  await expect(sheet.getByText(/No variant for year 2016 to 2026/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Add a variant' }).click();
  await sheet.getByLabel('Called').fill('New');
  await sheet.getByLabel('New, years from').fill('2015');
  await sheet.getByLabel('Plug 1', { exact: true }).selectOption('capped');
  await expect(sheet.getByText(/“Old” and “New” are both for year 2015. Example: year 2015/)).toBeVisible();
  // A wrong year is no year of the sheet, and says so; the same name twice too.
  await sheet.getByLabel('Called').fill('Old');
  await expect(sheet.getByText('Another variant has that name: give one of them another.')).toBeVisible();
  await sheet.getByLabel('Called').fill('New');
  await page.reload();
  await page.getByRole('button', { name: 'Sheet of WREN-RK' }).click();
  await expect(sheet.getByText(/are both for year 2015/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Change variant New' }).click();
  await sheet.getByLabel('New, years from').fill('2016');
  await expect(sheet.getByText('Every vehicle has one variant, and none has two.')).toBeVisible();
  await sheet.getByRole('button', { name: 'Save the sheet' }).click();
  await expect(sheet.getByRole('button', { name: 'Save the sheet' })).toBeDisabled();

  await sheet.getByRole('button', { name: 'Import' }).click();
  const dialog = page.getByRole('dialog', { name: 'Import a kit sheet' });
  await dialog
    .getByLabel(/Or paste it/)
    .fill('row,name,year [2005-2026]\nitem,Lamp\nvariant,One,2005-2015\nvariant,Two,soon\n');
  await dialog.getByRole('button', { name: 'Read it' }).click();
  await expect(
    dialog.getByText('Line 4: "soon" is no span of years. Write 2010-2014, or one year.'),
  ).toBeVisible();
  await dialog.getByRole('button', { name: 'Keep what is there' }).click();
  await expect(sheet.getByRole('button', { name: 'Change variant Old' })).toBeVisible();
});

test('each variant of the demo kit is seen on the plan, judged on this vehicle, and flows to parts and steps', async ({
  page,
}) => {
  test.slow();
  await openStage(page, '/jobs/pool-car-5', 'pick');
  await page.getByRole('tab', { name: 'Kits' }).click();
  await page.getByRole('button', { name: 'Take it' }).click();
  const kit = page.getByRole('region', { name: /^HERON-RK/ });
  await expect(kit.getByLabel('Year of the vehicle')).toHaveValue('2016');
  await kit.getByLabel('Rear lamps from the works').selectOption('led');
  // Factory LED lamps all have the sensor: nothing more is asked.
  await expect(
    kit.getByRole('img', { name: /Factory LED to 2016.*linked B cavity 2 to grey\/white/ }),
  ).toBeVisible();
  await kit.getByLabel('Year of the vehicle').selectOption('2018');
  await expect(kit.getByRole('img', { name: /Factory LED from 2017.*brown\/white/ })).toBeVisible();
  await kit.getByLabel('Rear lamps from the works').selectOption('filament');
  await kit.getByRole('button', { name: 'with', exact: true }).click();
  await expect(kit.getByRole('img', { name: /With bulbs and sensor/ })).toBeVisible();
  await kit.getByLabel('Blind-spot sensor in the lamp').selectOption('without');
  await expect(
    kit.getByRole('img', { name: /With bulbs, no sensor.*B, three cavities, black capped/ }),
  ).toBeVisible();
  await expect(kit.getByText(/the whole vehicle with it/)).toBeVisible();
  await kit.getByRole('button', { name: 'Put it into the plan' }).click();
  await expect(kit.getByText('In the plan: pick list, steps and wiring sheets have it.')).toBeVisible();
  await page.getByRole('tab', { name: 'Parts', exact: true }).click();
  await expect(page.getByRole('row', { name: /HERON-RK/ })).toContainText('for With bulbs, no sensor');
  await page.getByRole('tab', { name: 'Whole and added lamps' }).click();
  await expect(page.getByRole('region', { name: /^HERON-R in the place of/ }).first()).toContainText('A:4');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByText('No whole lamp is chosen.')).toBeVisible();
});

test('a lamp is added on a relay of its own, counted by the engine and the ledger', async ({ page }) => {
  await openStage(page, '/jobs/library-route-1', 'pick');
  await page.getByRole('tab', { name: 'Whole and added lamps' }).click();
  await page.getByRole('button', { name: 'Add it to this job' }).click();
  await expect(page.getByText('Write what it is called: reversing bar.')).toBeVisible();
  await page.getByLabel('Called').fill('Reversing bar');
  await page.getByLabel('Printed, W').fill('27');
  await page.getByLabel('Fed by').selectOption('relay');
  await expect(page.getByText(/its own fuse 3 A\. Wire 0\.5 mm²/)).toBeVisible();
  await page.getByRole('button', { name: 'Add it to this job' }).click();
  await expect(page.getByText(/Reversing bar, 2\.00 A on Reversing bar by a relay of its own/)).toBeVisible();
  await page.getByRole('tab', { name: 'Ledger' }).click();
  await expect(page.getByRole('row', { name: /Reversing bar reverse/ })).toContainText('0 W');
  await expect(page.getByRole('cell', { name: /3 A fuse of the Reversing bar/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Parts', exact: true }).click();
  await expect(page.getByRole('row', { name: /Relay 12 V with socket/ })).toBeVisible();
  await page.getByLabel('Search: Parts to pick').fill('wire');
  await expect(page.getByRole('row', { name: /WIRE-15/ })).toBeVisible();
});

test('the shopping list adds all open jobs up, and the shelf’s stock is what was written down', async ({
  page,
}) => {
  await page.goto('/shelf?q=TERN-06');
  await page.getByRole('button', { name: 'Stock of TERN-06', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Stock of TERN-06' });
  await dialog.getByText('Counted').click();
  await dialog.getByLabel('Pieces that lie there').fill('0');
  await dialog.getByRole('button', { name: 'Write it down' }).click();
  await expect(
    page
      .getByRole('row', { name: /TERN-06/ })
      .getByRole('cell')
      .nth(6),
  ).toHaveText('0');
  await page.getByRole('tab', { name: 'Shopping list' }).click();
  await expect(page.getByRole('row', { name: /TERN-06 Amber/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Movements' }).click();
  await expect(page.getByRole('row', { name: /TERN-06 counted/ }).first()).toBeVisible();
  await page.getByRole('button', { name: /^Take back: counted 0 TERN-06/ }).click();
  await page.getByRole('tab', { name: 'Shopping list' }).click();
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible();
  await expect(page.getByRole('row', { name: /TERN-06 Amber/ })).toHaveCount(0);
});
