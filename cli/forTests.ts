import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll } from 'vitest';
import { run } from './run.ts';

/** Runs one command line and keeps what it printed. */
export async function call(...args: string[]): Promise<{ code: number; out: string; error: string }> {
  const printed = { out: '', error: '' };
  const code = await run(args, {
    out: (text) => void (printed.out += `${text}\n`),
    error: (text) => void (printed.error += `${text}\n`),
  });
  return { code, ...printed };
}

/** A directory with the demo's jobs for the tests of a file, gone after them. */
export function demoDirectory(): { path(file: string): string; job(name: string): string } {
  let directory = '';
  beforeAll(async () => {
    directory = mkdtempSync(join(tmpdir(), 'vumble-cli-'));
    await call('demo', directory);
  });
  afterAll(() => rmSync(directory, { recursive: true }));
  const path = (file: string) => join(directory, file);
  return { path, job: (name) => path(`${name}.vumble.json`) };
}
