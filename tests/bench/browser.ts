/**
 * Speed in Chromium, as medians on this machine. Needs a build and Debian's Chromium:
 *   npm run build && npm run bench:browser
 */
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import { shelfCsv } from '../../core/formats/shelfCsv.ts';
import { STAGES } from '../../core/work/stages.ts';
import { createApp } from '../../server/app.ts';
import { CHROMIUM } from '../chromium.ts';
import { keysInWords } from './keys.ts';
import { BULK_SHELF, THIRTY_LAMP_JOB } from './large.ts';
import { longListsInWords } from './longLists.ts';

const root = new URL('../../', import.meta.url);
const server = createApp(fileURLToPath(new URL('dist', root))).listen(0);
const address = server.address();
if (address === null || typeof address === 'string') throw new Error('the server has no port');
const home = `http://localhost:${address.port}`;
const browser = await chromium.launch(CHROMIUM);
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();

const middle = (values: readonly number[]) =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/** Types a word letter by letter; the time of each from the key to the frame that shows it, ms. */
async function typed(field: ReturnType<Page['getByLabel']>, word: string): Promise<number[]> {
  await field.fill('');
  await field.focus();
  const times: number[] = [];
  for (const letter of word) {
    await page.evaluate(() => {
      const bench = window as unknown as { shown?: Promise<number> };
      bench.shown = new Promise((resolve) => {
        addEventListener(
          'input',
          () => {
            const begin = performance.now();
            requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - begin)));
          },
          { once: true, capture: true },
        );
      });
    });
    await page.keyboard.type(letter);
    times.push(await page.evaluate(() => (window as unknown as { shown: Promise<number> }).shown));
  }
  return times;
}

await page.goto(`${home}/shelf`);
await page.locator('input[type="file"]').setInputFiles({
  name: 'bulk.csv',
  mimeType: 'text/csv',
  buffer: Buffer.from(shelfCsv(BULK_SHELF)),
});
await page.getByRole('button', { name: 'Import', exact: true }).click();
await page.getByText('500 of 500 parts').waitFor();
const shelfSearch = await typed(page.getByLabel('Search the shelf'), 'bulk-321');

const rows = Array.from({ length: 200 }, (_, count) => ({
  id: `lorry-${count}`,
  updatedAt: '2026-01-01T00:00:00.000Z',
  deleted: 0,
  job: {
    ...THIRTY_LAMP_JOB,
    id: `lorry-${count}`,
    title: `Lorry ${count}`,
    vehicle: { ...THIRTY_LAMP_JOB.vehicle, id: `lorry-${count}`, name: `Lorry ${count}` },
  },
}));
await page.evaluate(
  (jobs) =>
    new Promise<void>((resolve, reject) => {
      const opening = indexedDB.open('vumble');
      opening.onerror = () => reject(opening.error);
      opening.onsuccess = () => {
        const writing = opening.result.transaction('jobs', 'readwrite');
        for (const row of jobs) writing.objectStore('jobs').put(row);
        writing.oncomplete = () => resolve();
      };
    }),
  rows,
);
await page.goto(`${home}/jobs`);
await page.getByLabel('Search the jobs').waitFor();
const jobSearch = await typed(page.getByLabel('Search the jobs'), 'lorry 137');

await page.goto(`${home}/jobs/lorry-199/choose`);
const stage = page.getByRole('region', { name: 'The stage' });
await stage.getByRole('button', { name: /^Rear turn left/ }).click();
await page.getByText(/best by what matters to you first/).waitFor();
const chooseSearch = await typed(page.getByLabel('Search the shelf'), 'heron-24');
await page.getByLabel('Search the shelf').fill('');
await page.evaluate(() => performance.clearMeasures());
const keep = page.getByRole('button', { name: 'Keep the filament bulb' });
for (let edit = 0; edit < 12; edit += 1) {
  await keep.evaluate((button: HTMLElement) => button.click());
  await page.getByRole('button', { name: 'Choose HERON-24', exact: true }).waitFor();
  await page.getByRole('button', { name: /^Undo/ }).evaluate((button: HTMLElement) => button.click());
  await page.getByRole('button', { name: 'Chosen HERON-24', exact: true }).waitFor();
}
const verdicts = await page.evaluate(() =>
  performance
    .getEntriesByType('measure')
    .filter((entry) => entry.name.startsWith('verdict'))
    .map((entry) => entry.duration),
);

