import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeFrames } from '../../core/formats/frames.ts';
import { writeWav } from '../../core/formats/wav.ts';
import { CHROMIUM } from '../chromium.ts';
import { expect, openStage, showConfiguration, test } from './app.ts';

const MINIBUS = '/jobs/dial-a-ride-2';
const folder = mkdtempSync(join(tmpdir(), 'vumble-recordings-'));

/** A film of a lamp in the dark that flashes so many times a minute. */
function film(perMinute: number): string {
  const size = { width: 48, height: 32 };
  const frames = Array.from({ length: 300 }, (_, frame) => {
    const on = ((frame / 30) * perMinute) / 60;
    const level = on % 1 < 0.5 ? 210 : 25;
    return Uint8Array.from({ length: 48 * 32 }, (__, at) => {
      const [x, y] = [at % 48, Math.floor(at / 48)];
      return x > 16 && x < 32 && y > 10 && y < 22 ? level : 20;
    });
  });
  const path = join(folder, `film-${perMinute}.y4m`);
  writeFileSync(path, writeFrames(size, 30, frames));
  return path;
}

/** Clicks of a relay: two a flash, the opening one at four tenths of it. */
function clicks(perMinute: number): string {
  const samplesPerSecond = 8000;
  const samples = new Float32Array(12 * samplesPerSecond);
  const ring = (seconds: number) => {
    for (let at = 0; at < 160; at++)
      samples[Math.round(seconds * samplesPerSecond) + at] = 0.5 * Math.exp(-at / 32) * Math.sin(at * 1.8);
  };
  for (let at = 0.4; at < 11; at += 60 / perMinute) {
    ring(at);
    ring(at + 0.4 * (60 / perMinute));
  }
  const path = join(folder, `clicks-${perMinute}.wav`);
  writeFileSync(path, writeWav({ samplesPerSecond, samples }));
  return path;
}

test.describe('by phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('a camera file and taps end in the minibus’ proving cells', async ({ page }) => {
    await openStage(page, MINIBUS, 'prove');
    await page.getByRole('button', { name: /^Left turn: / }).tap();
    const count = page.getByRole('region', { name: 'Measure: left turn' });
    await count.getByText('File', { exact: true }).tap();
    await count.getByLabel('Recording').setInputFiles(film(86));
    // Frames this slow show the same of a pulsed lamp that beats: both are said until somebody looks.
    await expect(count.getByText(/Not sure\. A camera or logger this slow/)).toBeVisible();
    await count.getByRole('button', { name: /It goes dark each time: 86 a minute/ }).tap();
    await expect(count.getByText(/86 ± [\d.]+ a minute, measured by \d+ flashes/)).toBeVisible();
    await count.getByText('All', { exact: true }).tap();
    await count.getByRole('button', { name: 'Record left turn' }).tap();
    await expect(count.getByText(/86 ± 1 a minute, measured by camera/)).toBeVisible();
    await page.getByRole('button', { name: /^Right turn: / }).tap();
    const tap = page.getByRole('button', { name: /^Tap at each flash/ });
    await tap.evaluate(async (button: HTMLElement) => {
      let due = performance.now();
      for (let flash = 0; flash < 9; flash += 1) {
        while (performance.now() < due) await new Promise((resolve) => setTimeout(resolve, 2));
        button.click();
        due += 698;
      }
    });
    await page.getByRole('region', { name: 'Measure: right turn' }).getByText('All', { exact: true }).tap();
    await page.getByRole('button', { name: 'Record right turn' }).tap();
    await expect(page.getByText(/8[56] ± \d+ a minute, measured by taps/)).toBeVisible();
    await page.reload();
    await page.getByRole('button', { name: /^Left turn: / }).tap();
    await expect(page.getByText(/86 ± 1 a minute, measured by camera/)).toBeVisible();
  });

  test('a practice round is played by touch', async ({ page }) => {
    await page.goto('/practice');
    await page.getByLabel('Vehicle').selectOption({ index: 2 });
    await page.getByLabel('Round number').fill('7');
    await page.getByRole('button', { name: 'Begin the round' }).tap();
    await expect(page.getByText(/^The owner says: with/)).toBeVisible({ timeout: 60_000 });
    const said = await page.getByText(/^The owner says: with/).textContent();
    await page.getByRole('button', { name: /^Left/ }).tap();
    await page.getByRole('button', { name: /^Look round with key on and left turn/ }).tap();
    await expect(page.getByRole('list', { name: 'Checks so far' }).getByRole('listitem')).toHaveCount(1);
    // Place by place until what is hidden is found: whoever looks everywhere finds it.
    const places = page.getByLabel('Look at');
    const count = await places.locator('option').count();
    const checks = page.getByRole('list', { name: 'Checks so far' }).getByRole('listitem');
    for (let place = 0; place < count; place += 1) {
      await places.selectOption({ index: place });
      await page.getByRole('button', { name: 'Open and look' }).tap();
      await expect(checks).toHaveCount(place + 2);
      if (/found and put right/.test((await checks.first().textContent()) ?? '')) break;
    }
    await expect(page.getByRole('heading', { name: 'Found' })).toBeVisible();
    await expect(page.getByRole('list', { name: 'The chooser’s search' })).toBeVisible();
    // The same number is the same round.
    await page.reload();
    await expect(page.getByText(said ?? 'nothing')).toBeVisible({ timeout: 60_000 });
    await page.goto('/practice');
    await expect(page.getByRole('list', { name: 'Results' })).toContainText(/round 7: found in \d+ min/);
  });
});

