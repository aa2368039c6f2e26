import type { Page } from '@playwright/test';
import { expect, FINISHED_JOB, goTo, OPEN_JOB, openStage, showConfiguration, test } from './app.ts';
import { seen, violations } from './axe.ts';

const STAGES = ['look-over', 'identify', 'choose', 'cure', 'pick', 'fit', 'prove', 'hand-over'];

// Flashing lamps keep the page busy, and what axe looks for does not depend on them.
test.use({ contextOptions: { reducedMotion: 'reduce' }, onlyLooked: true });

for (const stage of STAGES) {
  test(`${stage} has no axe violation in either theme, at a phone’s width, nor with forced colours`, async ({
    page,
  }) => {
    await openStage(page, stage === 'cure' ? OPEN_JOB : FINISHED_JOB, stage);
    await page.keyboard.press('h');
    await expect(page.getByText(/flashes a minute/).first()).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await asOnPhone(page);
    await page.keyboard.press('h');
  });
}

for (const view of ['meter', 'light', 'heat', 'setting', 'recordings'])
  test(`the bench, ${view}, has none in either theme nor at a phone’s width`, async ({ page }) => {
    await page.goto(`/jobs/dial-a-ride-2/bench?view=${view}`);
    await expect(page.getByRole('tab', { selected: true })).toBeVisible();
    await expect(page.getByText('Opening.')).toHaveCount(0);
    expect(await violations(page)).toEqual([]);
    await asOnPhone(page);
  });

for (const job of ['dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer']) {
  test(`${job}, turning with its lights on, has none in either theme`, async ({ page }) => {
    await openStage(page, `/jobs/${job}`, 'cure');
    await showConfiguration(page, 'LEDs alone');
    await page.keyboard.press('l');
    await page.keyboard.press('t');
    await expect(page.getByText('Simulating.')).toHaveCount(0);
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('l');
    await page.keyboard.press('t');
  });
}

test('the cured gauge, the list of jobs, its dialogs and the keys have none in either theme', async ({
  page,
}) => {
  await openStage(page, FINISHED_JOB, 'cure');
  await page.getByText('Judge resistors of your own').click();
  await expect(page.getByRole('button', { name: /^Picked 2 × 6/ })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await goTo(page, '/jobs');
  await expect(page.getByRole('button', { name: 'New job' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'New job' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Keys' }).click();
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
});

for (const place of ['/quick', '/jobs', '/shelf', '/reference', '/bench', '/practice', '/practice/wires'])
  test(`${place} has none at a phone’s width in either theme, nor with forced colours`, async ({ page }) => {
    await page.goto(place);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await asOnPhone(page);
  });

for (const path of [
  '/reference/bulbs',
  '/reference/bases',
  '/reference/terminals',
  '/reference/wire',
  '/reference/regions',
  '/shelf',
  '/shelf?view=shopping',
  '/shelf?view=movements',
  '/jobs/library-route-1/pick?view=ledger',
  '/jobs/library-route-1/pick?view=receiving',
  '/jobs/pool-car-5/pick?view=lamps',
  '/vehicles/new',
  '/jobs/dial-a-ride-2/vehicle',
])
  test(`${path} has no axe violation`, async ({ page }) => {
    await page.goto(path);
    await expect(page.getByRole('heading').first()).toBeVisible();
    if (path === '/shelf') await page.getByRole('button', { name: 'Add a part' }).click();
    await page.waitForTimeout(400);
    expect(await seen(page)).toEqual([]);
  });

/** The same page as narrow as a phone, in both themes, and with the system's own colours. */
async function asOnPhone(page: Page): Promise<void> {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.waitForTimeout(600);
  expect(await violations(page)).toEqual([]);
  await page.emulateMedia({ forcedColors: 'active' });
  expect(await seen(page, ['color-contrast'])).toEqual([]);
}

test('with forced colours what is chosen is drawn otherwise than what is not', async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await openStage(page, OPEN_JOB, 'cure');
  await page.keyboard.press('l');
  const ground = (name: string) =>
    page
      .getByRole('button', { name, exact: true })
      .evaluate((button) => getComputedStyle(button).backgroundColor);
  await expect.poll(() => ground('Left')).not.toBe(await ground('Right'));
  await page.keyboard.press('l');
});
