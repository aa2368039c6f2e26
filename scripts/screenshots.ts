/**
 * Takes the pictures of docs/screenshots from the demo data. Needs a build and Debian's Chromium:
 *   npm run build && npm run screenshots
 */
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import { createApp } from '../server/app.ts';
import { instrumentRoutes } from '../server/instruments/routes.ts';
import { CHROMIUM } from '../tests/chromium.ts';

const root = new URL('../', import.meta.url);
const server = createApp(fileURLToPath(new URL('dist', root)), instrumentRoutes()).listen(0);
const address = server.address();
if (address === null || typeof address === 'string') throw new Error('the server has no port');
const home = `http://localhost:${address.port}`;
const browser = await chromium.launch(CHROMIUM);

interface Shot {
  name: string;
  scheme?: 'light' | 'dark';
  phone?: boolean;
  path: string;
  prepare?(page: Page): Promise<void>;
}

const cure = async (page: Page) => {
  await page.getByRole('button', { name: 'Pick 2 × 6 Ω 50 W' }).click();
  await page.getByText('Holds: flashes at 88').waitFor();
};
/** Left turn with its rear lamp dark, told. */
const deadRearLeft = async (page: Page) => {
  await page.getByRole('button', { name: /^Left turn: / }).click();
  await page.getByRole('button', { name: 'dark', exact: true }).click();
  const which = page.getByRole('group', { name: 'Which lamp: dark' });
  await which.getByRole('button', { name: 'Rear left' }).click();
  await page.getByRole('region', { name: 'What may be wrong' }).waitFor();
};
/** Waits until the worker has said which resistors would hold. */
const searched = (page: Page) => page.getByRole('button', { name: /^Pick(ed)? 2 × 6 Ω 50 W/ }).waitFor();

const panel = async (page: Page, ...switches: string[]) => {
  for (const name of switches)
    await page
      .getByRole('group', { name: 'Driver’s panel' })
      .getByRole('button', { name, exact: true })
      .click();
};

