import { expect, OPEN_JOB, openStage, test } from './app.ts';

/** A phone on its side, an old one, a laptop at two hundred per cent, a desk at four hundred. */
const SCREENS = [
  [844, 390],
  [740, 360],
  [640, 400],
  [320, 256],
] as const;

for (const [width, height] of SCREENS)
  test(`at ${width} by ${height} all of a step is scrolled into view, and Done is reached`, async ({
    page,
  }) => {
    await page.setViewportSize({ width, height });
    await openStage(page, OPEN_JOB, 'fit');
    const title = page.getByRole('heading', { level: 2 }).last();
    const text = title.locator('xpath=following-sibling::p').last();
    const done = page.getByRole('button', { name: 'Done', exact: true });
    for (const part of [title, text, done]) {
      // What a person sees of it, scrolled to: nothing lies over its middle, and all of it is on the screen.
      const seen = () =>
        part.evaluate((element) => {
          element.scrollIntoView({ block: 'center' });
          const box = element.getBoundingClientRect();
          const top = document.elementFromPoint(box.x + Math.min(20, box.width / 2), box.y + box.height / 2);
          return {
            whole: box.top >= 0 && box.bottom <= window.innerHeight + 1,
            uncovered: top !== null && (element.contains(top) || top.contains(element)),
          };
        });
      await expect.poll(seen, { message: (await part.textContent()) ?? '' }).toEqual({
        whole: true,
        uncovered: true,
      });
    }
    await done.click();
    await expect(page.getByText('1 of 32 done')).toBeAttached();
    const next = page.getByRole('heading', { level: 2 }).last();
    await expect(next).toBeInViewport();
  });

test.describe('with a clock of its own', () => {
  test.use({ ownBrowser: true });

  test('the wait before an airbag goes on while another step is looked at, over a reload, and no clock ends it', async ({
    page,
  }) => {
    await page.clock.install({ time: '2026-11-28T10:00:00Z' });
    await openStage(page, OPEN_JOB, 'fit');
    const steps = page.getByRole('list', { name: 'Steps' });
    await steps
      .getByRole('button', { name: /Make the vehicle safe|Park/ })
      .first()
      .click();
    const timer = page.getByText(/^Let the bulbs cool/);
    await timer.locator('xpath=..').getByRole('button', { name: 'Start' }).click();
    await page.clock.runFor(30_000);
    await expect(timer).not.toContainText('time is up');
    const shown = await timer.locator('b').textContent();
    await page.getByRole('button', { name: 'Next' }).click();
    await page.clock.runFor(10_000);
    await page.getByRole('button', { name: 'Back' }).click();
    const later = await timer.locator('b').textContent();
    const seconds = (text: string | null) => {
      const [minutes = 0, rest = 0] = (text ?? '').split(':').map(Number);
      return 60 * minutes + rest;
    };
    expect(seconds(shown) - seconds(later)).toBeGreaterThanOrEqual(9);
    await page.clock.setSystemTime('2030-01-01T00:00:00Z');
    await expect(timer).not.toContainText('time is up');
    await page.reload();
    await steps
      .getByRole('button', { name: /Make the vehicle safe|Park/ })
      .first()
      .click();
    await expect(timer).not.toContainText('time is up');
    await expect(page.getByRole('button', { name: 'Stop', exact: true })).toBeVisible();
    expect(seconds(await timer.locator('b').textContent())).toBeLessThan(seconds(shown));
  });
});
