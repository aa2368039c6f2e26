import type { Page } from '@playwright/test';

const JOB = 'library-route-1';
const FIELD = 'Where the stock bulbs are kept';

/** How many acts are on their way now. */
async function noted(page: Page): Promise<number> {
  return page.evaluate(
    () =>
      new Promise((resolve, reject) => {
        const opening = indexedDB.open('vumble-at-once');
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const count = opening.result.transaction('notes').objectStore('notes').count();
          count.onsuccess = () => {
            opening.result.close();
            resolve(count.result);
          };
        };
      }),
  );
}

/** What the store holds of the job now: the text of the field, and the largest step of undo, bytes. */
async function stored(page: Page): Promise<{ text: string; largestStep: number }> {
  return page.evaluate(
    (id) =>
      new Promise((resolve, reject) => {
        const opening = indexedDB.open('vumble');
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const reading = opening.result.transaction(['jobs', 'edits']);
          const job = reading.objectStore('jobs').get(id);
          const edits = reading.objectStore('edits').getAll();
          reading.oncomplete = () => {
            opening.result.close();
            resolve({
              text: job.result.job.handOver.stockBulbsKeptAt,
              largestStep: Math.max(0, ...edits.result.map((each) => JSON.stringify(each).length)),
            });
          };
        };
      }),
    JOB,
  );
}

/** Waits until all that was typed is stored, and tells how long that took, ms. */
async function settled(page: Page, text: string): Promise<number> {
  const begin = performance.now();
  for (;;) {
    const now = await stored(page);
    if (now.text === text && (await noted(page)) === 0) return performance.now() - begin;
    if (performance.now() - begin > 120_000) throw new Error('what was typed is not stored');
    await page.waitForTimeout(20);
  }
}

/**
 * Puts a letter into the field and takes it out again, so many edits in all, each in a task of its own: faster than any
 * hand, and than keys that come through a test driver. Tells the longest time in which the page came to no other task, ms.
 */
async function edited(page: Page, edits: number): Promise<{ longest: number }> {
  const field = page.getByLabel(FIELD);
  return field.evaluate(async (element: HTMLInputElement, count) => {
    const put = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
    const before = element.value;
    let longest = 0;
    for (let edit = 0; edit < count; edit += 1) {
      const begin = performance.now();
      put?.call(element, edit % 2 === 0 ? `${before}x` : before);
      element.dispatchEvent(new Event('input', { bubbles: true }));
      await new Promise((resolve) => setTimeout(resolve));
      longest = Math.max(longest, performance.now() - begin);
    }
    return { longest };
  }, edits);
}

/** Typing, fast and long, on a slowed machine: how long after the last key all of it is stored. */
export async function keysInWords(page: Page, home: string): Promise<string[]> {
  await page.goto(`${home}/jobs/${JOB}/hand-over`);
  const field = page.getByLabel(FIELD);
  await field.fill('');
  await field.focus();
  // 1 500 keys at 17 a second: a word of 40 letters typed and taken out again.
  const word = 'drawer nine under the window, left of it.';
  let held = '';
  for (let key = 0; key < 1500; key += 1) {
    const begin = performance.now();
    if (held.length < word.length && Math.floor(key / word.length) % 2 === 0) {
      held += word[held.length] ?? '';
      await page.keyboard.type(held.at(-1) ?? '');
    } else {
      held = held.slice(0, -1);
      await page.keyboard.press('Backspace');
    }
    await page.waitForTimeout(Math.max(0, 1000 / 17 - (performance.now() - begin)));
  }
  const drained = await settled(page, held);
  const { longest } = await edited(page, 9000);
  const last = await settled(page, held);
  const { largestStep } = await stored(page);
  return [
    `1 500 keys at 17 a second: all stored ${drained.toFixed(0)} ms after the last`,
    `9 000 edits, one a task: longest without a task ${longest.toFixed(0)} ms; all stored ${last.toFixed(0)} ms after the last`,
    `largest step of undo they left: ${(largestStep / 1000).toFixed(1)} kB`,
  ];
}
