import type { Page } from '@playwright/test';
import { expect, OPEN_JOB, openStage, pickProposed, test } from './app.ts';

/** What each cavity of the plug behind the rear left lamp is for, which only whoever measures it learns. */
const TRUTH: Record<string, string> = {
  '1': 'left tail or position',
  '2': 'earth',
  '3': 'left turn',
  '4': 'rear fog',
  '5': 'stop',
};

/** Takes the readings the finder asks for, as a meter at that plug would show them. */
async function measureAll(page: Page): Promise<number> {
  const card = page.getByRole('region', { name: 'Find the pins by meter' });
  for (let readings = 0; readings < 40; readings += 1) {
    const ask = card.getByText(/^Cavity \d: /);
    await expect(card.locator('[aria-busy="true"]')).toHaveCount(0);
    const settled = card.getByText('Nothing more to measure');
    await expect(ask.or(settled)).toBeVisible();
    if (await settled.isVisible()) return readings;
    const cavity = ((await ask.textContent()) ?? '').replace(/^Cavity (\d).*/s, '$1');
    const before = await card
      .getByRole('listitem')
      .filter({ hasText: /^Cavity/ })
      .count();
    const would = card.getByRole('listitem').filter({ hasText: new RegExp(`^${TRUTH[cavity]}:`) });
    // It stays open from one reading to the next; what is in it is drawn anew in between.
    const list = card.locator('details', { hasText: 'What it would show' });
    if (!(await list.evaluate((each: HTMLDetailsElement) => each.open)))
      await list.getByText('What it would show').click();
    const shows = await would.textContent();
    const shown = (shows ?? '').replace(/^[^:]*: /, '');
    if (shown.startsWith('bouncing')) await card.getByRole('button', { name: 'Bounces' }).click();
    else if (shown === 'nothing') await card.getByRole('button', { name: 'Nothing' }).click();
    else if (/lit|dark/.test(shown))
      await card.getByRole('button', { name: shown === 'dark' ? 'Dark' : shown.replace(' lit', '') }).click();
    else if (shown.startsWith('open')) await card.getByRole('button', { name: 'Open' }).click();
    else {
      await card.getByRole('textbox', { name: /shown$/ }).fill(String(Number.parseFloat(shown)));
      await card.getByRole('button', { name: 'Take it' }).click();
    }
    await expect(card.getByRole('listitem').filter({ hasText: /^Cavity/ })).toHaveCount(before + 1);
  }
  throw new Error('the finder asks and asks');
}

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('the library van is fitted whole, from fresh: pins found, a reload in the middle, rain, a clip lost', async ({
    page,
  }) => {
    test.setTimeout(150_000);
    await openStage(page, OPEN_JOB, 'cure');
    await pickProposed(page);
    await openStage(page, OPEN_JOB, 'fit');
    await page.getByRole('tab', { name: 'Wiring' }).tap();
    await page
      .getByLabel('Plug', { exact: true })
      .selectOption({ label: 'Plug of rear left and 2 more (nobody has looked)' });

    await test.step('the pins of one plug are found by meter and written down', async () => {
      const readings = await measureAll(page);
      expect(readings).toBeGreaterThanOrEqual(5);
      expect(readings).toBeLessThan(20);
      await page.getByRole('button', { name: 'Write it into the sheet' }).tap();
      await expect(page.getByLabel('Cavity 3: how it was proved')).toHaveValue(/^(meter|probe)$/);
      await expect(page.getByLabel('Cavity 3: what for')).toHaveValue('feed:turn-left');
    });

    await page.getByRole('tab', { name: 'Steps' }).tap();
    const done = page.getByRole('button', { name: 'Done', exact: true });
    const title = page.getByRole('heading', { level: 2 }).last();
    const progress = page.getByText(/^\d+ of 40 done$/);
    await expect(progress).toHaveText('0 of 40 done');
    let reloaded = false;
    let unproved = 0;
    for (let count = 1; count <= 40; count += 1) {
      const step = (await title.textContent()) ?? '';
      if (step === 'Open: rear left') {
        const screw = page.getByLabel(/^1 cross-head screw, 45 mm long/);
        await screw.tap();
        await expect(screw).toBeChecked();
        await page.getByRole('button', { name: 'More' }).tap();
        await page.getByRole('button', { name: 'Broken', exact: true }).tap();
        await page.getByLabel('Broken or lost').selectOption('screw, cross-head, 45 mm');
        await page.getByRole('button', { name: 'Put it on the pick list' }).tap();
        await page.getByRole('button', { name: 'Make safe' }).tap();
        const safe = page.getByRole('dialog', { name: 'Make safe and go' });
        await expect(safe).toContainText(/Close rear left: 5 fasteners, 1 of 45 mm \(at the top\)/);
        await safe.getByRole('button', { name: 'Leave off here' }).tap();
        await expect(page.getByText(/^Left off .* made safe/)).toBeVisible();
        await page.getByRole('button', { name: 'Back at it' }).tap();
      }
      // Two taps in the same instant are one; by the space bar they need no wait.
      if (count % 10 === 1 || step === 'Open: rear left') await done.tap();
      else await page.locator('body').press(' ');
      // A feed that was proved is joined without a word, any other is not.
      if (/^Tap /.test(step)) {
        const counted = page.getByText(`${count} of 40 done`);
        const unprovedHere = page.getByRole('button', { name: /^Done, unproved/ });
        await expect(counted.or(unprovedHere)).toBeVisible();
        if (await unprovedHere.isVisible()) {
          unproved += 1;
          await unprovedHere.tap();
        }
      }
      await expect(progress).toHaveText(`${count} of 40 done`);
      if (count === 20 && !reloaded) {
        reloaded = true;
        await page.reload();
        await expect(progress).toHaveText('20 of 40 done');
      }
    }
    expect(unproved).toBe(3);

    await openStage(page, OPEN_JOB, 'pick');
    await expect(page.getByRole('row', { name: /screw, cross-head, 45 mm/ })).toContainText('broken or lost');
    await openStage(page, OPEN_JOB, 'hand-over');
    const sheet = page.getByRole('article', { name: 'Page for the owner' });
    await expect(sheet).toContainText(
      'Front left: the resistor was joined to the turn feed without the wire having been proved',
    );
    await expect(sheet).not.toContainText('Rear left: the resistor was joined');
  });

  test('every target of Fit is made for gloves, undo within the thumb’s reach, and a swipe goes on', async ({
    page,
  }) => {
    await openStage(page, OPEN_JOB, 'fit');
    const steps = page.getByRole('tabpanel', { name: 'Steps' });
    await steps.getByRole('button', { name: 'More' }).tap();
    for (const name of ['Done', 'Back', 'Next', 'Undo', 'Trouble', 'Make safe', 'Waiting', 'Broken']) {
      const box = await steps.getByRole('button', { name, exact: true }).boundingBox();
      expect(box?.height, name).toBeGreaterThanOrEqual(56);
      expect(box?.y ?? 0, name).toBeGreaterThan(844 / 2);
      expect((box?.y ?? 0) + (box?.height ?? 0), name).toBeLessThanOrEqual(844);
    }
    await page.getByRole('button', { name: 'Done', exact: true }).tap();
    await expect(page.getByText('1 of 32 done')).toBeVisible();
    await steps.getByRole('button', { name: 'Undo', exact: true }).tap();
    await expect(page.getByText('0 of 32 done')).toBeVisible();
    await page.getByText('step 2 of 32').evaluate((from) => {
      const touch = (x: number) => new Touch({ identifier: 1, target: from, clientX: x, clientY: 300 });
      const send = (name: string, x: number) =>
        from.dispatchEvent(
          new TouchEvent(name, {
            bubbles: true,
            touches: name === 'touchstart' ? [touch(x)] : [],
            changedTouches: [touch(x)],
          }),
        );
      send('touchstart', 320);
      send('touchend', 90);
    });
    await expect(page.getByText('step 3 of 32')).toBeVisible();
    await page.getByRole('button', { name: 'Helper' }).tap();
    await expect(page.getByText('In the seat')).toBeVisible();
  });
});

