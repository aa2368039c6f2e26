import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

const read = (path: string) => readFileSync(new URL(`../../${path}`, import.meta.url), 'utf8');
const colours = (text: string): string[] => text.match(/--[\w]+: #[0-9a-f]{6}/g) ?? [];

// It stands apart from the app, and may have none of its files before a phone trusts the workshop.
it('the page about trust has the colours of the theme', () => {
  const theme = colours(read('web/theme/tokens.css'));
  const page = colours(read('server/trust/routes.ts'));
  expect(page.length).toBeGreaterThan(10);
  expect(page.filter((each) => !theme.includes(each))).toEqual([]);
});
