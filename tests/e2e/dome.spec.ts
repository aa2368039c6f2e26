import type { Page } from '@playwright/test';
import { expect, test } from './app.ts';

const nameOf = (stage: string) => new RegExp(`^${stage.replace('-', ' ')}`, 'i');
const FLASH = /flash|hazard|blink|\bturn\b|indicator|\brelay|\d a minute/i;
const STAGES = ['look-over', 'identify', 'choose', 'cure', 'pick', 'fit', 'prove', 'hand-over'];

/** Everything the job screen says but the names on the plan and what is folded away. */
async function said(page: Page): Promise<string> {
  const halves = await page.getByRole('region', { name: /The (stage|vehicle)/ }).evaluateAll((regions) =>
    regions.map((region) => {
      const copy = region.cloneNode(true) as HTMLElement;
      for (const each of copy.querySelectorAll(
        'svg, details, [role="group"][aria-label="Lamps this job converts"]',
      ))
        each.remove();
      return copy.textContent;
    }),
  );
  return halves.join('\n');
}

test('a dome lamp alone, run whole from an empty profile: no word about flash', async ({ page }) => {
  await page.goto('/quick');
  await page.getByRole('button', { name: 'Interior' }).click();
  await page.getByRole('button', { name: /^C5W/ }).click();
  await page.getByRole('button', { name: /^Plain/ }).click();
  await page.getByRole('button', { name: 'Keep as job' }).click();
  await page.waitForURL(/\/jobs\/job-/);
  const job = new URL(page.url()).pathname.split('/').slice(0, 3).join('/');
  const open = async (stage: string) => {
    await page.goto(`${job}/${stage}`);
    await expect(page.getByRole('navigation', { name: 'Stages of the job' })).toContainText('of 1');
    await expect(page.getByText('Opening the stage.')).toHaveCount(0);
  };

  await open('look-over');
  await page.getByRole('button', { name: 'All work' }).click();
  await page.getByLabel('What for').selectOption('light');
  // Shown, it is kept: the page is left only then.
  await expect(page.getByLabel('What for')).toHaveValue('light');
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeEnabled();
  await open('identify');
  await page.getByRole('button', { name: 'All as listed' }).click();
  await open('cure');
  // Nobody knows whether anything watches it; this one was looked at.
  await expect(page.getByText(/Nobody has looked whether anything watches/).first()).toBeVisible();
  await open('vehicle');
  await page
    .getByLabel(/^Whether .* is watched$/)
    .last()
    .selectOption('no');
  await open('cure');
  await expect(page.getByText('Holds: as cured now')).toBeVisible();
  await open('fit');
  for (;;) {
    const done = page.getByRole('button', { name: 'Done', exact: true });
    if (!(await done.isVisible())) break;
    const progress = page.getByText(/^\d+ of \d+ done$/);
    const before = (await progress.textContent()) ?? '';
    await done.press('Enter');
    await expect(progress).not.toHaveText(before);
  }
  await open('prove');
  await page
    .getByRole('button', { name: /^(Interior|Saloon|Cab|Dome).*: not looked at yet/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'As expected', exact: true }).click();
  // Lit it was seen; that it is dark when off is another look.
  await expect(page.getByRole('heading', { name: 'Everything off, in the dark' })).toBeVisible();
  await page.getByRole('button', { name: 'As expected', exact: true }).click();
  await expect(page.getByRole('navigation', { name: 'Stages of the job' })).toContainText('Prove1 of 1');
  await open('hand-over');
  await page.getByLabel('Where the stock bulbs are kept').fill('Drawer 3');
  await page.getByRole('button', { name: 'File the job' }).click();
  await expect(page.getByRole('article', { name: /Page for the owner/ })).toContainText(
    'Done for more light',
  );

  for (const stage of STAGES) {
    await page
      .getByRole('navigation', { name: 'Stages of the job' })
      .getByRole('link', { name: nameOf(stage) })
      .click();
    await page.waitForURL(`**/${stage}`);
    await expect(page.getByText('Opening the stage.')).toHaveCount(0);
    await expect(page.getByText(/^(Judging|Trying|Working out)/)).toHaveCount(0, { timeout: 20_000 });
    expect(await said(page), stage).not.toMatch(FLASH);
  }
});
