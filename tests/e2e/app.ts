import {
  type Browser,
  type BrowserContext,
  type BrowserContextOptions,
  test as base,
  type CDPSession,
  type ConsoleMessage,
  expect,
  type Page,
} from '@playwright/test';

interface OfATest {
  /** A browser of its own: for a test that changes its clock, or anything else that outlives a page. */
  ownBrowser: boolean;
  /** A page that is only looked at, with nothing changed in it: opened once for all tests of a file that look. */
  onlyLooked: boolean;
}
/** A browser kept from test to test, and the empty page that keeps its window open: a new window costs as much as a page. */
interface Kept {
  context: BrowserContext;
  tools: CDPSession;
}
interface OfAWorker {
  kept: Map<string, Kept>;
  looked: Map<string, Page>;
}

/**
 * A browser page that fails its test on any script error, content-policy violation or console error: the
 * app must be silent. The browser is empty at every test, but one that has read the scripts before: most of
 * what a test costs is reading them anew.
 */
export const test = base.extend<OfATest, OfAWorker>({
  ownBrowser: [false, { option: true }],
  onlyLooked: [false, { option: true }],
  kept: [
    // biome-ignore lint/correctness/noEmptyPattern: what a fixture needs is read off this pattern.
    async ({}, use) => {
      const kept = new Map<string, Kept>();
      await use(kept);
      for (const { context } of kept.values()) await context.close();
    },
    { scope: 'worker' },
  ],
  looked: [
    // biome-ignore lint/correctness/noEmptyPattern: as above.
    async ({}, use) => use(new Map()),
    { scope: 'worker' },
  ],
  context: async (
    { browser, kept, ownBrowser, onlyLooked, viewport, hasTouch, colorScheme, baseURL, contextOptions },
    use,
  ) => {
    const options = { viewport, hasTouch, colorScheme, ...(baseURL && { baseURL }), ...contextOptions };
    if (ownBrowser) {
      const own = await browser.newContext(options);
      await use(own);
      await own.close();
      return;
    }
    const kind = JSON.stringify({ ...options, onlyLooked });
    const { context, tools } = kept.get(kind) ?? (await opened(browser, options));
    kept.set(kind, { context, tools });
    await use(context);
    if (onlyLooked) return;
    for (const page of context.pages().slice(1)) await page.close();
    await tools.send('Storage.clearDataForOrigin', { origin: baseURL ?? '', storageTypes: 'all' });
  },
  page: async ({ context, looked, onlyLooked, colorScheme, viewport }, use) => {
    const kind = JSON.stringify(viewport);
    const before = onlyLooked ? looked.get(kind) : undefined;
    const page = before ?? (await context.newPage());
    if (onlyLooked) looked.set(kind, page);
    if (before && viewport) await page.setViewportSize(viewport);
    if (before) await page.emulateMedia({ forcedColors: null, colorScheme });
    const trouble: string[] = [];
    const onError = (error: Error) => void trouble.push(error.message);
    const onConsole = (message: ConsoleMessage) => {
      if (message.type() === 'error') trouble.push(message.text());
    };
    page.on('pageerror', onError);
    page.on('console', onConsole);
    await use(page);
    page.off('pageerror', onError);
    page.off('console', onConsole);
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

/** A browser with nothing in it, and an empty page whose tools can take out what is put there. */
async function opened(browser: Browser, options: BrowserContextOptions): Promise<Kept> {
  const context = await browser.newContext(options);
  return { context, tools: await context.newCDPSession(await context.newPage()) };
}

/** Goes to a path of the app: as a link does where the app is open, and by loading it where it is not. */
export async function goTo(page: Page, path: string): Promise<void> {
  if (page.url() === 'about:blank') await page.goto(path);
  else
    await page.evaluate((to) => {
      history.pushState(null, '', to);
      window.dispatchEvent(new PopStateEvent('popstate'));
    }, path);
}

/** Opens a stage of a job and waits until it is there. */
export async function openStage(page: Page, job: string, stage: string): Promise<void> {
  const path = `${job}/${stage}`;
  await goTo(page, path);
  const link = page.getByRole('navigation', { name: 'Stages of the job' }).locator(`a[href="${path}"]`);
  await expect(link).toHaveAttribute('aria-current', 'page');
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
    ([database, name, value]) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open(database);
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
    [table === 'kept' ? 'vumble-at-once' : 'vumble', table, row] as const,
  );
}
