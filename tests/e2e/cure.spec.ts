import { dash, expect, OPEN_JOB, openStage, test } from './app.ts';

test('cures side by side: the best is named, chosen, seen on the plan, and undone', async ({ page }) => {
  await openStage(page, OPEN_JOB, 'cure');
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
  await expect(relay.getByRole('img', { name: /the wire on 49 goes to 49/ })).toBeVisible();
  await expect(relay).toContainText('The relay is rated 20.00 A; hazard draws');
  await relay.getByLabel('Room under the relay’s cover').fill('30');
  await relay.getByLabel('Room under the relay’s cover').press('Tab');
  await expect(relay).toContainText('38 mm high and there are 30 mm under the cover');
  await page.reload();
  await expect(relay).toContainText('38 mm high and there are 30 mm under the cover');
  await page.getByRole('button', { name: 'Undo: Room under the relay’s cover' }).click();
  await page.getByRole('button', { name: 'Undo: DIPPER-3, LED flasher relay' }).click();
  await expect(page.getByText('Falls short: flashes fast, 176 a minute')).toBeVisible();
});

test('weights move the ranking, and are kept', async ({ page }) => {
  await openStage(page, '/jobs/courier-moped-7', 'cure');
  await expect(
    page.getByText(/^Best for this vehicle: DIPPER-2, LED flasher relay, and two diodes for the pilot/),
  ).toBeVisible();
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
  await openStage(page, OPEN_JOB, 'cure');
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

test('a plug-in harness is chosen: the pick list, the steps and the heat follow, and no joint is made', async ({
  page,
}) => {
  await openStage(page, OPEN_JOB, 'cure');
  const table = page.getByRole('region', { name: 'Every cure tried on this vehicle, side by side' });
  await table.getByRole('button', { name: 'Choose Plug-in resistor harnesses, OTTER-H6' }).click();
  await expect(page.getByText('Holds: flashes at 88 a minute')).toBeVisible();
  await expect(page.getByRole('region', { name: /^Heat of 6 Ω 50 W/ })).toContainText(
    /leads of 220 mm \(printed\)/,
  );
  await expect(page.getByText('Failure warning lost')).toBeVisible();
  await openStage(page, OPEN_JOB, 'pick');
  await expect(page.getByRole('row', { name: /OTTER-H6/ })).toContainText('4');
  await expect(page.getByText('Crimp joint')).toHaveCount(0);
  await openStage(page, OPEN_JOB, 'fit');
  await expect(page.getByText(/Plug OTTER-H6 between socket and LED/).first()).toBeAttached();
});

test('what will not do is folded away, and says why when it is wanted', async ({ page }) => {
  await openStage(page, '/jobs/gritter-4', 'cure');
  const table = page.getByRole('region', { name: 'Every cure tried on this vehicle, side by side' });
  await expect(
    table.getByRole('columnheader', { name: /^Filaments kept at the front; load resistors/ }),
  ).toBeVisible();
  await expect(table.getByRole('row', { name: /^In the cases that break/ })).toContainText('Brake on: holds');
  await expect(table.getByRole('columnheader', { name: /^Plug-in resistor harnesses/ })).toHaveCount(0);
  await table.getByRole('button', { name: /more that will not do/ }).click();
  await expect(table.getByRole('columnheader', { name: /^Plug-in resistor harnesses/ })).toBeVisible();
});

test('the minibus: where a capacitor works and where none can, and what is sent to lamps that are off', async ({
  page,
}) => {
  await openStage(page, '/jobs/dial-a-ride-2', 'cure');
  const card = page.getByRole('region', { name: 'Pulses, tests and leakage of the controller' });
  // Each feed is played with a dozen capacitors, after the cures: on a busy machine that takes a while.
  await expect(card).toBeVisible({ timeout: 45_000 });
  await expect(card.getByRole('group', { name: 'Left position' })).toContainText(
    /from 100 µF.*up to 4700 µF/,
  );
  await expect(card.getByRole('group', { name: 'Left stop and tail' })).toContainText(
    /No capacitor can work here. What does: the filament left in/,
  );
  await expect(card.getByRole('row', { name: /^10000 µF/ })).toContainText('output off');
  await expect(card).toContainText(/Third brake glows at 0\.9 %/);
});

test('a finding of another job of the model is offered with who found it, and taken over knowingly', async ({
  page,
}) => {
  await openStage(page, OPEN_JOB, 'cure');
  const card = page.getByRole('region', { name: 'What it was seen to do: the band learns' });
  await expect(card.getByRole('group', { name: 'It tripped' })).toContainText(
    /bay 2, Mobile library, route 1, 2026-11-10/,
  );
  await expect(card).toContainText(/Taken together the threshold here would lie from/);
  await card.getByRole('button', { name: 'Take it as a prior' }).click();
  await expect(card).toContainText('from Mobile library, route 1');
  await expect(card.getByRole('group', { name: 'It tripped' })).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(card.getByRole('group', { name: 'It tripped' })).toBeVisible();
});
