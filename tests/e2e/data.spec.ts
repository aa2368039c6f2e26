import { readFileSync, writeFileSync } from 'node:fs';
import { expect, FINISHED_JOB, OPEN_JOB, openStage, pickProposed, test } from './app.ts';

test('every edit is saved as made: reload and a second tab stay true', async ({ page, context }) => {
  await openStage(page, OPEN_JOB, 'cure');
  const other = await context.newPage();
  await openStage(other, OPEN_JOB, 'cure');
  await pickProposed(page);
  await expect(other.getByText('Holds: flashes at 88 a minute')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Holds: flashes at 88 a minute')).toBeVisible();
  await other.getByRole('button', { name: 'Take the resistors out again' }).click();
  await expect(page.getByText('Falls short: flashes fast')).toBeVisible();
});

test('undo and redo go through a reload', async ({ page }) => {
  await openStage(page, OPEN_JOB, 'cure');
  await pickProposed(page);
  await page.reload();
  await page.getByRole('button', { name: 'Undo: 2 × 6 Ω 50 W' }).click();
  await expect(page.getByText('Falls short: flashes fast')).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByText('Holds: flashes at 88 a minute')).toBeVisible();
});

test('an exported job means the same in an empty browser', async ({ page, browser }, info) => {
  await openStage(page, FINISHED_JOB, 'hand-over');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export the job' }).click();
  const path = info.outputPath('job.vumble.json');
  await (await download).saveAs(path);
  const before = await page.getByRole('article').textContent();

  // Another browser, with another title in the file so that nothing of the demo can stand in for it.
  const text = readFileSync(path, 'utf8').replaceAll('library-route-1', 'from-elsewhere');
  writeFileSync(path, text);
  const context = await browser.newContext();
  const fresh = await context.newPage();
  await fresh.goto('/jobs');
  await fresh.locator('input[type="file"]').setInputFiles(path);
  await expect(fresh.getByText('All its parts are on this shelf already.')).toBeVisible();
  await fresh.getByRole('button', { name: 'Import', exact: true }).click();
  await expect(fresh).toHaveURL(/from-elsewhere/);
  await openStage(fresh, '/jobs/from-elsewhere', 'hand-over');
  expect(await fresh.getByRole('article').textContent()).toBe(before);
  await openStage(fresh, '/jobs/from-elsewhere', 'cure');
  await expect(fresh.getByText('Holds: flashes at 88 a minute')).toBeVisible();
  await context.close();
});

test('importing a job that is here keeps both, and replaces only when told', async ({ page }, info) => {
  await openStage(page, OPEN_JOB, 'hand-over');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export the job' }).click();
  const path = info.outputPath('job.vumble.json');
  await (await download).saveAs(path);
  await page.getByLabel('Title of the job').fill('changed since');
  await page.goto('/jobs');
  await page.locator('input[type="file"]').setInputFiles(path);
  await expect(page.getByText('This job is here already: “changed since”')).toBeVisible();
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  await expect(page.getByText('This job is here already')).toHaveCount(0);
  await page.goto('/jobs');
  await expect(page.getByRole('link', { name: 'changed since' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Mobile library, route 3' })).toBeVisible();
});

test('a job of an earlier version says whose verdict is another now, until it was read', async ({ page }) => {
  await page.goto('/jobs');
  await page.locator('input[type="file"]').setInputFiles('tests/fixtures/job-version-7.vumble.json');
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  const note = page.getByRole('note').filter({ hasText: 'Other verdicts than before' });
  await expect(note).toContainText(
    /took for granted that nothing reads the brake wire.*Third brake.*: Holds, now could go either way/,
  );
  await note.getByRole('button', { name: 'I have read it' }).click();
  await expect(note).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: /Larkspur/ }).first()).toBeVisible();
  await expect(note).toHaveCount(0);
});

