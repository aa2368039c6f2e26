import type { Page } from '@playwright/test';
import { dash, expect, openStage, showConfiguration, showDetails, test } from './app.ts';

/** How bright a lamp's bright filament or string is drawn, 0 to 1. */
async function light(page: Page, name: string): Promise<number> {
  return page.evaluate(
    (label) =>
      Number(
        (
          document.querySelector(
            `[role="button"][aria-label^="${label}:"] [data-input="main"]`,
          ) as SVGGElement
        )?.style.opacity,
      ),
    name,
  );
}

const vehicle = (page: Page) => page.getByRole('region', { name: 'The vehicle' });
const press = (page: Page, name: string) =>
  page.getByRole('group', { name: 'Driver’s panel' }).getByRole('button', { name, exact: true }).click();

async function open(
  page: Page,
  job: string,
  configuration?: Parameters<typeof showConfiguration>[1],
): Promise<void> {
  await openStage(page, `/jobs/${job}`, 'cure');
  if (configuration) await showConfiguration(page, configuration);
}

test('the van: every switch lights its own lamps', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(page, 'library-route-3', 'As it is');
  for (const [name, lamp] of [
    ['Lights', 'Position left'],
    ['Brake', 'Third brake'],
    ['Door', 'Reading lamp 2'],
  ] as const) {
    expect(await light(page, lamp)).toBeLessThan(0.02);
    await press(page, name);
    await expect.poll(() => light(page, lamp)).toBeGreaterThan(0.5);
  }
  await press(page, 'Fog');
  await expect.poll(() => light(page, 'Rear fog')).toBeGreaterThan(0.5);
  // Reverse needs the key.
  await press(page, 'Reverse');
  await expect(vehicle(page).getByRole('button', { name: 'Reverse', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  expect(await light(page, 'Reverse')).toBeLessThan(0.02);
  await page.keyboard.press('k');
  await expect.poll(() => light(page, 'Reverse')).toBeGreaterThan(0.5);
});

test('the minibus: messages, codes and pulses with LEDs; quiet once its controller is told', async ({
  page,
}) => {
  await open(page, 'dial-a-ride-2', 'LEDs alone');
  await press(page, 'Left');
  await press(page, 'Lights');
  await expect(dash(page)).toContainText('172 flashes a minute');
  const said = vehicle(page).getByRole('list', { name: 'Messages, codes and fuses' });
  await expect(said).toContainText('Check left turn lamps: B1A11-18 stored');
  await expect(said).toContainText('Check right tail lamp');
  await vehicle(page).getByText('Flickers at the speed of the pulses').click();
  await expect(vehicle(page)).toContainText('No capacitor cures it');
  await showConfiguration(page, 'With the cure');
  await expect(dash(page)).toContainText('86 flashes a minute');
  await expect(said).not.toContainText('turn lamps');
});

test('the moped: all four flash with an LED relay alone, not with the diodes', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(page, 'courier-moped-7', 'As it is');
  await expect(vehicle(page).getByRole('button', { name: 'Hazard' })).toHaveCount(0);
  await press(page, 'Left');
  await expect(dash(page)).toContainText(/8[4-7] flashes a minute/);
  expect(await light(page, 'Front right')).toBeLessThan(0.05);
  await showConfiguration(page, 'LEDs alone');
  await expect(dash(page)).toContainText('On without flashing');
  await expect.poll(() => light(page, 'Front right')).toBeGreaterThan(0.2);
  await vehicle(page).getByText('All four flash through the pilot lamp').click();
  await expect(vehicle(page)).toContainText('a diode from each side to the pilot');
  await showConfiguration(page, 'With the cure');
  await expect(dash(page)).toContainText('87 flashes a minute');
  await expect.poll(() => light(page, 'Front right')).toBeLessThan(0.05);
});

test('the trailer: fast only with the lights on, and a wrong socket wiring blows the fuse', async ({
  page,
}) => {
  await open(page, 'exhibition-trailer', 'With the cure');
  await press(page, 'Left');
  await expect(dash(page)).toContainText('85 flashes a minute');
  await press(page, 'Lights');
  await expect(dash(page)).toContainText('170 flashes a minute');
  await expect(vehicle(page).getByText('Fast only with the lights on')).toBeVisible();
  await openStage(page, '/jobs/exhibition-trailer', 'choose');
  await page.keyboard.press(']');
  const standard = page.getByRole('listitem').filter({ hasText: /^CURLEW Red LED/ });
  await expect(standard).toContainText('this socket is wired CK');
  // With the lights on already.
  await standard.getByRole('button', { name: 'Choose CURLEW', exact: true }).click();
  await expect(vehicle(page)).toContainText('15 A trailer tail fuse blown');
  await expect(vehicle(page).getByText('Wrong socket wiring: CK against standard').first()).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(vehicle(page)).not.toContainText('fuse blown');
});

test('what if: a rusted earth is tried on the plan, explained, and never part of the job', async ({
  page,
}) => {
  await open(page, 'gritter-4', 'As it is');
  await press(page, 'Brake');
  await page
    .getByLabel('What if')
    .selectOption({ label: 'Earth bolt on the rear cross member: rusted or loose' });
  await vehicle(page).getByText('A bad earth, shared').click();
  await expect(vehicle(page)).toContainText('instead of nought');
  await page.reload();
  await expect(page.getByLabel('What if')).toHaveValue('');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('lamp strips show every lit lamp before and after, and follow the panel', async ({ page }) => {
  await open(page, 'gritter-4');
  await showDetails(page, 'Four seconds of light');
  const strips = page.getByRole('region', { name: /^Lamp strips/ });
  await expect(
    strips.getByRole('img', { name: /^Front left\. As it is: 90 flashes a minute/ }),
  ).toBeVisible();
  await press(page, 'Lights');
  await expect(strips.getByRole('img', { name: /^Position left\. As it is: lit/ })).toBeVisible();
  await strips.getByRole('button', { name: /^All \d+ lit lamps/ }).click();
  await expect(strips.getByRole('img', { name: /^Outline rear right/ })).toBeVisible();
});

test('the relay clicks only when asked to', async ({ page }) => {
  await page.addInitScript(() => {
    const made = window as unknown as { clicks: number };
    made.clicks = 0;
    const start = OscillatorNode.prototype.start;
    OscillatorNode.prototype.start = function (...when) {
      made.clicks += 1;
      return start.apply(this, when);
    };
  });
  const clicks = () => page.evaluate(() => (window as unknown as { clicks: number }).clicks);
  await open(page, 'library-route-3', 'As it is');
  await press(page, 'Left');
  await page.waitForTimeout(800);
  expect(await clicks()).toBe(0);
  await page.getByRole('button', { name: 'Relay click' }).click();
  await page.waitForTimeout(2400);
  // Two a flash at 88 a minute.
  const heard = await clicks();
  expect(heard).toBeGreaterThanOrEqual(6);
  expect(heard).toBeLessThanOrEqual(9);
});
