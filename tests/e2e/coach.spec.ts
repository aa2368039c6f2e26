import { expect, test } from './app.ts';

test('a coach nobody has entered yet: 24 V, fourteen lamps, looked over, identified and given LEDs', async ({
  page,
}) => {
  test.setTimeout(180_000);
  const stage = page.getByRole('region', { name: 'The stage' });
  const begun = Date.now();

  await test.step('enter it from a starting layout', async () => {
    await page.goto('/jobs');
    await page.getByRole('link', { name: 'New vehicle' }).click();
    await page.getByLabel('Name').fill('Harbour 52, day trips');
    await page.getByLabel('Kind').selectOption('coach');
    await page.getByLabel('Year').fill('2004');
    await expect(page.getByRole('heading', { name: 'Lamps: 14' })).toBeVisible();
    await expect(page.getByLabel('System')).toHaveValue('24');
    await page.getByRole('button', { name: 'Start the job on it' }).click();
    await expect(page.getByRole('heading', { name: 'Harbour 52, day trips' })).toBeVisible();
  });

  await test.step('correct it on the plan, with mouse and keys', async () => {
    const plan = page.getByRole('region', { name: 'The vehicle' });
    const reverse = plan.getByRole('button', { name: /^Reverse left/ });
    const before = await reverse.boundingBox();
    if (!before) throw new Error('no reverse lamp on the plan');
    const from = { x: before.x + before.width / 2, y: before.y + before.height / 2 };
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x - 6, from.y - 40, { steps: 6 });
    await page.mouse.up();
    await expect
      .poll(async () => Math.round((await reverse.boundingBox())?.y ?? 0))
      .toBeLessThan(before.y - 30);
    // Its twin went along.
    const twin = plan.getByRole('button', { name: /^Reverse right/ });
    await expect
      .poll(async () =>
        Math.abs(((await twin.boundingBox())?.y ?? 0) - ((await reverse.boundingBox())?.y ?? 0)),
      )
      .toBeLessThan(2);
    await reverse.focus();
    const dragged = (await reverse.boundingBox())?.y ?? 0;
    await page.keyboard.press('Shift+ArrowDown');
    await expect.poll(async () => (await reverse.boundingBox())?.y ?? 0).toBeGreaterThan(dragged + 5);
    // A pair of markers is added, and thought better of.
    await page.getByRole('button', { name: 'Add a pair' }).click();
    await expect(page.getByRole('heading', { name: '16 lamps' })).toBeVisible();
    await page.getByRole('button', { name: 'Remove both' }).click();
    await expect(page.getByRole('heading', { name: '14 lamps' })).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('heading', { name: '16 lamps' })).toBeVisible();
    await page.keyboard.press('Control+Shift+z');
    await expect(page.getByRole('heading', { name: '14 lamps' })).toBeVisible();
    // A resistor could go on the frame behind the turn lamps.
    await page.getByLabel('What makes the turn lamps flash?').selectOption('watching-relay');
    await page.getByLabel('Does the relay watch the side repeaters too?').selectOption('no');
    await page.getByRole('link', { name: 'On to look over' }).click();
  });

  await test.step('look over, function by function', async () => {
    await expect(page.getByText('Work the functions, one by one')).toBeVisible();
    const functions = page.getByRole('group', { name: 'Function to work' });
    for (let count = 1; count <= 6; count += 1) {
      await page.getByRole('button', { name: /^(These work|As marked)/ }).click();
      await expect(functions.getByText('worked')).toHaveCount(count);
    }
    await expect(page.getByRole('link', { name: /^Look over.*14 of 14/ })).toBeVisible();
    await page
      .getByRole('group', { name: 'Function to work' })
      .getByRole('button', { name: /^Reverse/ })
      .click();
    await page.getByRole('radiogroup', { name: 'Reverse left: condition' }).getByText('Dead').click();
    await expect(page.getByText(/Reverse left: dead already/)).toBeVisible();
    await page.getByLabel('Or type a rate read elsewhere').fill('89');
    await page.getByText('All', { exact: true }).click();
    await page.getByRole('button', { name: 'Record left turn' }).click();
    await expect(page.getByText('89 a minute, typed in')).toBeVisible();
  });

  await test.step('identify: one by measure and picture, one read off the cap, the others as listed', async () => {
    await page.keyboard.press('2');
    await stage.getByRole('button', { name: /^Plate/ }).click();
    await page.getByText('Or by measures, or by the picture of its contacts').click();
    await page.getByLabel('Length over all').fill('36');
    await page.getByRole('button', { name: 'SV8.5' }).click();
    await expect(stage.getByText('C5W 24 V').first()).toBeVisible();
    await page
      .getByRole('listitem')
      .filter({ hasText: 'C5W 24 V' })
      .getByRole('button', { name: 'It is this' })
      .click();
    await stage.getByRole('button', { name: /^Rear turn left/ }).click();
    await page.getByLabel('Find a bulb by any of its names').fill('241');
    await page.getByRole('button', { name: 'It is this' }).first().click();
    await page.getByLabel('A resistor could be screwed to').selectOption('chassis');
    await page.getByRole('button', { name: 'The others as listed' }).click();
    await expect(page.getByRole('link', { name: /^Identify.*14 of 14/ })).toBeVisible();
  });

  await test.step('choose', async () => {
    await page.keyboard.press('3');
    await page.getByRole('button', { name: 'Fill turn lamps from the shelf' }).click();
    await page.getByRole('button', { name: 'Fill the others from the shelf' }).click();
    await stage.getByRole('button', { name: /^Rear turn left/ }).click();
    await expect(page.getByText(/best by what matters to you first/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Chosen HERON-24' })).toBeVisible();
    await expect(page.getByRole('link', { name: /^Choose.*14 of 14/ })).toBeVisible();
  });

  await test.step('the engine says what it comes to', async () => {
    await page.keyboard.press('4');
    await expect(page.getByText(/Falls short: flashes fast, 176 a minute/)).toBeVisible();
    await page.keyboard.press('l');
    await expect(page.getByRole('region', { name: 'The vehicle' }).getByRole('status')).toContainText(
      '176 flashes a minute',
    );
  });

  // A person takes some minutes; the app itself must not be what takes them.
  expect(Date.now() - begun).toBeLessThan(600_000);
  await page.reload();
  await expect(page.getByText(/Falls short: flashes fast, 176 a minute/)).toBeVisible();
});

