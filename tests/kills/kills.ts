/**
 * What a browser that is killed takes along. Chromium is started on a profile of its own, slowed four times, something is
 * tapped or typed, so many milliseconds later the whole browser is killed, and the next one must show it. Needs a build:
 *   npm run build && npm run kills -- 200
 *   npm run build && npm run kills -- 20 Cure
 */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import { createApp } from '../../server/app.ts';
import { CHROMIUM } from '../chromium.ts';
import { ACTS } from './acts.ts';

/** A phone-class machine: everything so many times slower. */
const SLOWED = 4;
/** Killed so long after the tap or key was handed to the browser, ms. */
const AFTER = [50, 100, 150, 250, 400] as const;

const times = Number(process.argv[2] ?? 40);
/** Only acts of which the name has this in it. */
const named = process.argv[3] ?? '';
const acts = ACTS.filter(({ name }) => name.includes(named));
const root = new URL('../../', import.meta.url);
const server = createApp(fileURLToPath(new URL('dist', root))).listen(0);
const address = server.address();
if (address === null || typeof address === 'string') throw new Error('the server has no port');
const home = `http://localhost:${address.port}`;

async function open(profile: string): Promise<{ page: Page; close(): Promise<void> }> {
  const context = await chromium.launchPersistentContext(profile, {
    ...CHROMIUM,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
  });
  return { page: context.pages()[0] ?? (await context.newPage()), close: () => context.close() };
}

/** Kills every process of the browser on a profile, as a battery that is taken out would. */
function kill(profile: string): void {
  const mine = readdirSync('/proc').filter((pid) => {
    if (!/^\d+$/.test(pid)) return false;
    try {
      return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(profile);
    } catch {
      return false;
    }
  });
  if (mine.length > 0) execFileSync('kill', ['-9', ...mine], { stdio: 'ignore' });
}

const lost: string[] = [];
for (let count = 0; count < times; count += 1) {
  const act = acts[count % acts.length];
  const after = AFTER[Math.floor(count / acts.length) % AFTER.length];
  if (!act || after === undefined) throw new Error('nothing to do');
  const profile = mkdtempSync(join(tmpdir(), 'vumble-kill-'));
  const first = await open(profile);
  await first.page.goto(`${home}${act.path}`);
  const { page } = first;
  await act.ready(page);
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  await act.doIt(page);
  await new Promise((resolve) => setTimeout(resolve, after));
  kill(profile);
  await first.close().catch(() => {});
  const second = await open(profile);
  await second.page.goto(`${home}${act.path}`);
  const there = await act
    .isThere(second.page)
    .then(() => true)
    .catch(() => false);
  if (!there) lost.push(`${act.name}, killed ${after} ms after`);
  await second.close();
  rmSync(profile, { recursive: true, force: true });
  if ((count + 1) % 10 === 0) console.log(`${count + 1} kills, ${lost.length} lost`);
}
server.close();
for (const each of lost) console.log(`lost: ${each}`);
console.log(`${times} kills from ${AFTER[0]} ms on, ${SLOWED} times slowed: ${lost.length} lost`);
process.exit(lost.length > 0 ? 1 : 0);
