import { expect, OPEN_JOB, openStage, putRow, test } from './app.ts';

test('a job, a part and a setting that cannot be read take no place down: set aside, exported, mended, removed', async ({
  browser,
}) => {
  // Not the page of these tests: a record that cannot be read is told of on the console.
  const page = await (await browser.newContext()).newPage();
  await page.goto('/jobs');
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible();
  const row = { updatedAt: '2026-11-20T10:00:00.000Z', deleted: 0 };
  await putRow(page, 'jobs', { ...row, id: 'broken', job: { id: 'broken', title: 'Broken van' } });
  await putRow(page, 'jobs', { id: 'nothing' });
  await putRow(page, 'parts', { id: 'led-broken', kind: 'led', code: 'ROOK-1' });
  await putRow(page, 'kept', { key: 'cure-weights', value: '{"price":"<b>"' });
  await page.goto('/jobs');
  const aside = page.getByRole('region', { name: 'Set aside' });
  await expect(aside.getByRole('listitem')).toHaveCount(3);
  await expect(aside).toContainText('A job (Broken van)');
  await expect(aside).toContainText('A part of the shelf (ROOK-1)');
  await expect(page.getByRole('link', { name: 'Mobile library, route 3' })).toBeVisible();
  const download = page.waitForEvent('download');
  await aside.getByRole('listitem').first().getByRole('button', { name: 'Export' }).click();
  expect((await download).suggestedFilename()).toMatch(/^set-aside-jobs-\d+\.json$/);
  const part = aside.getByRole('listitem').filter({ hasText: 'ROOK-1' });
  await part.getByRole('button', { name: 'Mend' }).click();
  const mending = page.getByRole('dialog', { name: 'Mend this record' });
  const text = mending.getByLabel('The record as JSON');
  await text.fill('{');
  await mending.getByRole('button', { name: 'Put it back' }).click();
  await expect(mending).toContainText('This is not JSON');
  await text.fill(
    JSON.stringify({
      kind: 'resistor',
      id: 'led-broken',
      code: 'ROOK-1',
      name: 'Resistor',
      price: 1,
      stock: 2,
      ohms: 6,
      watts: 50,
      tolerance: 0.05,
    }),
  );
  await mending.getByRole('button', { name: 'Put it back' }).click();
  await expect(mending).toHaveCount(0);
  for (const name of ['Broken van', 'nothing']) {
    const remove = aside
      .getByRole('listitem')
      .filter({ hasText: name })
      .getByRole('button', { name: 'Remove' });
    // The list may be drawn anew, by the row before that went, between the pointer going down and up.
    await expect(async () => {
      if (await remove.isVisible()) await remove.click();
      await expect(aside.getByText(name)).toHaveCount(0, { timeout: 3000 });
    }).toPass();
  }
  await expect(aside).toHaveCount(0);
  await page.goto('/shelf');
  await expect(page.getByText('ROOK-1')).toBeVisible();
  await openStage(page, OPEN_JOB, 'cure');
  await expect(page.getByText('Falls short: flashes fast')).toBeVisible();
  await page.context().close();
});

test('a screen that broke says so, is not opened by itself again, and the list of jobs is there', async ({
  browser,
}) => {
  const page = await (await browser.newContext()).newPage();
  await openStage(page, OPEN_JOB, 'cure');
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const opening = indexedDB.open('vumble');
        opening.onsuccess = () => {
          const writing = opening.result.transaction('jobs', 'readwrite');
          const jobs = writing.objectStore('jobs');
          const reading = jobs.get('library-route-3');
          reading.onsuccess = () => {
            const row = reading.result;
            row.job.vehicle.circuits = [{ id: 'x' }];
            jobs.put(row);
          };
          writing.oncomplete = () => {
            opening.result.close();
            resolve();
          };
        };
      }),
  );
  await page.goto(`${OPEN_JOB}/cure`);
  await expect(page.getByRole('heading', { name: 'This screen stopped working' })).toBeVisible();
  await expect(page.getByText('One record could not be read and was set aside.')).toBeVisible();
  await page.goto('/');
  await expect(page).toHaveURL(/\/jobs$/);
  await expect(page.getByRole('region', { name: 'Set aside' })).toContainText('Mobile library, route 3');
  await page.context().close();
});

