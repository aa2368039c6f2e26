import { readFileSync, writeFileSync } from 'node:fs';
import { Simulation } from 'eecircuit-engine';
import { beforeAll, describe, expect, it } from 'vitest';
import { call, demoDirectory } from './forTests.ts';
import { EXIT } from './output.ts';

const { path: inDirectory, job: demo } = demoDirectory();

describe('vumble quick', () => {
  const asked = ['quick', '--lamps', 'rear-turn', '--bulb', 'P21W', '--led', 'plain', '--watts', '3'];

  it('answers for all that nobody said, and gives what decides', async () => {
    const { code, out } = await call(...asked);
    expect(code).toBe(EXIT.fallsShort);
    expect(out).toMatch(/^Could go either way/);
    expect(out).toContain('On a relay that does not watch: normal');
    expect(out).toContain('What decides, 1 min: Hazard on');
  });

  it('takes no trial of a flash from lamps that do not flash', async () => {
    const reverse = ['quick', '--lamps', 'reverse', '--led', 'plain', '--watts', '4', '--vehicle', 'car'];
    const { code, error } = await call(...reverse, '--trial', 'fast');
    expect(code).toBe(EXIT.badInput);
    expect(error).toMatch(
      /do not flash, so that a trial of them shows normal, message, dark, glows, not fast/,
    );
    expect((await call(...reverse, '--trial', 'message')).code).not.toBe(EXIT.badInput);
  });

  it('takes a trial, and prints JSON a program can read', async () => {
    const { out } = await call(
      ...asked,
      '--trial',
      'fast,lights-off',
      '--flasher',
      'watching-relay',
      '--json',
    );
    const answer = JSON.parse(out);
    expect(answer.state).toBe('falls-short');
    expect(answer.cure.best.parts).toEqual(['1 DIPPER-3']);
  });

  it('says what to write instead of what it does not know', async () => {
    for (const [flags, words] of [
      [['--lamps', 'attic'], /--lamps is one of rear-turn/],
      [['--lamps', 'rear-turn', '--bulb', 'zzz'], /No bulb is called "zzz"/],
      [['--lamps', 'rear-turn', '--led', 'shiny'], /--led is plain/],
      [['--lamps', 'rear-turn', '--led', 'plain', '--watts', 'many'], /--watts is a number/],
      [['--lamps', 'rear-turn', '--trial', 'fast,night'], /--trial is a result/],
      [['--lamps', 'rear-turn', '--year', '19'], /--year is a year/],
      [['--lamps', 'rear-turn', '--flasher', 'clicker'], /--flasher is one of/],
    ] as const) {
      const { code, error } = await call('quick', ...flags);
      expect(code).toBe(EXIT.badInput);
      expect(error).toMatch(words);
    }
  });
});

describe('vumble check', () => {
  it('passes a good file', async () => {
    const { code, out } = await call('check', demo('library-route-2'));
    expect(code).toBe(EXIT.fine);
    expect(out).toContain('valid job');
  });

  it('refuses a broken one and one that is not there', async () => {
    const broken = inDirectory('broken.vumble.json');
    writeFileSync(
      broken,
      readFileSync(demo('library-route-2'), 'utf8').replace('"ratedAmps": 15', '"ratedAmps": "much"'),
    );
    const result = await call('check', broken);
    expect(result.code).toBe(EXIT.badInput);
    expect(result.error).toContain('ratedAmps');
    expect((await call('check', inDirectory('none.json'))).code).toBe(EXIT.badInput);
  });
});

