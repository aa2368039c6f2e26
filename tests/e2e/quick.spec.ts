import { expect, putRow, test } from './app.ts';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

test('two rear turn bulbs on an unknown car: four taps to a true verdict, one more narrows it, kept it says the same', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Jobs', exact: true }).waitFor();
  let taps = 0;
  const tap = async (name: string | RegExp, role: 'button' | 'link' = 'button') => {
    await page.getByRole(role, { name }).first().tap();
    taps += 1;
  };
  await tap('Jobs', 'link');
  await tap('Rear turn');
  await tap(/^P21W/);
  await tap(/^Plain/);
  const answer = page.getByRole('region', { name: 'The answer' });
  const headline = answer.getByRole('heading', { level: 2 }).first();
  await expect(headline).toContainText('Could go either way: normal, or a fast flash');
  expect(taps).toBe(4);
  await expect(headline).toBeInViewport({ ratio: 1 });
  await expect(answer.getByRole('list', { name: 'By what flashes them' })).toBeInViewport({ ratio: 1 });

  await tap('Fast');
  await expect(headline).toHaveText('It flashes fast, as you saw', { timeout: 30_000 });
  expect(taps).toBe(5);
  await expect(
    answer.getByRole('list', { name: 'By what flashes them' }).getByText('A relay that does not watch'),
  ).toHaveCount(0);

  // A reload in the middle loses nothing.
  await page.reload();
  await expect(headline).toHaveText('It flashes fast, as you saw', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Keep as job' }).tap();
  // Every way it may be, with each LED that was seen to flash fast.
  await expect(page.getByText(/Falls short: flashes fast/)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText(/Seen with just this fitted: a fast flash/)).toBeVisible();
});

test('what was seen can be taken out and back; what was heard narrows and is taken back', async ({
  page,
}) => {
  await page.goto('/quick');
  await page.getByRole('button', { name: 'Rear turn', exact: true }).tap();
  await page.getByRole('button', { name: 'I don’t know' }).tap();
  await page.getByRole('button', { name: /^Regulated/ }).tap();
  const split = page.getByRole('list', { name: 'By what flashes them' });
  await expect(split.getByRole('listitem')).toHaveCount(4);
  await page.getByRole('button', { name: 'lights off' }).tap();
  await page.getByRole('button', { name: 'Message' }).tap();
  await expect(page.getByText('left message, lights on, engine off')).toBeVisible();
  await page.getByRole('button', { name: /^Take out: left message/ }).tap();
  await expect(split.getByRole('listitem')).toHaveCount(4);
  await page.getByRole('button', { name: 'Take it back' }).tap();
  await expect(page.getByText('left message, lights on, engine off')).toBeVisible();
  await page.getByRole('button', { name: /^Take out: left message/ }).tap();
  await page.getByRole('button', { name: 'It clicks' }).tap();
  await expect(split.getByText('A body controller')).toHaveCount(0);
  await page.getByRole('button', { name: /A click was heard: take it back/ }).tap();
  await expect(split.getByText('A body controller')).toBeVisible();
});

test('a dome lamp has no word about flashing, and a stranger’s question is not believed', async ({
  page,
}) => {
  await page.goto('/quick');
  await page.getByRole('button', { name: 'Interior' }).waitFor();
  await putRow(page, 'kept', { key: 'quick', value: '{"question":{"lamps":"<b>"}}' });
  await page.reload();
  await page.getByRole('button', { name: 'Interior' }).tap();
  await page.getByLabel('Or its number').fill('c5w');
  await page.getByRole('button', { name: /^C5W/ }).tap();
  await page.getByLabel('Watts printed on it, if any').fill('99');
  await expect(page.getByText('A signal LED draws from 0.1 to 60 W')).toBeVisible();
  await page.getByLabel('Watts printed on it, if any').fill('1.5');
  await page.getByRole('button', { name: /^I don’t know/ }).tap();
  await expect(page.getByRole('heading', { name: 'It may raise a bulb message, or nothing' })).toBeVisible();
  await expect(page.getByRole('main')).not.toContainText(/flash|hazard/i);
});