test('a tab that was torn down at a stage opens at the list of jobs, one that was left at the stage', async ({
  page,
}) => {
  await openStage(page, OPEN_JOB, 'cure');
  await page.goto('/');
  await expect(page).toHaveURL(/library-route-3\/cure$/);
  // What a crash leaves: the mark of the screen that was shown, not taken away.
  await page.evaluate(() => {
    const path = window.location.pathname;
    const leave = () => localStorage.setItem('vumble-on-screen', path);
    for (const event of ['pagehide', 'visibilitychange']) window.addEventListener(event, leave);
  });
  await page.goto('/');
  await expect(page).toHaveURL(/\/jobs$/);
});

test('a browser that lets nothing be kept is told of in words, whatever it throws', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  await page.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', {
      get: () => {
        throw new DOMException('denied by policy', 'SecurityError');
      },
    });
  });
  await page.goto('/jobs');
  await expect(page.getByRole('alert')).toContainText(/not letting Vumble keep|could not start/);
  await page.context().close();
});

test('the bin is emptied for good only when told twice', async ({ page }) => {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Delete Mobile library, route 1' }).click();
  await page.getByText('Deleted jobs (1)').click();
  await page.getByRole('button', { name: 'Empty the bin' }).click();
  const dialog = page.getByRole('dialog', { name: 'Empty the bin for good?' });
  await expect(dialog).toContainText('“Mobile library, route 1” will be gone');
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);
  await page.getByRole('button', { name: 'Empty the bin' }).click();
  await dialog.getByRole('button', { name: 'Take it all away for good' }).click();
  await expect(page.getByText(/^Deleted jobs/)).toHaveCount(0);
});

test('a field changed in two windows says so, and takes over what the other typed while it is idle', async ({
  page,
  context,
}) => {
  await openStage(page, OPEN_JOB, 'hand-over');
  const other = await context.newPage();
  await openStage(other, OPEN_JOB, 'hand-over');
  const mine = page.getByLabel('Title of the job');
  const theirs = other.getByLabel('Title of the job');
  await mine.focus();
  await theirs.fill('of the other window');
  await expect(mine).toHaveValue('of the other window');
  await expect(page.getByText('Changed in another window just now')).toBeVisible();
  // Typing goes on from there, and brings nothing back that is gone.
  await mine.press('End');
  await mine.pressSequentially(', and more');
  await expect(theirs).toHaveValue('of the other window, and more');
  await mine.blur();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(theirs).toHaveValue('of the other window');
});

test.describe('with a clock of its own', () => {
  test.use({ ownBrowser: true });

  test('the clock of the tablet set back: what was told last stands, and its time is marked', async ({
    page,
  }) => {
    await page.clock.setSystemTime('2027-11-20T10:00:00Z');
    await openStage(page, '/jobs/library-route-1', 'prove');
    const cell = page.getByRole('button', { name: /^Left turn: / });
    await cell.click();
    await page.getByRole('button', { name: 'As expected', exact: true }).click();
    await page.clock.setSystemTime('2026-11-28T10:00:00Z');
    await page.reload();
    await cell.click();
    await page.getByRole('button', { name: 'dark', exact: true }).click();
    await page
      .getByRole('group', { name: 'Which lamp: dark' })
      .getByRole('button', { name: 'Rear left' })
      .click();
    await expect(page.getByRole('button', { name: /^Left turn: not as it should be/ })).toBeVisible();
    await expect(page.getByText('the clock was wrong then').first()).toBeVisible();
    await expect(page.getByRole('region', { name: 'What may be wrong' })).toContainText(
      'Rear left: dead, or no contact',
    );
  });
});