await page.goto(`${home}/jobs/dial-a-ride-2/cure`);
await page.getByText(/^Best for this vehicle/).waitFor();
await page.waitForTimeout(2000);
await page.getByRole('slider', { name: 'Supply' }).focus();
// As text: a named function would be dressed up by the loader with a helper the page does not have.
await page.evaluate(`{
  window.tasks = [];
  window.frames = [];
  let last = performance.now();
  const frame = (now) => {
    window.frames.push(now - last);
    last = now;
    requestAnimationFrame(frame);
  };
  requestAnimationFrame(frame);
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) window.tasks.push(entry.duration);
  }).observe({ entryTypes: ['longtask'] });
}`);
for (let step = 0; step < 30; step += 1) await page.keyboard.press('ArrowRight');
const { tasks, frames } = await page.evaluate(() => {
  const { tasks, frames } = window as unknown as { tasks: number[]; frames: number[] };
  return { tasks, frames };
});
/** A phone-class machine: everything four times slower, from an empty browser. */
const SLOWED = 4;
const longTasks = `window.tasks = [];
new PerformanceObserver((list) => {
  for (const entry of list.getEntries()) window.tasks.push(entry.duration);
}).observe({ entryTypes: ['longtask'], buffered: true });`;
async function slowed(): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  await context.addInitScript(longTasks);
  const fresh = await context.newPage();
  const session = await context.newCDPSession(fresh);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  return fresh;
}
const firstVerdicts: number[] = [];
for (let visit = 0; visit < 5; visit += 1) {
  const fresh = await slowed();
  const begin = performance.now();
  await fresh.goto(home);
  await fresh.getByText('Falls short: flashes fast').waitFor();
  firstVerdicts.push(performance.now() - begin);
  await fresh.context().close();
}
const slow = await slowed();
await slow.goto(home);
await slow.getByText('Falls short: flashes fast').waitFor();
const longest: (readonly [stage: string, ms: number])[] = [];
for (const part of [...STAGES, 'vehicle']) {
  for (const job of ['library-route-1', 'dial-a-ride-2', 'gritter-4']) {
    await slow.goto(`${home}/jobs/${job}/${part}`);
    await slow.getByText('Opening the stage.').waitFor({ state: 'detached' });
    await slow.waitForTimeout(2500);
    const tasks = await slow.evaluate(() => (window as unknown as { tasks: number[] }).tasks);
    longest.push([`${part} of ${job}`, Math.max(0, ...tasks)]);
  }
}
const typing = await keysInWords(slow, home);
const lists = await longListsInWords(browser, home);
console.log(`On a machine ${SLOWED} times slower, 390 px wide, from an empty browser:`);
console.log(`first verdict: ${(middle(firstVerdicts) / 1000).toFixed(2)} s in the median`);
for (const [what, ms] of longest.toSorted((a, b) => b[1] - a[1]).slice(0, 8))
  console.log(`longest task on opening ${what.padEnd(32)} ${ms.toFixed(0).padStart(5)} ms`);
console.log(
  `slider on the minibus, thirty steps: ${tasks.length} tasks over 50 ms, longest ${Math.max(0, ...tasks).toFixed(0)} ms; frames ${middle(frames).toFixed(1)} ms in the median`,
);
for (const each of typing) console.log(each);
for (const each of lists) console.log(each);
console.log('In Chromium, medians:');
for (const [what, times] of [
  [`verdict after an edit, thirty lamps (${verdicts.length} edits)`, verdicts],
  ['shelf of 500 parts, a letter of the search to its frame', shelfSearch],
  ['choose from 500 parts, a letter of the search to its frame', chooseSearch],
  ['board of 200 jobs, a letter of the search to its frame', jobSearch],
] as const)
  console.log(`${what.padEnd(64)} ${middle(times).toFixed(1).padStart(7)} ms`);
await browser.close();
server.close();
