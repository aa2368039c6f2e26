import type { Page } from '@playwright/test';
import { expect, FINISHED_JOB, OPEN_JOB, openStage, test } from './app.ts';

const MINIBUS = '/jobs/dial-a-ride-2';

/** A cell of the grid, by its name. */
const cell = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}: `) });
const finder = (page: Page) => page.getByRole('region', { name: 'Find the fault' }).first();

/**
 * Follows the finder's checks as somebody does who sees what a vehicle with one fault shows: in a cell what `sees` says,
 * at a place the one of its answers that is so. Ends where nothing more is asked.
 */
async function follow(page: Page, sees: (cell: string) => readonly string[], there: RegExp): Promise<number> {
  const next = page.getByRole('region', { name: 'Next check' });
  for (let checks = 0; checks < 14; checks += 1) {
    await expect(page.getByText('counting it in')).toHaveCount(0);
    const work = next.getByRole('button', { name: 'Work this cell' });
    const fine = next.getByRole('button', { name: 'Nothing wrong there' });
    const settled = next.getByText('Nothing tells more now');
    await expect(work.or(fine).or(settled)).toBeVisible();
    if (await settled.isVisible()) return checks;
    if (await fine.isVisible()) {
      const answer = next.getByRole('button', { name: there });
      const place = (await next.textContent()) ?? '';
      if (/Rear left|Stop and tail left/.test(place) && (await answer.count()) > 0)
        await answer.first().tap();
      else await fine.tap();
    } else {
      const asked = (await next.getByText(/: look at every lamp/).textContent()) ?? '';
      const name = asked.replace(/: look at.*$/s, '');
      await work.tap();
      const seen = sees(name);
      if (seen.length === 0) await page.getByRole('button', { name: 'As expected', exact: true }).tap();
      for (const [word = '', lamp = ''] of seen.map((each) => each.split(': '))) {
        await page.getByRole('button', { name: word, exact: true }).tap();
        const which = page.getByRole('group', { name: /^Which lamp/ });
        await which.getByRole('button', { name: lamp, exact: true }).first().tap();
        await page.getByRole('button', { name: word, exact: true }).tap();
      }
    }
    // The same may be asked again: only the clock tells that the last answer was counted in.
    await page.waitForTimeout(400);
  }
  throw new Error('the finder asks and asks');
}

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('the minibus is proved whole: two deviations are led to their causes, with a reload in the middle', async ({
    page,
  }) => {
    test.setTimeout(150_000);
    await openStage(page, MINIBUS, 'prove');
    await expect(page.getByText(/^\d of 17 cells are enough/)).toBeVisible();

    await test.step('a dead lamp: the first deviation', async () => {
      await cell(page, 'Everything off, in the dark').tap();
      await page.getByRole('button', { name: 'As expected', exact: true }).tap();
      // It goes on to the next of those that are enough.
      await expect(page.getByRole('heading', { name: 'Everything off', exact: true })).toHaveCount(0);
      await cell(page, 'Left turn').tap();
      await page.getByRole('button', { name: 'dark', exact: true }).tap();
      await page
        .getByRole('group', { name: 'Which lamp: dark' })
        .getByRole('button', { name: 'Rear left' })
        .tap();
      await expect(page.getByText('Written down: rear left dark.')).toBeVisible();
      await expect(page.getByRole('region', { name: 'What may be wrong' })).toContainText(
        'Rear left: dead, or no contact',
      );
    });

    await test.step('what was told outlives a reload', async () => {
      await page.reload();
      await expect(cell(page, 'Left turn')).toHaveAccessibleName(/not as it should be/);
      await expect(finder(page)).toContainText('Left turn: Rear left dark');
    });

    await test.step('its checks lead to the lamp, and it is mended and proved again', async () => {
      const lit = (name: string) => /^(Left turn|Hazard|Everything at once)/.test(name);
      const checks = await follow(
        page,
        (name) => (lit(name) ? ['dark: Rear left'] : []),
        /^dead, or no contact$/,
      );
      expect(checks).toBeLessThanOrEqual(8);
      const end = page.getByRole('region', { name: 'Mend it, or leave it' });
      await expect(end).toContainText('Rear left: dead, or no contact, found there');
      await end.getByLabel('What was done or tried').fill('contacts bent in');
      await end.getByRole('button', { name: 'Mended' }).tap();
      await expect(page.getByRole('region', { name: 'How searches ended' })).toContainText(
        'Mended: Rear left: dead, or no contact (contacts bent in)',
      );
      // What was seen before the mending counts no more.
      await expect(cell(page, 'Left turn')).toHaveAccessibleName(/not looked at yet/);
    });

    await test.step('a flicker: the second, accepted as it is', async () => {
      await cell(page, 'Lights').tap();
      await page.getByRole('button', { name: 'flickers', exact: true }).tap();
      await page
        .getByRole('group', { name: 'Which lamp: flickers' })
        .getByRole('button', { name: 'Stop and tail left' })
        .tap();
      await expect(page.getByRole('region', { name: 'What may be wrong' })).toContainText(
        'feed pulsed, and the LED follows',
      );
      await follow(
        page,
        (name) =>
          /^Lights$|^(Left|Right) turn, with the lights/.test(name) ? ['flickers: Stop and tail left'] : [],
        /^feed pulsed/,
      );
      await page.getByRole('button', { name: 'Accept, unresolved' }).tap();
    });

    await test.step('the rest of the round is as expected, the flashes counted', async () => {
      for (const name of ['Left turn', 'Right turn', 'Hazard']) {
        await cell(page, name).tap();
        await page.getByRole('button', { name: 'As expected', exact: true }).tap();
        await page.getByLabel('Or type a rate read elsewhere').fill('86');
        await page.getByText('All', { exact: true }).tap();
        await page.getByRole('button', { name: `Record ${name.toLowerCase()}` }).tap();
        await expect(cell(page, name)).toHaveAccessibleName(/as expected/);
      }
      for (const name of [
        'Everything off, in the dark',
        'Lights',
        'Brake',
        'Saloon lamps',
        'Left turn, with the lights',
        'Right turn, with the brake',
        'Everything at once',
      ]) {
        await cell(page, name).tap();
        await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
        await page.getByRole('button', { name: 'As expected', exact: true }).tap();
        await expect(cell(page, name)).toHaveAccessibleName(/as expected/);
      }
      await expect(page.getByText('All of them are done.')).toBeVisible();
      await expect(page.getByRole('navigation', { name: 'Stages of the job' })).toContainText(
        /Prove\s*9 of 9/,
      );
    });
  });
});

test('a symptom told in words leads to its cause, from the jobs, and says where the vehicle is unlike others', async ({
  page,
}) => {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'It does something odd' }).click();
  const dialog = page.getByRole('dialog', { name: 'It does something odd' });
  await dialog
    .getByLabel('Which vehicle?')
    .selectOption({ label: await labelOf(page, /Larkspur|Dial-a-ride|minibus/i) });
  await dialog.getByLabel('What does it do?').selectOption('It flashes fast on one side');
  await dialog.getByRole('button', { name: 'Find the fault' }).click();
  await page.getByLabel('Where?').selectOption('Left turn');
  await page.getByRole('button', { name: 'Tell it' }).click();
  const causes = page.getByRole('region', { name: 'What may be wrong' });
  await expect(causes).toContainText('Left turn: the LED setting was not taken');
  await expect(page.getByRole('region', { name: 'Unlike what is usual' })).toContainText(
    /a resistor tap left open: this vehicle has nothing that could be so/,
  );
  await causes.getByRole('button', { name: 'Show me' }).first().click();
  await expect(page.getByLabel('What if')).not.toHaveValue('');
  await page.getByRole('button', { name: 'Take back' }).first().click();
  await expect(causes).toHaveCount(0);
});

/** The label of an option that reads so. */
async function labelOf(page: Page, like: RegExp): Promise<string> {
  const options = await page.getByLabel('Which vehicle?').locator('option').allTextContents();
  return options.find((each) => like.test(each)) ?? '';
}

test('trouble with a step goes on to the finder, and what contradicts itself is said', async ({ page }) => {
  await openStage(page, FINISHED_JOB, 'prove');
  await page.getByRole('button', { name: /^Left turn: / }).click();
  await page.getByRole('button', { name: 'flashes fast', exact: true }).click();
  await expect(page.getByRole('region', { name: 'What may be wrong' })).toBeVisible();
  await page.getByRole('button', { name: 'As expected', exact: true }).click();
  await expect(page.getByText(/was told in two ways/)).toBeVisible();
  await openStage(page, OPEN_JOB, 'fit');
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Trouble' }).click();
  await page.getByRole('button', { name: 'dark', exact: true }).click();
  await page.getByRole('link', { name: 'Find the fault' }).click();
  await expect(page.getByLabel('What does it do?')).toHaveValue('not-lit');
});