test('a round and a drill go by keyboard alone', async ({ page }) => {
  await page.goto('/practice/round?job=library-route-1&level=easy&seed=3');
  await expect(page.getByText(/^The owner says: with/)).toBeVisible({ timeout: 60_000 });
  await page.keyboard.press('h');
  const look = page.getByRole('button', { name: /^Look round with key off and hazard/ });
  await look.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/flashes a minute|Nothing flashes/)).toBeVisible();
  const measure = page.getByRole('button', { name: 'Measure', exact: true });
  await page.getByLabel('Probe on').focus();
  await page.keyboard.press('ArrowDown');
  await measure.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('list', { name: 'Checks so far' }).getByRole('listitem')).toHaveCount(2);
  await page.getByRole('button', { name: 'Give up, and show what it was' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'It was' })).toBeVisible();
  await page.goto('/practice/socket');
  for (let question = 1; question <= 8; question += 1) {
    await expect(page.getByRole('heading', { name: `Question ${question} of 8` })).toBeVisible();
    await expect(page.getByRole('group', { name: 'Answers' })).toBeVisible();
    await page.keyboard.press('1');
    await expect(page.getByText(/^(Right\.|No: )/)).toBeVisible();
    await page.getByRole('button', { name: /Next question|How it went/ }).press('Enter');
  }
  await expect(page.getByText(/^\d of 8/)).toBeVisible();
});

test('clicks out of a file, and files that are none', async ({ page }) => {
  await openStage(page, '/jobs/library-route-1', 'prove');
  await page.getByRole('button', { name: /^Left turn: / }).click();
  const count = page.getByRole('region', { name: 'Measure: left turn' });
  await count.getByText('File', { exact: true }).click();
  await count
    .getByLabel('Recording')
    .setInputFiles({ name: 'notes.csv', mimeType: 'text/csv', buffer: Buffer.from('hello') });
  await expect(count.getByText(/No table was found/)).toBeVisible();
  await count
    .getByLabel('Recording')
    .setInputFiles({ name: 'x.wav', mimeType: 'audio/wav', buffer: Buffer.from('RIFFxxxxWAVE') });
  await expect(count.getByText(/This is no WAV file/)).toBeVisible();
  await count.getByLabel('Recording').setInputFiles(clicks(88));
  await expect(count.getByText(/88 ± [\d.]+ a minute, measured by \d+ flashes/)).toBeVisible();
  await expect(count.getByRole('img', { name: /with \d+ flashes found/ })).toBeVisible();
});

test('light, heat, a rechecked part: written down on the bench, and kept', async ({ page }) => {
  await page.goto('/jobs/library-route-1/bench?view=light');
  await page.getByLabel('Of', { exact: true }).first().selectOption('front-left');
  await page.getByLabel('Light, as the meter shows').fill('12,5');
  await page.getByRole('textbox', { name: 'With the lamp off' }).fill('20');
  await expect(page.getByText(/More light with the lamp off than on/)).toBeVisible();
  await page.getByRole('textbox', { name: 'With the lamp off' }).fill('0,5');
  await page.getByLabel('Lens to meter, by tape').fill('2');
  await page.getByLabel('What shines is so wide').fill('80');
  await page.getByRole('button', { name: 'Write it down' }).first().click();
  const row = page.getByRole('row', { name: /^Front left/ });
  await expect(row).toContainText(/48\.0 ± [\d.]+ cd/);
  await page.getByRole('tab', { name: 'Heat' }).click();
  await page.getByLabel('At', { exact: true }).selectOption('rear-left');
  await page.getByRole('button', { name: 'Left', exact: true }).click();
  await page.getByRole('textbox', { name: 'Temperature' }).fill('90');
  await page.getByLabel('Minutes since switched on').fill('10');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText(/times the predicted rise: every prediction at this place/)).toBeVisible();
  await page.reload();
  await expect(page.getByText('90 °C').first()).toBeVisible();
  await page.goto('/jobs');
  await expect(page.getByRole('list', { name: 'Rechecks due' })).toContainText('After two weeks');
  await page.getByRole('list', { name: 'Rechecks due' }).getByRole('link').first().click();
  await page.getByRole('button', { name: 'Something came back' }).first().click();
  await page.getByLabel('What was wrong').fill('one chip dark');
  await page.getByRole('list', { name: 'Rechecks' }).getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('Came back: one chip dark')).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByText('Came back: one chip dark')).toHaveCount(0);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: /Save them for a calendar/ }).click();
  expect((await saved).suggestedFilename()).toBe('library-route-1-rechecks.ics');
});

