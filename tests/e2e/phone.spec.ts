import { dash, expect, FINISHED_JOB, OPEN_JOB, openStage, pickProposed, test } from './app.ts';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

test('the halves become two tabs and both work', async ({ page }) => {
  await openStage(page, OPEN_JOB, 'cure');
  await pickProposed(page);
  await page.getByRole('tab', { name: 'Vehicle', exact: true }).tap();
  await page.getByRole('button', { name: 'Left', exact: true }).tap();
  await expect(dash(page)).toContainText('88 flashes a minute');
});

test('Fit shows one step with targets for gloves', async ({ page }) => {
  await openStage(page, OPEN_JOB, 'fit');
  await expect(page.getByRole('list', { name: 'Steps' })).toBeHidden();
  const done = page.getByRole('button', { name: 'Done', exact: true });
  const box = await done.boundingBox();
  expect(box?.height).toBeGreaterThanOrEqual(56);
  expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual(844);
  await done.tap();
  await expect(page.getByText('1 of 32 done')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Make the vehicle safe' })).toBeVisible();
});

test('Prove measures by tapping the big button', async ({ page }) => {
  await openStage(page, FINISHED_JOB, 'prove');
  await page.getByRole('button', { name: /^Left turn: / }).tap();
  const tap = page.getByRole('button', { name: /^Tap at each flash/ });
  expect((await tap.boundingBox())?.height).toBeGreaterThanOrEqual(56);
  await tap.tap();
  await expect(page.getByText('1 tap so far')).toBeVisible();
  await page.getByRole('button', { name: 'Clear' }).click();
  // By the page's own clock: a busy machine must not make a steady hand tremble.
  await tap.evaluate(async (button: HTMLElement) => {
    let due = performance.now();
    for (let count = 0; count < 7; count += 1) {
      while (performance.now() < due) await new Promise((resolve) => setTimeout(resolve, 2));
      button.click();
      due += 500;
    }
  });
  await expect(page.getByText(/± [\d.]+ a minute, measured by \d+ flashes/)).toBeVisible();
});

test('no screen scrolls sideways', async ({ page }) => {
  for (const stage of ['look-over', 'identify', 'choose', 'cure', 'pick', 'fit', 'prove', 'hand-over']) {
    await openStage(page, FINISHED_JOB, stage);
    const overflow = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect(overflow, stage).toBeLessThanOrEqual(0);
  }
});

test('nothing of the header is cut off or lies over another, on a narrow phone too', async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 780 });
  for (const path of ['/jobs', `${OPEN_JOB}/cure`]) {
    await page.goto(path);
    const header = page.getByRole('banner');
    await header.getByText('More', { exact: true }).tap();
    for (const place of ['Bench', 'Practice', 'Reference'])
      await expect(header.getByRole('link', { name: place })).toBeInViewport();
    await header.getByText('More', { exact: true }).tap();
    const boxes = await header.locator('a, button, summary').evaluateAll((all) =>
      all
        .filter((each) => each.checkVisibility())
        .map((each) => each.getBoundingClientRect())
        .filter(({ width }) => width > 0)
        .map(({ left, right }) => [left, right]),
    );
    const inOrder = boxes.toSorted(([a = 0], [b = 0]) => a - b);
    for (const [index, [left = 0, right = 0]] of inOrder.entries()) {
      expect(left).toBeGreaterThanOrEqual(inOrder[index - 1]?.[1] ?? 0);
      expect(right).toBeLessThanOrEqual(360);
    }
  }
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeVisible();
});

test('a chosen lamp comes into view, and each stage opens at its top', async ({ page }) => {
  await openStage(page, OPEN_JOB, 'choose');
  await page.getByRole('button', { name: /^Rear right/ }).click();
  await expect(page.getByRole('heading', { name: /^Rear right/ })).toBeInViewport();
  await page.getByRole('link', { name: /^Identify/ }).click();
  await expect(page.getByRole('heading', { name: 'Bulb in each lamp' })).toBeInViewport();
});

test('who taps elsewhere while the first screen opens goes there', async ({ page }) => {
  // The place that was tapped is slow to come: the job worked on last is ready first, and must not take over.
  await page.route(/JobsPlace-.*\.js/, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
  });
  await page.addInitScript(() => {
    new MutationObserver((_, observer) => {
      const link = document.querySelector<HTMLAnchorElement>('nav a[href="/jobs"]');
      if (!link) return;
      observer.disconnect();
      link.click();
    }).observe(document, { childList: true, subtree: true });
  });
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Will this LED flash fast in that?' })).toBeVisible();
  await expect(page).toHaveURL(/\/jobs$/);
});
