import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, FINISHED_JOB, OPEN_JOB, openStage, showConfiguration, test } from './app.ts';

const STAGES = ['look-over', 'identify', 'choose', 'cure', 'pick', 'fit', 'prove', 'hand-over'];

// Flashing lamps keep the page busy, and what axe looks for does not depend on them.
test.use({ contextOptions: { reducedMotion: 'reduce' } });

for (const stage of STAGES) {
  test(`${stage} has no axe violation in either theme, at a phone’s width, nor with forced colours`, async ({
    page,
  }) => {
    await openStage(page, stage === 'cure' ? OPEN_JOB : FINISHED_JOB, stage);
    await page.keyboard.press('h');
    await expect(page.getByText(/flashes a minute/).first()).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await asOnPhone(page);
  });
}

for (const job of ['dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer']) {
  test(`${job}, turning with its lights on, has none in either theme`, async ({ page }) => {
    await openStage(page, `/jobs/${job}`, 'cure');
    await showConfiguration(page, 'LEDs alone');
    await page.keyboard.press('l');
    await page.keyboard.press('t');
    await expect(page.getByText('Simulating.')).toHaveCount(0);
    expect(await violations(page)).toEqual([]);
  });
}

test('the cured gauge, the list of jobs, its dialogs and the keys have none in either theme', async ({
  page,
}) => {
  await openStage(page, FINISHED_JOB, 'cure');
  await page.getByText('Judge resistors of your own').click();
  await expect(page.getByRole('button', { name: /^Picked 2 × 6/ })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.goto('/jobs');
  await expect(page.getByRole('button', { name: 'New job' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'New job' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Keys' }).click();
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

for (const place of ['/quick', '/jobs', '/shelf', '/reference'])
  test(`${place} has none at a phone’s width in either theme, nor with forced colours`, async ({ page }) => {
    await page.goto(place);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await asOnPhone(page);
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
});

/** Violations of every rule by night, and of contrast, the one that hangs on the theme, by day. */
async function violations(page: Page): Promise<string[]> {
  await page.emulateMedia({ colorScheme: 'dark' });
  const night = await seen(page);
  await page.emulateMedia({ colorScheme: 'light' });
  const day = await seen(page, ['color-contrast']);
  return [...night, ...day.map((each) => `by day, ${each}`)];
}

/** Violations by rule and place, once transitions have ended (a half-faded dialog has no contrast). */
async function seen(page: Page, rules?: string[]): Promise<string[]> {
  await page.evaluate(() =>
    Promise.race([
      Promise.all(document.getAnimations().map((animation) => animation.finished.catch(() => {}))),
      // Something that turns while it waits never ends.
      new Promise((resolve) => setTimeout(resolve, 1500)),
    ]),
  );
  await page.waitForTimeout(250);
  // Without frames of others there is nothing that the slower way through a second page would find.
  const axe = new AxeBuilder({ page }).setLegacyMode(true);
  const { violations: found } = await (rules ? axe.withRules(rules) : axe).analyze();
  return found.flatMap((each) =>
    each.nodes.map((node) => `${each.id}: ${node.target.join(' ')} ${node.any[0]?.message ?? ''}`),
  );
}
