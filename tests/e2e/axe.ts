import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** Violations of every rule by night, and of contrast, the one that hangs on the theme, by day. */
export async function violations(page: Page): Promise<string[]> {
  await page.emulateMedia({ colorScheme: 'dark' });
  const night = await seen(page);
  await page.emulateMedia({ colorScheme: 'light' });
  const day = await seen(page, ['color-contrast']);
  return [...night, ...day.map((each) => `by day, ${each}`)];
}

/** Violations by rule and place, once transitions have ended (a half-faded dialog has no contrast). */
export async function seen(page: Page, rules?: string[]): Promise<string[]> {
  await page.evaluate(() =>
    Promise.race([
      Promise.all(document.getAnimations().map((animation) => animation.finished.catch(() => {}))),
      // Something that turns while it waits never ends.
      new Promise((resolve) => setTimeout(resolve, 1500)),
    ]),
  );
  await page.waitForTimeout(250);
  // Without frames of others there is nothing that the slower way through a second page would find.
  const axe = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] });
  const { violations: found } = await (rules ? axe.withRules(rules) : axe).analyze();
  return found.flatMap((each) =>
    each.nodes.map((node) => `${each.id}: ${node.target.join(' ')} ${node.any[0]?.message ?? ''}`),
  );
}