test('what would leave a vehicle nobody can compute is refused in words', async ({ page }) => {
  await page.goto('/jobs/courier-moped-7/vehicle');
  const stage = page.getByRole('region', { name: 'The stage' });
  await stage.getByRole('button', { name: /^Rear left/ }).click();
  await page.getByLabel('Keep left and right alike').uncheck();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await stage.getByRole('button', { name: /^Front left/ }).click();
  await page.getByLabel('Counts as').selectOption('repeater');
  await expect(page.getByRole('alert').filter({ hasText: /last main lamp/ })).toBeVisible();
});

test('a photograph is added, kept through a reload, removed and taken back', async ({ page }, info) => {
  await page.goto('/jobs/library-route-3/look-over');
  // A picture made in the page itself: the smallest PNG there is.
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  const photo = page.locator('input[type="file"]');
  await photo.setInputFiles({ name: 'cap.png', mimeType: 'image/png', buffer: png });
  await expect(page.getByRole('img', { name: /cap.png/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('img', { name: /cap.png/ })).toBeVisible();
  await photo.setInputFiles({ name: 'list.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await expect(page.getByText(/list.txt is not a picture this browser can open/)).toBeVisible();
  await page.getByRole('button', { name: /^Remove the photograph/ }).click();
  await expect(page.getByRole('img', { name: /cap.png/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('img', { name: /cap.png/ })).toBeVisible();
  await page.screenshot({ path: info.outputPath('photo.png') });
});
