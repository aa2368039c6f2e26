import type { Browser, Page } from '@playwright/test';
import { manyResistors, THIRTY_LAMP_JOB } from './large.ts';

/** Puts rows into the store past the app. */
async function fill(page: Page, table: string, rows: readonly object[]): Promise<void> {
  await page.evaluate(
    ([name, all]) =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('vumble');
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const writing = opening.result.transaction(name, 'readwrite');
          for (const row of all) writing.objectStore(name).put(row);
          writing.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
    [table, rows] as const,
  );
}

/** Opens a list and scrolls to its end: the longest task, ms. */
async function longest(page: Page, at: string, ready: string | RegExp): Promise<string> {
  await page.goto(at);
  await page.getByText(ready).first().waitFor({ timeout: 120_000 });
  for (let push = 0; push < 25; push += 1) {
    await page.evaluate(() => document.querySelector('main')?.scrollBy(0, 1e6));
    await page.waitForTimeout(200);
  }
  const tasks = await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks);
  return Math.max(0, ...tasks).toFixed(0);
}

/** Five hundred jobs and five thousand parts, opened and scrolled through: the longest task of each, ms. */
export async function longListsInWords(browser: Browser, home: string): Promise<string[]> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.addInitScript(`window.tasks = [];
new PerformanceObserver((list) => {
  for (const entry of list.getEntries()) window.tasks.push(entry.duration);
}).observe({ entryTypes: ['longtask'], buffered: true });`);
  const page = await context.newPage();
  await page.goto(`${home}/jobs`);
  await page.getByRole('button', { name: 'New job' }).waitFor();
  const few = new Map([
    ['/jobs', await longest(page, `${home}/jobs`, 'Mobile library, route 1')],
    ['/shelf', await longest(page, `${home}/shelf`, /of \d+ parts/)],
  ]);
  await fill(
    page,
    'jobs',
    Array.from({ length: 500 }, (_, count) => ({
      id: `lorry-${count}`,
      updatedAt: '2026-01-01T00:00:00.000Z',
      deleted: 0,
      job: {
        ...THIRTY_LAMP_JOB,
        id: `lorry-${count}`,
        title: `Lorry ${count}`,
        vehicle: { ...THIRTY_LAMP_JOB.vehicle, id: `vehicle-${count}` },
      },
    })),
  );
  await fill(
    page,
    'parts',
    manyResistors(5000).filter(({ kind }) => kind === 'resistor'),
  );
  const words: string[] = [];
  for (const [path, what, ready] of [
    ['/jobs', 'five hundred jobs', /Lorry 499|Lorry 0|more of/],
    ['/shelf', 'five thousand parts', /of \d+ parts/],
  ] as const)
    words.push(
      `${what}, opened and scrolled through: longest task ${await longest(page, `${home}${path}`, ready)} ms, ${few.get(path)} with the demo alone`,
    );
  await context.close();
  return words;
}