test('what is typed is on the disk although something else is being written all the while', async ({
  page,
}) => {
  /** A transaction that ends with the page: no other may write into that database meanwhile. */
  const keepBusy = () =>
    page.evaluate(
      () =>
        new Promise<void>((resolve) => {
          const opening = indexedDB.open('vumble');
          opening.onsuccess = () => {
            const jobs = opening.result.transaction('jobs', 'readwrite').objectStore('jobs');
            const again = () => {
              resolve();
              jobs.count().onsuccess = again;
            };
            again();
          };
        }),
    );
  await page.goto('/jobs/library-route-1/hand-over');
  const shelf = page.getByLabel('Where the stock bulbs are kept', { exact: true });
  await expect(shelf).toBeVisible();
  await keepBusy();
  await shelf.fill('Drawer 4');
  await page.waitForTimeout(100);
  await page.goto('/settings');
  const name = page.getByLabel('Name', { exact: true });
  await expect(name).toBeVisible();
  await keepBusy();
  await name.fill('Ada');
  await page.waitForTimeout(100);
  await page.reload();
  await expect(name).toHaveValue('Ada');
  // A form that is sent by a button keeps what is typed until it is, or is given up.
  await page.goto('/vehicles/new');
  const called = page.getByLabel(/^Name/);
  await expect(called).toBeVisible();
  await keepBusy();
  await called.fill('Ambulance');
  await page.getByLabel('Kind').selectOption('van');
  await page.waitForTimeout(100);
  await page.reload();
  await expect(called).toHaveValue('Ambulance');
  await expect(page.getByLabel('Kind')).toHaveValue('van');
  await page.getByRole('button', { name: 'Start afresh' }).click();
  await expect(called).toHaveValue('');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(called).toHaveValue('Ambulance');
  await page.goto('/jobs/library-route-1/hand-over');
  await expect(shelf).toHaveValue('Drawer 4');
});

test('a store of an earlier build that another tab has open is waited for, and both tabs say so', async ({
  context,
  page,
}) => {
  // No page of the app, but of its address: the old build.
  const old = await context.newPage();
  await old.goto('/mark.svg');
  await old.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        // As version 12 had it; Dexie counts in tens.
        const opening = indexedDB.open('vumble', 120);
        opening.onerror = () => reject(opening.error);
        opening.onupgradeneeded = () => {
          const store = opening.result;
          const jobs = store.createObjectStore('jobs', { keyPath: 'id' });
          for (const index of ['deleted', 'updatedAt', 'job.vehicle.id']) jobs.createIndex(index, index);
          jobs.createIndex('held', 'held', { multiEntry: true });
          const edits = store.createObjectStore('edits', { keyPath: 'seq', autoIncrement: true });
          edits.createIndex('[jobId+undone]', ['jobId', 'undone']);
          store.createObjectStore('parts', { keyPath: 'id' }).createIndex('kind', 'kind');
          store
            .createObjectStore('settings', { keyPath: 'key' })
            .put({ key: 'kept-seen-by', value: '"Ada"' });
          store.createObjectStore('photos', { keyPath: 'id' }).createIndex('jobId', 'jobId');
          const journal = store.createObjectStore('journal', { keyPath: 'seq', autoIncrement: true });
          journal.createIndex('id', 'id', { unique: true });
          store.createObjectStore('aside', { keyPath: 'seq', autoIncrement: true });
          store.createObjectStore('movements', { keyPath: 'id' }).createIndex('partId', 'partId');
          store.createObjectStore('histories', { keyPath: 'id' });
        };
        opening.onsuccess = () => {
          Object.assign(window, { closeStore: () => opening.result.close() });
          resolve();
        };
      }),
  );
  await page.goto('/settings');
  await expect(page.getByText('An older Vumble is open elsewhere')).toBeVisible();
  await old.evaluate(() => (window as unknown as { closeStore(): void }).closeStore());
  // What it kept is there.
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Ada');
  // And the other way round: a build to come asks for the store of this one.
  await old.evaluate(() => void indexedDB.open('vumble', 10_000));
  await expect(page.getByText('A newer Vumble waits in another tab')).toBeVisible();
  await page.getByLabel('Name', { exact: true }).fill('Bo');
  await old.close();
  await page.waitForTimeout(100);
  await page.reload();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Bo');
});
