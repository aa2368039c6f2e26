import { expect, test } from './app.ts';

test('anything is found from anywhere with a slash', async ({ page }) => {
  await page.goto('/jobs/library-route-3/cure');
  await expect(page.getByRole('navigation', { name: 'Stages of the job' })).toBeVisible();
  await page.keyboard.press('/');
  const field = page.getByRole('combobox', { name: 'Find anything' });
  await field.fill('1156');
  await expect(page.getByRole('dialog').getByRole('option').first()).toContainText('1156');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/reference\/bulbs\?q=1156/);
  await expect(page.getByRole('row', { name: /^1156 / })).toContainText('2.10 A at 12.8 V');
  await page.keyboard.press('/');
  await field.fill('gritter');
  await page.getByRole('dialog').getByRole('option', { name: /Job/ }).first().click();
  await expect(page.getByRole('heading', { name: /Brineholt 18/ })).toBeVisible();
  await page.keyboard.press('/');
  await field.fill('zzzz');
  await expect(page.getByText('Nothing is called that.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(field).toHaveCount(0);
});

test('capsule and charge lamp: the turn to make and the resistor to fit come out in figures', async ({
  page,
}) => {
  await page.goto('/jobs/library-route-3/choose');
  const stage = page.getByRole('region', { name: 'The stage' });
  // This job converts its turn lamps: the others are folded away below them.
  await stage.getByText('16 outside this job').click();
  await stage.getByRole('button', { name: /^Front fog left/ }).click();
  await page.getByLabel('Plane of the filament').fill('90');
  await page.getByLabel('Plane of the LED chips').fill('70');
  await expect(page.getByText('Turn the collar 20° clockwise, seen from behind.')).toBeVisible();
  await page.getByLabel('Middle of the lamp above the ground').fill('0.6');
  await page.getByLabel('Lamp to wall').fill('10');
  await expect(page.getByText(/Cut-off on the wall: 10 cm under/)).toBeVisible();
  await stage.getByRole('button', { name: /^Charge lamp/ }).click();
  await expect(page.getByText('no resistor is needed')).toBeVisible();
  await page
    .getByRole('button', { name: /^Choose / })
    .first()
    .click();
  await page.getByRole('button', { name: /^Fit .* Ω/ }).click();
  await expect(page.getByRole('button', { name: /^Fitted .* Ω/ })).toBeVisible();
});