const SHOTS: readonly Shot[] = [
  {
    name: 'cure-night',
    path: '/jobs/library-route-3/cure',
    prepare: async (page) => {
      await searched(page);
      await page.keyboard.press('l');
    },
  },
  {
    name: 'cure-day',
    scheme: 'light',
    path: '/jobs/library-route-3/cure',
    prepare: async (page) => {
      await cure(page);
      await page.keyboard.press('h');
    },
  },
  {
    name: 'log',
    path: '/log?view=found',
    prepare: (page) => page.getByText('all of them').first().waitFor({ timeout: 60_000 }),
  },
  {
    name: 'bench',
    path: '/jobs/library-route-3/bench',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Use the stand-ins' }).click();
      await panel(page, 'Left');
      await page.getByLabel('Probe or clamp on').selectOption('lamp:rear-left:main');
      await page.getByRole('button', { name: 'Read', exact: true }).click();
      await page.getByText('to and fro').waitFor();
    },
  },
  {
    name: 'practice',
    scheme: 'light',
    path: '/practice/round?job=library-route-1&level=easy&seed=7',
    prepare: async (page) => {
      await page.getByText(/^The owner says/).waitFor();
      await page
        .getByRole('group', { name: 'Driver’s panel' })
        .getByRole('button', { name: /^Left/ })
        .click();
      await page.getByRole('button', { name: /^Look round/ }).click();
      await page.getByText(/flashes a minute/).waitFor();
      await page.getByLabel('Probe on').selectOption('lamp:front-left:main');
      await page.getByRole('button', { name: 'Measure', exact: true }).click();
      await page.getByText(/Front left, feed contact: /).waitFor();
    },
  },
  {
    name: 'phone-quick',
    phone: true,
    path: '/quick',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Rear turn', exact: true }).click();
      await page.getByRole('button', { name: /^P21W/ }).click();
      await page.getByRole('button', { name: /^Plain/ }).click();
      await page.getByRole('heading', { name: /^Could go either way/ }).waitFor();
    },
  },
  {
    name: 'wiring',
    path: '/jobs/library-route-1/fit?view=wiring&plug=plug-rear-left',
    prepare: async (page) => {
      await page.getByRole('img', { name: 'Plug of rear left' }).waitFor();
      await page.getByText(/of 6 proved/).waitFor();
    },
  },
  { name: 'jobs', path: '/jobs' },
  { name: 'look-over', path: '/jobs/library-route-3/look-over' },
  {
    name: 'identify',
    scheme: 'light',
    path: '/jobs/library-route-3/identify',
    prepare: async (page) => {
      await page
        .getByRole('region', { name: 'The stage' })
        .getByRole('button', { name: /^Rear left/ })
        .click();
    },
  },
  {
    name: 'choose',
    path: '/jobs/library-route-3/choose',
    prepare: async (page) => {
      await page
        .getByRole('region', { name: 'The stage' })
        .getByRole('button', { name: /^Rear left/ })
        .click();
      await page.getByText(/best by what matters to you first/).waitFor();
    },
  },
  {
    name: 'fleet',
    scheme: 'light',
    path: '/jobs',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Do Mobile library, route 1 again' }).click();
      await page.getByLabel('Fleet numbers or plates').fill('V1\nV2\nV3\nV4\nV5\nV6');
      await page.getByRole('button', { name: 'Begin 6 jobs' }).click();
      await page
        .getByText(/^Verdict:/)
        .nth(5)
        .waitFor({ timeout: 60_000 });
    },
  },
  { name: 'reference', path: '/reference/bases' },
  { name: 'pick', path: '/jobs/library-route-1/pick' },
  {
    name: 'fit',
    scheme: 'light',
    path: '/jobs/library-route-3/cure',
    prepare: async (page) => {
      await cure(page);
      await page.getByRole('link', { name: /^Fit/ }).click();
      for (let step = 0; step < 5; step += 1)
        await page.getByRole('button', { name: 'Done', exact: true }).click();
    },
  },
  {
    name: 'prove',
    path: '/jobs/dial-a-ride-2/prove',
    prepare: async (page) => {
      await page
        .getByRole('button', { name: /^Everything off/ })
        .first()
        .click();
      await page.getByRole('button', { name: 'As expected', exact: true }).click();
      await deadRearLeft(page);
    },
  },
  { name: 'hand-over', scheme: 'light', path: '/jobs/library-route-1/hand-over' },
  {
    name: 'phone-fit',
    phone: true,
    path: '/jobs/library-route-3/cure',
    prepare: async (page) => {
      await cure(page);
      await page.goto(page.url().replace('/cure', '/fit'));
      for (let step = 0; step < 5; step += 1)
        await page.getByRole('button', { name: 'Done', exact: true }).click();
    },
  },
  {
    name: 'phone-prove',
    phone: true,
    path: '/jobs/dial-a-ride-2/prove',
    prepare: async (page) => {
      await deadRearLeft(page);
      await page.getByRole('region', { name: 'What may be wrong' }).scrollIntoViewIfNeeded();
    },
  },
];

for (const shot of SHOTS) {
  const context = await browser.newContext({
    viewport: shot.phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    colorScheme: shot.scheme ?? 'dark',
    hasTouch: shot.phone === true,
    // Lamps then hold their lit level: a picture cannot flash.
    reducedMotion: 'reduce',
  });
  const page = await context.newPage();
  await page.goto(home + shot.path);
  await page.waitForLoadState('networkidle');
  await shot.prepare?.(page);
  // Transitions of the interface end within this.
  await page.waitForTimeout(500);
  await page.screenshot({ path: fileURLToPath(new URL(`docs/screenshots/${shot.name}.png`, root)) });
  await context.close();
}
await browser.close();
server.close();