test('a step that waits leaves the rest; an airbag behind the trim stops it until the maker’s wait is known', async ({
  page,
}) => {
  await openStage(page, OPEN_JOB, 'identify');
  await page.getByRole('button', { name: /^Rear left P21W/ }).click();
  await page
    .getByLabel('Add trim or cover that comes out first')
    .selectOption({ label: 'Pillar or roof trim, a curtain airbag behind it' });
  await expect(
    page.getByRole('region', { name: 'Pillar or roof trim, a curtain airbag behind it' }),
  ).toBeVisible();
  await openStage(page, OPEN_JOB, 'fit');
  const steps = page.getByRole('list', { name: 'Steps' });
  await steps.getByRole('button', { name: /Open: pillar or roof trim/ }).click();
  await expect(page.getByText('Cannot be done yet.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeDisabled();
  await expect(steps.getByRole('button', { name: /Take the battery off/ })).toBeVisible();
  await openStage(page, OPEN_JOB, 'identify');
  await page.getByRole('button', { name: 'Change Pillar or roof trim, a curtain airbag behind it' }).click();
  await page.getByLabel('Wait after the battery is off').fill('5');
  await page.getByLabel('Wait after the battery is off').blur();
  await openStage(page, OPEN_JOB, 'fit');
  await steps.getByRole('button', { name: /Open: pillar or roof trim/ }).click();
  await expect(page.getByText('5:00')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeEnabled();
  await page.getByRole('button', { name: 'More' }).click();
  await page.getByRole('button', { name: 'Waiting', exact: true }).click();
  await page.getByLabel('Waits for').fill('a pillar clip');
  await expect(steps.getByRole('button', { name: /waits for a part Open: pillar/ })).toBeVisible();
  await page.getByLabel(/^Everything of .* that is not done waits$/).click();
  await expect(steps.getByRole('button', { name: /waits for a part Close: pillar/ })).toBeVisible();
});

test('the sheet of a whole lamp with a moved earth and a doubled wire is on screen, with letters on every wire', async ({
  page,
}) => {
  await openStage(page, '/jobs/library-route-2', 'choose');
  await page.getByRole('button', { name: /^Rear right P21W|^Rear right TERN/ }).click();
  await page.getByLabel('Search the shelf').fill('MERLIN');
  const row = page.getByRole('listitem').filter({ hasText: 'MERLIN-R' }).last();
  await row.getByRole('button', { name: 'I looked: it fits' }).click();
  await page.getByRole('button', { name: 'Choose MERLIN-R' }).click();
  await expect(page.getByRole('button', { name: 'Chosen MERLIN-R' })).toBeVisible();
  await page.goto('/jobs/library-route-2/fit?view=wiring&plug=plug-rear-right');
  await expect(page.getByText('The earth wire moves from cavity 4 to 5.')).toBeVisible();
  await expect(page.getByText(/The wire of cavity 2 is doubled/)).toBeVisible();
  const drawing = page.getByRole('img', { name: /old plug to MERLIN-R/ });
  for (const letters of ['BK/GN', 'GY/RD', 'BK/RD', 'BN', 'BU/BK'])
    await expect(drawing).toContainText(letters);
});

test('how one works changes the order, and a job sheet is ready for paper', async ({ page }) => {
  await openStage(page, OPEN_JOB, 'fit');
  await page.getByRole('tab', { name: 'Order' }).click();
  await expect(page.getByText('Each of 6 panels is opened once, for 6 lamps.').first()).toBeVisible();
  await page.getByText('a helper', { exact: true }).click();
  await expect(page.getByText('Somebody works the switches').first()).toBeVisible();
  await page.getByRole('tab', { name: 'Steps' }).click();
  await expect(
    page.getByRole('list', { name: 'Steps' }).getByText('Switch on what is tested now'),
  ).toHaveCount(0);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('region', { name: 'Job sheet for print' })).toBeVisible();
  const pdf = await page.pdf({ format: 'A4' });
  const pages = pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)?.length ?? 0;
  expect(pages).toBeLessThanOrEqual(2);
});