test('a broken, a foreign and a hostile file are refused with the reason', async ({ page }) => {
  await page.goto('/jobs');
  const cards = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: /^Delete/ }) });
  await expect(cards.filter({ hasText: 'Mobile library' })).toHaveCount(3);
  const attempts: readonly [name: string, text: string, reason: RegExp][] = [
    ['broken.vumble.json', '{"format": "vumble-job", ', /not JSON/],
    ['foreign.json', '{"cells": []}', /not a Vumble job/],
    [
      'hostile.json',
      `{"format":"vumble-job","version":1,"job":${'['.repeat(3000)}${']'.repeat(3000)}}`,
      /nested too deeply/,
    ],
    [
      'wrong.json',
      '{"format":"vumble-job","version":1,"exportedAt":"<script>","job":{},"parts":[]}',
      /exportedAt/,
    ],
  ];
  for (const [name, text, reason] of attempts) {
    await page
      .locator('input[type="file"]')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
    const dialog = page.getByRole('dialog', { name: 'This file was not imported' });
    await expect(dialog).toContainText('Nothing was changed.');
    await expect(dialog).toContainText(reason);
    await page.keyboard.press('Escape');
    await expect(dialog).toHaveCount(0);
  }
  await expect(cards.filter({ hasText: 'Mobile library' })).toHaveCount(3);
});

test('a deleted job comes back', async ({ page }) => {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Delete Mobile library, route 1' }).click();
  await expect(page.getByRole('link', { name: 'Mobile library, route 1', exact: true })).toHaveCount(0);
  await page.reload();
  await page.getByText('Deleted jobs (1)').click();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('link', { name: 'Mobile library, route 1', exact: true })).toBeVisible();
});

test('nonsense is not saved, says what to type, and stays on the screen', async ({ page }) => {
  await openStage(page, OPEN_JOB, 'look-over');
  const fuse = page.getByLabel('Turn fuse');
  await fuse.fill('900');
  await expect(page.getByText('Type a number from 1 to 60 A')).toBeVisible();
  await expect(fuse).toHaveValue('900 A');
  await fuse.fill('');
  await expect(page.getByText('Type a number from 1 to 60 A')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Turn fuse')).toHaveValue('15 A');
  await page.goto('/jobs/no-such-job/cure');
  await expect(page.getByText('This job is not here')).toBeVisible();
});

test('a dead bulb is said to change what is read later', async ({ page }) => {
  await openStage(page, OPEN_JOB, 'look-over');
  await page
    .getByRole('group', { name: 'Function to work' })
    .getByRole('button', { name: /^Left turn/ })
    .click();
  await page.getByRole('radiogroup', { name: 'Rear left: condition' }).getByText('Dead').click();
  await expect(page.getByRole('note')).toContainText('Rear left: dead already');
  // The function in hand is on already: its lamps are what was asked about.
  await expect(page.getByRole('region', { name: 'The vehicle' }).getByRole('status')).toContainText(
    '176 flashes a minute',
  );
  await expect(page.getByRole('button', { name: 'Rear left: dead bulb' })).toBeVisible();
});

test('an open tab survives a new build: a file that is gone loads the page again, once, and nothing typed is lost', async ({
  browser,
}) => {
  // Not the page of these tests: the browser tells of the missing file, as it should.
  const page = await (await browser.newContext()).newPage();
  let gone = true;
  await page.route('**/assets/Pick-*.js', async (route) => {
    if (!gone) return route.continue();
    gone = false;
    await route.fulfill({ status: 404, body: '' });
  });
  await openStage(page, FINISHED_JOB, 'hand-over');
  await page.getByLabel('Where the stock bulbs are kept').fill('drawer 9');
  await page.evaluate(() => history.pushState(null, '', '/jobs/library-route-1/pick'));
  await page.evaluate(() => window.dispatchEvent(new PopStateEvent('popstate')));
  await expect(page.getByRole('button', { name: 'Save as CSV' })).toBeVisible();
  expect(gone).toBe(false);
  await page.goto(`${FINISHED_JOB}/hand-over`);
  await expect(page.getByLabel('Where the stock bulbs are kept')).toHaveValue('drawer 9');
  await page.context().close();
});
