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
