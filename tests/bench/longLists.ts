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
  await fill(
    page,
    'jobs',
    Array.from({ length: 500 }, (_, count) => ({
      id: `lorry-${count}`,
      updatedAt: '2026-01-01T00:00:00.000Z',
      deleted: 0,
      job: { ...THIRTY_LAMP_JOB, id: `lorry-${count}`, title: `Lorry ${count}` },
    })),
  );
  await fill(
    page,
    'parts',
    manyResistors(5000).filter(({ kind }) => kind === 'resistor'),
  );
  const words: string[] = [];
  for (const [path, what] of [
    ['/jobs', 'five hundred jobs'],
    ['/shelf', 'five thousand parts'],
  ] as const) {
    await page.goto(`${home}${path}`);
    await page.getByRole('button', { name: /more of/ }).waitFor();
    for (let push = 0; push < 25; push += 1) {
      await page.evaluate(() => document.querySelector('main')?.scrollBy(0, 1e6));
      await page.waitForTimeout(200);
    }
    const tasks = await page.evaluate(() => (window as unknown as { tasks: number[] }).tasks);
    words.push(`${what}, opened and scrolled through: longest task ${Math.max(0, ...tasks).toFixed(0)} ms`);
  }
  await context.close();
  return words;
}