test('the stand-ins measure the vehicle as it stands beside them, and what they show is written down', async ({
  page,
}) => {
  await page.goto('/jobs/dial-a-ride-2/bench');
  await page.getByLabel('Noise of the stand-ins').selectOption('0');
  await page.getByRole('button', { name: 'Use the stand-ins' }).click();
  await page.getByRole('button', { name: 'Left', exact: true }).click();
  await page.getByLabel('Probe or clamp on').selectOption('wire:turn-left');
  await page.getByText('Hz', { exact: true }).click();
  await page.getByRole('button', { name: 'Read', exact: true }).click();
  const shown = page.getByLabel('The meter shows');
  await expect(shown).toContainText(/\d\.\d{3} Hz/);
  const hertz = Number(/([\d.]+) Hz/.exec((await shown.textContent()) ?? '')?.[1]);
  const dash = (await page.getByText(/flashes a minute, simulated/).textContent()) ?? '';
  expect(Math.round(60 * hertz)).toBe(Number(/^(\d+)/.exec(dash)?.[1]));
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('Written down as a flash rate')).toBeVisible();
  // With the LEDs alone its controller still takes them for filaments; with the cure it would be set already.
  await showConfiguration(page, 'LEDs alone');
  await page.getByRole('tab', { name: 'Setting' }).click();
  const trail = page.getByRole('region', { name: 'Right turn' });
  for (const step of [/Read what it is now, on/, /Write LED, on/, /Key off, wait, key on, on/])
    await trail.getByRole('button', { name: step }).click();
  await expect(trail).toContainText('Next: read it back');
  await expect(page.getByRole('button', { name: /^Key on/ })).toBeVisible();
  await trail.getByRole('button', { name: /Read it back, on/ }).click();
  await trail.getByRole('button', { name: /Clear stored codes, on/ }).click();
  await expect(trail).toContainText('Set, read back, codes cleared.');
});

test.describe('with a microphone', () => {
  test.use({ ownBrowser: true, contextOptions: { permissions: ['microphone'] } });

  test('the relay is heard, and a refusal says what to do', async ({ playwright, baseURL }) => {
    const browser = await playwright.chromium.launch({
      ...CHROMIUM,
      args: [
        ...CHROMIUM.args,
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
        `--use-file-for-fake-audio-capture=${clicks(100)}%noloop`,
      ],
    });
    const page = await browser.newPage({ baseURL });
    await page.goto('/jobs/library-route-1/prove');
    await page.getByRole('button', { name: /^Left turn: / }).click();
    const count = page.getByRole('region', { name: 'Measure: left turn' });
    await count.getByText('Listen', { exact: true }).click();
    await count.getByRole('button', { name: 'Listen to the relay' }).click();
    await expect(count.getByText(/(99|100|101) ± [\d.]+ a minute, measured by \d+ flashes/)).toBeVisible({
      timeout: 40_000,
    });
    await count.getByRole('button', { name: /^Stop/ }).click();
    await expect(count.getByRole('button', { name: 'Listen to the relay' })).toBeVisible();
    await browser.close();
    const deaf = await playwright.chromium.launch(CHROMIUM);
    const other = await deaf.newPage({ baseURL });
    await other.goto('/jobs/library-route-1/prove');
    await other.getByRole('button', { name: /^Left turn: / }).click();
    const there = other.getByRole('region', { name: 'Measure: left turn' });
    for (const [way, button] of [
      ['Listen', 'Listen to the relay'],
      ['Camera', 'Open the camera'],
    ] as const) {
      await there.getByText(way, { exact: true }).click();
      await there.getByRole('button', { name: button }).click();
      await expect(there.getByRole('alert')).toContainText(/from a file/);
    }
    await deaf.close();
  });
});
