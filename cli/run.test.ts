import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { EXIT, run } from './run.ts';

let directory = '';
beforeAll(async () => {
  directory = mkdtempSync(join(tmpdir(), 'vumble-cli-'));
  await call('demo', directory);
});
afterAll(() => rmSync(directory, { recursive: true }));

/** Runs one command line and keeps what it printed. */
async function call(...args: string[]): Promise<{ code: number; out: string; error: string }> {
  const printed = { out: '', error: '' };
  const code = await run(args, {
    out: (text) => void (printed.out += `${text}\n`),
    error: (text) => void (printed.error += `${text}\n`),
  });
  return { code, ...printed };
}

const demo = (name: string) => join(directory, `${name}.vumble.json`);

describe('vumble plan', () => {
  it('gives 0 and the reasons when the plan holds', async () => {
    const { code, out } = await call('plan', demo('library-route-1'));
    expect(code).toBe(EXIT.fine);
    expect(out).toContain('With the cure: Holds');
    expect(out).toMatch(/Resistors, turn-left: \d+ sets fit/);
    expect(out).toContain('At most, together');
  });

  it('gives 1 when it falls short or could go either way', async () => {
    expect((await call('plan', demo('library-route-3'))).code).toBe(EXIT.fallsShort);
    const troubled = await call('plan', demo('library-route-2'));
    expect(troubled.code).toBe(EXIT.fallsShort);
    expect(troubled.out).toContain('With the cure: Could go either way');
    expect(troubled.out).toContain('88 or 176 a minute');
  });

  it('prints JSON that a program can read', async () => {
    const plan = JSON.parse((await call('plan', demo('library-route-1'), '--json')).out);
    expect(plan.verdict.state).toBe('holds');
    expect(plan.resistors[0].choices[0].ohms).toBeCloseTo(3, 9);
    expect(plan.stock.circuits[0].points).toHaveLength(4);
  });
});

describe('vumble check', () => {
  it('passes a good file', async () => {
    const { code, out } = await call('check', demo('library-route-2'));
    expect(code).toBe(EXIT.fine);
    expect(out).toContain('valid job');
  });

  it('refuses a broken one and one that is not there', async () => {
    const broken = join(directory, 'broken.vumble.json');
    writeFileSync(
      broken,
      readFileSync(demo('library-route-2'), 'utf8').replace('"ratedAmps": 15', '"ratedAmps": "much"'),
    );
    const result = await call('check', broken);
    expect(result.code).toBe(EXIT.badInput);
    expect(result.error).toContain('ratedAmps');
    expect((await call('check', join(directory, 'none.json'))).code).toBe(EXIT.badInput);
  });
});

describe('vumble', () => {
  it('explains itself and refuses what it does not know', async () => {
    expect((await call('--help')).code).toBe(EXIT.fine);
    expect((await call()).code).toBe(EXIT.badInput);
    expect((await call('paint', 'x')).error).toContain('no command "paint"');
    expect((await call('plan', 'a', '--loud')).code).toBe(EXIT.badInput);
    expect((await call('demo', '/dev/null/nowhere')).code).toBe(EXIT.badInput);
  });

  it('writes the same demo every time', async () => {
    const before = readFileSync(demo('library-route-3'), 'utf8');
    await call('demo', directory);
    expect(readFileSync(demo('library-route-3'), 'utf8')).toBe(before);
  });
});
