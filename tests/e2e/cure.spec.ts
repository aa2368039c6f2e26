import { dash, expect, OPEN_JOB, openStop, test } from './app.ts';

test('cures side by side: the best is named, chosen, seen on the plan, and undone', async ({ page }) => {
  await openStop(page, OPEN_JOB, 'cure');
  await expect(
    page.getByText(/^Best for this vehicle: DIPPER-2, LED flasher relay\. It holds/),
  ).toBeVisible();
  const table = page.getByRole('region', { name: 'Every cure tried on this vehicle, side by side' });
  await expect(table.getByRole('row', { name: /^Failure warning/ })).toContainText('lost');
  await expect(table.getByRole('row', { name: /^Heat while lit/ })).toContainText(/none.*W/);
  await expect(table).toContainText('out of the question: There is no controller here');
  await table.getByRole('button', { name: 'Choose DIPPER-3, LED flasher relay' }).click();
  await expect(page.getByText('Holds: flashes at 85 a minute')).toBeVisible();
  await page.keyboard.press('l');
  await expect(dash(page)).toContainText('85 flashes a minute');
  const relay = page.getByRole('region', { name: /^DIPPER-3 in place of/ });
  await expect(relay).toContainText('It plugs in as it is, by function.');
  await relay.getByLabel('Room under the relay’s cover').fill('30');
  await expect(relay).toContainText('38 mm high and there are 30 mm under the cover');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByText('Falls short: flashes fast, 176 a minute')).toBeVisible();
});

test('weights move the ranking, and are kept', async ({ page }) => {
  await openStop(page, '/jobs/courier-moped-7', 'cure');
  await expect(page.getByText(/^Best for this vehicle: DIPPER-2 and two diodes for the pilot/)).toBeVisible();
  await page.getByText('What matters to you').click();
  for (const name of ['wastes little heat', 'keeps the failure warning', 'costs little']) {
    const slider = page.getByRole('slider', { name });
    await slider.focus();
    await slider.press('Home');
  }
  await page.getByRole('slider', { name: 'cuts little wire' }).focus();
  await page.keyboard.press('End');
  await expect(page.getByText(/^Best for this vehicle: LEDs with a load built in/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^Best for this vehicle: LEDs with a load built in/)).toBeVisible();
});

test('what was seen narrows the band; what contradicts it is said and taken back', async ({ page }) => {
  await openStop(page, OPEN_JOB, 'cure');
  const card = page.getByRole('region', { name: 'What it was seen to do: the band learns' });
  await card.getByLabel('Fitted then').selectOption('leds');
  await card.getByLabel('Supply, measured').fill('12.6');
  await card.getByLabel('It', { exact: true }).selectOption('normal');
  await card.getByRole('button', { name: 'Record it' }).click();
  // LEDs alone cannot flash normally where the band begins at two amperes: that contradicts the stock bulbs.
  await expect(card).toContainText(/teach nothing/);
  await card.getByRole('button', { name: 'Take it back' }).click();
  await card.getByLabel('It', { exact: true }).selectOption('fast');
  await card.getByRole('button', { name: 'Record it' }).click();
  await expect(card).toContainText(/so the watcher saw 0\.\d\d A/);
  await page.reload();
  await expect(card).toContainText(/so the watcher saw 0\.\d\d A/);
});
