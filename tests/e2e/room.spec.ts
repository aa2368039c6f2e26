import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { readJobFile } from '../../core/formats/jobFile.ts';
import { expect, test } from './app.ts';

const JOB = 'library-route-3';
const FIELD = 'Where the stock bulbs are kept';

test.use({ ownBrowser: true });

/** Room for the demo, and a little more, bytes. */
const SMALL = 2_000_000;

/**
 * Gives the app so many bytes to store in all; none sets it back. To be called before anything is stored: a browser asks
 * for its room anew only when what it knew of it is used up.
 */
async function quota(page: Page, baseURL: string | undefined, bytes?: number): Promise<void> {
  const tools = await page.context().newCDPSession(page);
  await tools.send('Storage.overrideQuotaForOrigin', {
    origin: `${new URL(baseURL ?? '').origin}/`,
    ...(bytes === undefined ? {} : { quotaSize: bytes }),
  });
}

/** Fills what room there is with rows that are nobody's, the smaller the less there is. */
function fillUp(page: Page): Promise<number> {
  return page.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const opening = indexedDB.open('vumble');
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          let filled = 0;
          const fill = (bytes: number) => {
            if (bytes < 64) {
              opening.result.close();
              resolve(filled);
              return;
            }
            const writing = opening.result.transaction('settings', 'readwrite', { durability: 'strict' });
            // What compresses would fill nothing.
            const value = Array.from({ length: bytes / 8 }, () =>
              Math.random().toString(36).slice(2, 10),
            ).join('');
            writing.objectStore('settings').put({ key: `filler-${filled}`, value });
            writing.oncomplete = () => {
              filled += bytes;
              fill(bytes);
            };
            writing.onabort = () => fill(bytes / 2);
          };
          fill(262_144);
        };
      }),
  );
}

test('with no room left what is typed and tapped stays in the tab, is said, can be saved as a file, and is stored once there is room', async ({
  page,
  baseURL,
}) => {
  test.setTimeout(120_000);
  await quota(page, baseURL, SMALL);
  await page.goto(`/jobs/${JOB}/hand-over`);
  const field = page.getByLabel(FIELD, { exact: true });
  await field.fill('Shelf 1');
  await page.waitForTimeout(1500);
  expect(await fillUp(page)).toBeGreaterThan(100_000);
  // What the browser's store tidies away by itself makes no room again.
  await quota(page, baseURL, SMALL / 20);
  await field.fill('Shelf 9, no room');
  const said = page.getByRole('alert').filter({ hasText: 'No room left in this browser' });
  await expect(said).toContainText(/in this tab alone: keep it open/);
  await expect(field).toHaveValue('Shelf 9, no room');
  // On another stage of the same tab it is as it was left, and more is done there.
  await page
    .getByRole('navigation', { name: 'Stages of the job' })
    .getByRole('link', { name: /^Fit/ })
    .click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Undo: Done/ })).toBeVisible();
  await page
    .getByRole('navigation', { name: 'Stages of the job' })
    .getByRole('link', { name: /^Hand over/ })
    .click();
  await expect(field).toHaveValue('Shelf 9, no room');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    said.getByRole('button', { name: 'Save the job as a file' }).click(),
  ]);
  const read = readJobFile(readFileSync(await download.path(), 'utf8'));
  expect(read.ok && read.file.job.handOver.stockBulbsKeptAt).toBe('Shelf 9, no room');
  expect(read.ok && Object.values(read.file.job.fit).some(({ doneAt }) => doneAt)).toBe(true);
  // A tab that holds something asks before it goes.
  const asked = page.waitForEvent('dialog');
  await page.evaluate(() => void setTimeout(() => location.reload()));
  const dialog = await asked;
  expect(dialog.type()).toBe('beforeunload');
  await dialog.dismiss();
  await expect(field).toHaveValue('Shelf 9, no room');
  await said.getByRole('button', { name: 'Try again' }).click();
  await expect(said).toContainText('Tried once: still no room.');
  await quota(page, baseURL);
  await said.getByRole('button', { name: 'Try again' }).click();
  await expect(said).toHaveCount(0);
  await page.reload();
  await expect(field).toHaveValue('Shelf 9, no room');
});

test('little room left is said before anything is lost', async ({ page }) => {
  // Browsers differ in what they tell of their room: here it is said for this one.
  await page.addInitScript(() => {
    navigator.storage.estimate = async () => ({ usage: 91e6, quota: 100e6 });
  });
  await page.goto(`/jobs/${JOB}/hand-over`);
  await expect(page.getByText('This browser has little room left')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/91 % of what it gives is used/)).toBeVisible();
  await page.goto('/settings');
  await expect(page.getByText(/Nearly full: empty the bin/)).toBeVisible();
});
