import { test as base, expect, type Page } from '@playwright/test';

/**
 * A browser page that fails its test on any script error, content-policy violation or console error: the
 * app must be silent.
 */
export const test = base.extend<{ page: Page }>({
  page: async ({ page }, use) => {
    const trouble: string[] = [];
    page.on('pageerror', (error) => trouble.push(error.message));
    page.on('console', (message) => {
      if (message.type() === 'error') trouble.push(message.text());
    });
    await use(page);
    expect(trouble).toEqual([]);
  },
});
export { expect };

export const OPEN_JOB = '/jobs/library-route-3';
export const FINISHED_JOB = '/jobs/library-route-1';

/** The dash's sentence about the flash rate. */
export function dash(page: Page) {
  return page.getByRole('region', { name: 'The vehicle' }).getByRole('status');
}

/** Opens a stage of a job and waits until it is there. */
export async function openStage(page: Page, job: string, stage: string): Promise<void> {
  await page.goto(`${job}/${stage}`);
  await expect(page.getByRole('navigation', { name: 'Stages of the job' })).toBeVisible();
  await expect(page.getByText('Opening the stage.')).toHaveCount(0);
}

/** Shows one of the details of the cure in hand. */
export async function showDetails(page: Page, name: string): Promise<void> {
  await page.getByRole('tab', { name }).click();
}

/** Picks the first proposed set of resistors. */
export async function pickProposed(page: Page): Promise<void> {
  await showDetails(page, 'Resistors');
  await page.getByRole('button', { name: 'Pick 2 × 6 Ω 50 W' }).click();
  await expect(page.getByText('Holds: flashes at 88 a minute')).toBeVisible();
}

/** Moves the supply slider to a voltage with the keyboard. */
export async function setSupply(page: Page, volts: number): Promise<void> {
  const slider = page.getByRole('slider', { name: 'Supply' });
  await slider.focus();
  for (let step = 0; step < 60; step += 1) {
    const now = Number(await slider.getAttribute('aria-valuenow'));
    if (Math.abs(now - volts) < 0.05) return;
    await slider.press(now < volts ? 'ArrowRight' : 'ArrowLeft');
  }
  throw new Error(`the slider does not reach ${volts} V`);
}

/** Switches the vehicle between as it is, LEDs alone, and with the cure. */
export async function showConfiguration(
  page: Page,
  name: 'As it is' | 'LEDs alone' | 'With the cure',
): Promise<void> {
  await page.getByRole('region', { name: 'The vehicle' }).getByText(name).click();
}

/** Puts a row into the store past the app, as another build or a stranger may have. */
export async function putRow(page: Page, table: string, row: object): Promise<void> {
  await page.evaluate(
    ([name, value]) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('vumble');
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const writing = opening.result.transaction(name, 'readwrite');
          writing.objectStore(name).put(value);
          writing.onabort = () => reject(writing.error);
          writing.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
    [table, row] as const,
  );
}
