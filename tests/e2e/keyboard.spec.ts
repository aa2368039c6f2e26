import { dash, expect, OPEN_JOB, openStage, showConfiguration, test } from './app.ts';

test('the van is cured with the keyboard alone', async ({ page }) => {
  test.slow();
  await page.goto('/');
  await expect(page.getByText('Falls short: flashes fast')).toBeVisible();
  await page.keyboard.press('l');
  await expect(dash(page)).toContainText('176 flashes a minute');
  const pick = page.getByRole('button', { name: 'Pick 2 × 6 Ω 50 W' });
  await expect(pick).toBeVisible();
  for (
    let tabs = 0;
    tabs < 160 && !(await pick.evaluate((button) => button === document.activeElement));
    tabs += 1
  ) {
    await page.keyboard.press('Tab');
  }
  await page.keyboard.press('Enter');
  await expect(page.getByText('Holds: flashes at 88 a minute')).toBeVisible();
  await expect(dash(page)).toContainText('88 flashes a minute');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Falls short: flashes fast')).toBeVisible();
  await page.keyboard.press('Control+Shift+Z');
  await expect(page.getByText('Holds: flashes at 88 a minute')).toBeVisible();
});

test('panel, stages and lamps answer to their keys', async ({ page }) => {
  await openStage(page, OPEN_JOB, 'cure');
  await page.keyboard.press('k');
  await expect(page.getByRole('button', { name: 'Key on' })).toBeVisible();
  await page.keyboard.press('k');
  await expect(page.getByRole('button', { name: 'Running' })).toBeVisible();
  await page.keyboard.press('r');
  await expect(page.getByRole('button', { name: 'Right', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(dash(page)).toContainText('simulated at 14.4 V');
  await page.keyboard.press('h');
  await expect(page.getByRole('button', { name: 'Hazard', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  for (const [key, stage] of [
    ['1', 'look-over'],
    ['3', 'choose'],
    ['8', 'hand-over'],
    ['4', 'cure'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page).toHaveURL(new RegExp(`/${stage}$`));
  }
  await page.keyboard.press(']');
  await expect(page.getByRole('button', { name: /^Front left:/ })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('[');
  await expect(page.getByRole('button', { name: /^Charge lamp:/ })).toHaveAttribute('aria-pressed', 'true');
  for (let lamp = 0; lamp < 4; lamp += 1) await page.keyboard.press(']');
  await expect(page.getByRole('button', { name: /^Front right:/ })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('heading', { name: 'Right turn, 3 lamps' })).toBeVisible();
  await page.keyboard.press('Shift+?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
});

test('a switch just clicked does not silence the keys', async ({ page }) => {
  await openStage(page, OPEN_JOB, 'cure');
  await showConfiguration(page, 'As it is');
  await page.keyboard.press('l');
  await expect(dash(page)).toContainText('88 flashes a minute');
});

test('a double click on Done finishes one step, not two', async ({ page }) => {
  await openStage(page, OPEN_JOB, 'fit');
  await page.getByRole('button', { name: 'Done', exact: true }).dblclick();
  await expect(page.getByText('1 of 32 done')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Make the vehicle safe' })).toBeVisible();
});

test('keys rest while somebody types', async ({ page }) => {
  await openStage(page, OPEN_JOB, 'look-over');
  await page
    .getByLabel('What the dash showed before anything was touched')
    .pressSequentially('relay looks loose, 3 clicks');
  await expect(page).toHaveURL(/look-over$/);
  await expect(page.getByRole('button', { name: 'Left', exact: true })).toHaveAttribute(
    'aria-pressed',
    'false',
  );
});

test('with reduced motion the lamps hold steady and the rate is in figures', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await openStage(page, OPEN_JOB, 'cure');
  await page.keyboard.press('l');
  await expect(dash(page)).toContainText('176 flashes a minute');
  const opacities = await page.evaluate(async () => {
    const lamp = document.querySelector(
      '[role="button"][aria-label^="Front left"] [data-input="main"]',
    ) as SVGGElement;
    const seen = new Set<string>();
    const begin = performance.now();
    while (performance.now() - begin < 1000) {
      await new Promise(requestAnimationFrame);
      seen.add(lamp.style.opacity);
    }
    return [...seen];
  });
  expect(opacities).toHaveLength(1);
  expect(Number(opacities[0])).toBeGreaterThan(0.5);
});