describe('vumble netlist and solve', () => {
  const simulation = new Simulation();
  beforeAll(() => simulation.start(), 60_000);

  /** What ngspice makes of a text: its vectors' last values, and what its .meas lines found. */
  async function ngspice(text: string) {
    simulation.setNetList(text);
    const result = await simulation.runSim();
    const times = result.data.find((vector) => vector.name === 'time')?.values as number[] | undefined;
    return (name: string, atSeconds?: number): number => {
      const values = result.data.find((vector) => vector.name.toLowerCase() === name)?.values as
        | number[]
        | undefined;
      if (!values) throw new Error(`ngspice gave no ${name}`);
      if (!times || atSeconds === undefined) return values.at(-1) ?? Number.NaN;
      const after = times.findIndex((time) => time >= atSeconds);
      return values[after] ?? Number.NaN;
    };
  }

  it.each([[], ['--stage', 'stock'], ['--stage', 'leds', '--volts', '11.8']])(
    'agree in the steady state %j',
    async (...state) => {
      const text = (await call('netlist', demo('library-route-1'), ...state)).out;
      expect(text).toContain('.op');
      const value = await ngspice(text);
      const report = JSON.parse((await call('solve', demo('library-route-1'), ...state, '--json')).out);
      expect(report.flashing).toBeNull();
      for (const { name, value: ours } of report.quantities)
        expect(Math.abs(value(name) - ours)).toBeLessThan(1e-3);
    },
  );

  it.each([
    ['cured', '--left'],
    ['leds', '--hazard'],
    ['stock', '--right'],
  ])('agree while flashing, %s %s, where the relay looks', async (configuration, flag) => {
    const state = ['--stage', configuration, flag];
    const text = (await call('netlist', demo('library-route-1'), ...state)).out;
    expect(text).toMatch(/\.meas tran i_c_turn_left FIND i\(vm_c_turn_left\) AT=/);
    const value = await ngspice(text);
    const report = JSON.parse((await call('solve', demo('library-route-1'), ...state, '--json')).out);
    expect(report.flashing.ratePerMinute).toBe(configuration === 'leds' ? 176 : 88);
    for (const { name, value: ours } of report.quantities) {
      // The .meas line of each name says which vector it looks at.
      const vector = new RegExp(`\\.meas tran ${name} FIND (\\S+)`).exec(text)?.[1] ?? '';
      const theirs = value(vector, report.flashing.sampleAtSeconds);
      expect(Math.abs(ours - theirs)).toBeLessThan(Math.max(2e-3, 0.01 * Math.abs(theirs)));
    }
  });

  it.each([
    // Twice a job file went wrong: constant-current LEDs flung the solution by kilovolts, and a fuse that melts in the
    // run stayed a resistor in the text.
    ['crash-plausible', ['--stage', 'cured', '--left', '--volts', '14.839184586890042'], 0],
    ['fuse-melts-while-flashing', ['--stage', 'stock', '--left'], 1],
  ] as const)('agree on the job %s, that once went wrong', async (name, state, fuses) => {
    const file = new URL(`../tests/fixtures/cases/${name}.vumble.json`, import.meta.url).pathname;
    const solved = await call('solve', file, ...state, '--json');
    expect(solved.error).toBe('');
    const report = JSON.parse(solved.out);
    expect(report.blownFuses).toHaveLength(fuses);
    const text = (await call('netlist', file, ...state)).out;
    const value = await ngspice(text);
    for (const { name: quantity, value: ours } of report.quantities) {
      const vector = new RegExp(`\\.meas tran ${quantity} FIND (\\S+)`).exec(text)?.[1] ?? quantity;
      const theirs = value(vector, report.flashing?.sampleAtSeconds);
      expect(Number.isFinite(ours), quantity).toBe(true);
      expect(Math.abs(ours - theirs), quantity).toBeLessThan(Math.max(2e-3, 0.01 * Math.abs(theirs)));
    }
  });

  it('look at a thermal flasher at one moment, in its first flash', async () => {
    const state = ['--stage', 'stock', '--left'];
    const text = (await call('netlist', demo('courier-moped-7'), ...state)).out;
    const report = JSON.parse((await call('solve', demo('courier-moped-7'), ...state, '--json')).out);
    const { sampleAtSeconds, onSeconds, watchedAmps } = report.flashing;
    expect(sampleAtSeconds).toBeLessThan(onSeconds);
    expect(Number(/\.meas tran i_c_turn_left .* AT=(\S+)/.exec(text)?.[1])).toBeCloseTo(sampleAtSeconds, 9);
    const theirs = (await ngspice(text))('i(vm_c_turn_left)', sampleAtSeconds);
    expect(theirs).toBeGreaterThan(1);
    expect(Math.abs(watchedAmps / theirs - 1)).toBeLessThan(0.1);
    const ours = report.quantities.find((each: { name: string }) => each.name === 'i_c_turn_left').value;
    expect(Math.abs(ours / theirs - 1)).toBeLessThan(0.01);
  });

  it('take every switch of the panel', async () => {
    const amps = async (job: string, circuit: string, ...flags: string[]) => {
      const report = JSON.parse((await call('solve', demo(job), '--stage', 'stock', ...flags, '--json')).out);
      const netlist = (await call('netlist', demo(job), '--stage', 'stock', ...flags)).out;
      const name = `i(vm_c_${circuit})`;
      expect(netlist).toContain(name);
      return report.quantities.find((each: { name: string }) => each.name === name)?.value as number;
    };
    for (const [job, circuit, ...flags] of [
      ['gritter-4', 'tail_left', '--lights'],
      ['gritter-4', 'stop', '--brake'],
      ['gritter-4', 'reverse', '--reverse'],
      ['gritter-4', 'rear_fog', '--lights', '--fog'],
      ['gritter-4', 'interior', '--doors'],
      ['library-route-1', 'dash', '--lights', '--dimmed'],
    ] as const) {
      expect(await amps(job, circuit, ...flags), flags.join(' ')).toBeGreaterThan(0.05);
      expect(await amps(job, circuit), flags.join(' ')).toBeLessThan(0.003);
    }
  });

  it('refuse a hazard switch where there is none', async () => {
    const { code, error } = await call('solve', demo('courier-moped-7'), '--hazard');
    expect(code).toBe(EXIT.badInput);
    expect(error).toContain('no hazard switch');
  });

  it('print a table for people', async () => {
    const { out, code } = await call('solve', demo('library-route-1'), '--left');
    expect(code).toBe(EXIT.fine);
    expect(out).toContain('Flashing at 88.0 a minute');
    expect(out).toMatch(/i_c_turn_left +4\.\d+ A {2}Left turn, whole circuit/);
  });

  it.each([
    [['--stage', 'gold'], /stock, leds or cured/],
    [['--key', 'half'], /off, on or running/],
    [['--left', '--right'], /one stalk/],
    [['--volts', 'many'], /above 0 and up to 60/],
    [['--volts', '-3'], /volts/],
  ])('refuse %j and say what to type', async (state, reason) => {
    const { code, error } = await call('solve', demo('library-route-1'), ...state);
    expect(code).toBe(EXIT.badInput);
    expect(error).toMatch(reason);
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
    await call('demo', inDirectory('.'));
    expect(readFileSync(demo('library-route-3'), 'utf8')).toBe(before);
  });
});
