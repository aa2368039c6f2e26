import { expect, openStage, test } from './app.ts';

const POOL_CAR = '/jobs/pool-car-5';

test('a lamp that left the works with an LED: no bulb is asked for, what a clamp shows is kept, a sealed one takes no bulb', async ({
  page,
}) => {
  await openStage(page, POOL_CAR, 'identify');
  await page
    .getByRole('button', { name: /^Front turn left/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: 'Front turn left: which bulb is it?' })).toBeVisible();
  await page.getByRole('checkbox', { name: 'it left the works with an LED' }).click();
  await expect(page.getByRole('heading', { name: 'Front turn left: LED from the works' })).toBeVisible();
  await expect(page.getByRole('heading', { name: /which bulb is it/ })).toHaveCount(0);
  const draws = page.getByRole('textbox', { name: 'It draws' });
  await draws.fill('0,4');
  const sealed = page.getByRole('combobox', { name: 'Its LED' });
  await sealed.selectOption('is sealed into the lamp');
  const wire = page.getByRole('combobox', { name: 'A fault wire of its own' });
  await wire.selectOption('it has none');
  // Shown, they are kept: the page is left only then.
  await expect(sealed.locator('option:checked')).toHaveText('is sealed into the lamp');
  await expect(wire.locator('option:checked')).toHaveText('it has none');

  await page.reload();
  await page
    .getByRole('button', { name: /^Front turn left/ })
    .first()
    .click();
  await expect(draws).toHaveValue('0.4 A');

  await openStage(page, POOL_CAR, 'choose');
  await page
    .getByRole('button', { name: /^Front turn left/ })
    .first()
    .click();
  await expect(page.getByText('An LED from the works behind clear glass')).toBeVisible();
  await expect(page.getByText('Its LED is sealed in: no bulb comes out.').first()).toBeVisible();

  await openStage(page, POOL_CAR, 'identify');
  await page
    .getByRole('button', { name: /^Front turn left/ })
    .first()
    .click();
  await page.getByRole('checkbox', { name: 'it left the works with an LED' }).click();
  await expect(page.getByRole('heading', { name: 'Front turn left: which bulb is it?' })).toBeVisible();
});

test('a repair found on the walk round is a step and on the pick list; what is wished for is read by the next job on the vehicle', async ({
  page,
}) => {
  await openStage(page, POOL_CAR, 'look-over');
  await page.getByLabel('Repair', { exact: true }).selectOption('Replace the socket');
  await page.getByLabel('At', { exact: true }).selectOption('Rear turn right');
  await page.getByLabel('What was found').fill('melted');
  await page.getByLabel('Part it needs').fill('socket BA15s with lead');
  await page.getByRole('button', { name: 'Add the repair' }).click();
  const repairs = page.getByRole('list', { name: 'Repairs' });
  await expect(repairs).toContainText('Replace the socket: melted');
  await repairs.getByRole('button', { name: /^Take off: Descale/ }).click();
  await expect(repairs).not.toContainText('Descale');
  await page.getByRole('button', { name: /^Undo: / }).click();
  await expect(repairs).toContainText('Descale the bulb carrier: white bloom');

  await openStage(page, POOL_CAR, 'pick');
  await expect(page.getByText('socket BA15s with lead')).toBeVisible();
  await openStage(page, POOL_CAR, 'hand-over');
  await expect(page.getByRole('article')).toContainText('Rear turn right: replace the socket');
  await page.getByLabel('It was').selectOption('wished for later');
  await page.getByLabel('What', { exact: true }).fill('warm map lamps');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('article')).toContainText('Wished for later: warm map lamps');

  await page.goto('/jobs');
  await page.getByRole('button', { name: 'New job' }).click();
  const dialog = page.getByRole('dialog', { name: 'New job' });
  const pool = dialog.getByLabel('On the vehicle of');
  await pool.selectOption('pool-car-5');
  await dialog.getByLabel('It is the very same vehicle').check();
  await dialog.getByLabel('Title').fill('Pool car 5, again');
  await dialog.getByRole('button', { name: 'Start' }).click();
  await page.getByRole('link', { name: /^Look over/ }).click();
  await expect(page.getByText('Wished for later: warm map lamps')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Added, repaired or left hanging' })).toContainText(
    'Spare plug: three pins, black',
  );
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('a car with an output a corner: what is at the rear does nothing for its front, on every screen', async ({
    page,
  }) => {
    await openStage(page, POOL_CAR, 'cure');
    const board = page.getByRole('region', { name: 'This vehicle' });
    await expect(board).toContainText('Falls short: as cured now');
    await expect(board).toContainText(/Front turn, both sides.*172 a minute.*no cure yet/);
    await expect(board).toContainText(/Rear turn, both sides.*6 Ω 50 W/);
    await openStage(page, POOL_CAR, 'prove');
    await page.getByRole('button', { name: /^Left turn: / }).tap();
    await expect(page.getByText(/fast/i).first()).toBeVisible();
  });
});
