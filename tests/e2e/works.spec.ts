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
  await page.getByRole('combobox', { name: 'Its LED' }).selectOption('is sealed into the lamp');
  await page.getByRole('combobox', { name: 'A fault wire of its own' }).selectOption('it has none');

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
