import type { Locator, Page } from '@playwright/test';
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

/** Tabs on until something has the focus. */
async function tabTo(page: Page, wanted: Locator, most = 160): Promise<void> {
  await expect(wanted).toBeVisible();
  // Looked up once, and again only when it was drawn anew: going through the page by roles at each tab costs more than the tab.
  let element = await wanted.elementHandle();
  for (let tabs = 0; tabs < most; tabs += 1) {
    const stands = await element?.evaluate((node) =>
      node === document.activeElement ? 'reached' : node.isConnected ? 'there' : 'gone',
    );
    if (stands === 'reached') return;
    if (stands !== 'there') element = await wanted.elementHandle();
    await page.keyboard.press('Tab');
  }
  throw new Error(`not reached by ${most} tabs: ${await wanted.getAttribute('aria-label')}`);
}

/** What has the focus, in a word; `nothing` for the page itself. */
const focused = (page: Page) =>
  page.evaluate(() =>
    document.activeElement === document.body
      ? 'nothing'
      : (document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent ?? ''),
  );

test('the focus comes back from every dialog, and stays where something was deleted or taken back', async ({
  page,
}) => {
  await page.goto('/jobs');
  for (const [name, dialog] of [
    ['New job', 'New job'],
    ['It does something odd', 'It does something odd'],
    ['Find anything', 'Find anything'],
    ['Keys', 'Keys'],
  ] as const) {
    await tabTo(page, page.getByRole('button', { name, exact: true }));
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog', { name: dialog })).toBeVisible();
    await expect(page.locator('[role="dialog"] :focus')).toHaveCount(1);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect.poll(() => focused(page)).toBe(name);
  }
  await page.keyboard.press('/');
  const field = page.getByRole('combobox', { name: 'Find anything' });
  await field.fill('minibus');
  await expect(page.locator(`#${await field.getAttribute('aria-controls')}`)).toContainText('minibus');
  await page.keyboard.press('Escape');
  await tabTo(
    page,
    page.getByRole('button', { name: 'Delete Mobile library, route 2: came back flashing fast' }),
  );
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: /route 2/ })).toHaveCount(0);
  await expect.poll(() => focused(page)).not.toBe('nothing');
  await openStage(page, '/jobs/library-route-1', 'prove');
  await tabTo(page, page.getByRole('button', { name: /^Left turn: / }));
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByRole('button', { name: 'Take back' }).first());
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Undo: Take back/ })).toBeVisible();
  await expect.poll(() => focused(page)).not.toBe('nothing');
});

test('the whole way to a proved and filed job goes by the keyboard alone', async ({ page }) => {
  test.setTimeout(180_000);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.goto('/');
  await tabTo(page, page.getByRole('button', { name: 'Pick 2 × 6 Ω 50 W' }));
  await page.keyboard.press('Enter');
  await expect(page.getByText('Holds: flashes at 88 a minute')).toBeVisible();
  await page.keyboard.press('6');
  const progress = page.getByText(/^\d+ of 40 done$/);
  await expect(progress).toHaveText('0 of 40 done');
  for (let count = 1; count <= 40; count += 1) {
    await page.keyboard.press('Space');
    const unproved = page.getByRole('button', { name: /^Done, unproved/ });
    await expect(page.getByText(`${count} of 40 done`).or(unproved)).toBeVisible();
    if (await unproved.isVisible()) {
      await tabTo(page, unproved, 12);
      await page.keyboard.press('Enter');
      await expect(progress).toHaveText(`${count} of 40 done`);
    }
  }
  await page.keyboard.press('7');
  for (const name of ['Left turn', 'Right turn', 'Hazard']) {
    await tabTo(page, page.getByRole('button', { name: new RegExp(`^${name}: `) }));
    await page.keyboard.press('Enter');
    await tabTo(page, page.getByRole('button', { name: 'As expected', exact: true }));
    await page.keyboard.press('Enter');
    await tabTo(page, page.getByLabel('Or type a rate read elsewhere'));
    await page.keyboard.type('88');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Space');
    await tabTo(page, page.getByRole('button', { name: `Record ${name.toLowerCase()}` }));
    await page.keyboard.press('Enter');
    await expect(page.getByText('88 a minute, within 60 to 120, all lamps lit.')).toBeVisible();
  }
  await expect(page.getByRole('link', { name: /^Prove 3 of 3/ })).toBeVisible();
  await page.keyboard.press('8');
  const file = page.getByRole('button', { name: /^File/ });
  await tabTo(page, file);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: /^Hand over filed/ })).toBeVisible();
});
