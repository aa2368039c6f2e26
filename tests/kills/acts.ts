import type { Page } from '@playwright/test';

/** Something an installer does in one tap or key, and how it shows at the next start. */
export interface KilledAct {
  name: string;
  path: string;
  ready(page: Page): Promise<unknown>;
  doIt(page: Page): Promise<unknown>;
  /** rejects where it does not show */
  isThere(page: Page): Promise<unknown>;
}

const SOON = { timeout: 8000 };

/** Pressed as a finger does, without the waits a test of the screen would make. */
async function press(page: Page, at: ReturnType<Page['getByRole']>): Promise<void> {
  const box = await at.boundingBox();
  if (!box) throw new Error('not on the screen');
  await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2);
}

function tapped(
  name: string,
  path: string,
  at: (page: Page) => ReturnType<Page['getByRole']>,
  shown: (page: Page) => ReturnType<Page['getByRole']>,
): KilledAct {
  return {
    name,
    path,
    ready: async (page) => {
      await at(page).waitFor();
      await at(page).scrollIntoViewIfNeeded();
      await page.waitForTimeout(800);
    },
    doIt: (page) => press(page, at(page)),
    isThere: (page) => shown(page).waitFor(SOON),
  };
}

/** One key in a field that saves as it is typed, or in a form that keeps what is typed until it is sent. */
function keyed(name: string, path: string, label: string | RegExp, opener?: string): KilledAct {
  const field = (page: Page) => page.getByLabel(label, { exact: true });
  const open = async (page: Page) => {
    if (opener) await page.getByRole('button', { name: opener, exact: true }).click();
  };
  return {
    name: `a key in ${name}`,
    path,
    ready: async (page) => {
      await open(page);
      await field(page).fill('');
      await field(page).pressSequentially('drawer ');
      await page.waitForTimeout(800);
    },
    doIt: (page) => page.keyboard.press('9'),
    isThere: async (page) => {
      await open(page);
      await field(page).waitFor(SOON);
      await page.waitForFunction(
        () => [...document.querySelectorAll('input')].some((each) => each.value === 'drawer 9'),
        undefined,
        SOON,
      );
    },
  };
}

export const ACTS: readonly KilledAct[] = [
  tapped(
    'as expected, Prove',
    '/jobs/library-route-1/prove',
    (page) => page.getByRole('button', { name: 'As expected', exact: true }),
    (page) => page.getByRole('button', { name: /^Undo: .*as expected/ }),
  ),
  tapped(
    'a step done, Fit',
    '/jobs/library-route-3/fit',
    (page) => page.getByRole('button', { name: 'Done', exact: true }),
    (page) => page.getByRole('button', { name: /^Undo: Done/ }),
  ),
  tapped(
    'lamps of the quick check',
    '/quick',
    (page) => page.getByRole('button', { name: 'Interior' }),
    (page) => page.getByRole('group', { name: 'What was said' }),
  ),
  keyed('a note, Hand over', '/jobs/library-route-1/hand-over', 'Where the stock bulbs are kept'),
  keyed('who works here, Settings', '/settings', 'Name'),
  keyed('a new part, Shelf', '/shelf', /^Name/, 'Add a part'),
  keyed('a new vehicle', '/vehicles/new', /^Name/),
  keyed('what was here before, Look over', '/jobs/library-route-3/look-over', 'In a few words'),
  tapped(
    'a reading, pin finder',
    '/jobs/library-route-1/fit?view=wiring&plug=plug-rear-right',
    (page) => page.getByRole('group', { name: 'What it showed' }).getByRole('button').first(),
    (page) => page.getByRole('button', { name: /^Undo: Reading/ }),
  ),
  tapped(
    'what it did once fitted, Cure',
    '/jobs/library-route-3/cure',
    (page) => page.getByRole('button', { name: 'Fast', exact: true }),
    (page) => page.getByRole('button', { name: /^Undo: .*[Ff]ast/ }),
  ),
  tapped(
    'the bulb kept, Choose',
    '/jobs/library-route-3/choose?lamp=rear-left',
    (page) => page.getByRole('button', { name: /^Keep the/ }).first(),
    (page) => page.getByRole('button', { name: /^Undo: / }),
  ),
];
