import { writeFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { call, demoDirectory } from './forTests.ts';
import { EXIT } from './output.ts';

const { path: inDirectory, job: demo } = demoDirectory();

describe('vumble order, pins and wiring', () => {
  const readings = (rows: readonly string[]) => {
    const path = inDirectory(`readings-${rows.length}.csv`);
    writeFileSync(path, ['connector,cavity,on,how,volts,ohms,seen,lamp', ...rows].join('\n'));
    return path;
  };

  it('gives the order of work with its walking and its reasons', async () => {
    const { code, out } = await call('order', demo('library-route-1'), '--json');
    const { steps, route } = JSON.parse(out);
    expect(code).toBe(EXIT.fine);
    expect(route.walkMinutes).toBe(route.atLeastMinutes);
    expect(route.lampByLampMinutes).toBeGreaterThan(route.walkMinutes);
    const ids = steps.map((step: { id: string }) => step.id);
    expect(ids.filter((id: string) => id.startsWith('open-')).length).toBe(6);
    expect((await call('order', demo('library-route-1'))).out).toMatch(
      /no order of these rounds needs less; lamp by lamp/,
    );
  });

  it('finds pins from a table, asks for the next reading, and names a row it cannot use', async () => {
    const bounce = 'plug-rear-left,1,turn-left,volts,,,bouncing,';
    const path = readings([bounce, bounce, 'plug-rear-left,3,Stop,volts,12.2,,,']);
    const { code, out } = await call('pins', demo('library-route-1'), path, '--json');
    const [plug] = JSON.parse(out);
    expect(code).toBe(EXIT.fallsShort);
    expect(plug.cavities[0]).toMatchObject({ cavity: '1', does: 'left turn', proved: true, by: 'meter' });
    expect(plug.cavities[1].proved).toBe(false);
    expect(plug.next.cavity).toBeTruthy();
    const bad = await call(
      'pins',
      demo('library-route-1'),
      readings([
        'plug-rear-left,9,off,volts,1,,,',
        'nowhere,1,off,volts,1,,,',
        bounce,
        'plug-rear-left,1,off,volts,12 V,,,',
      ]),
    );
    expect(bad.code).toBe(EXIT.badInput);
    expect(bad.error).toMatch(
      /row 2: plug plug-rear-left has no cavity "9"[\s\S]*row 3: there is no plug "nowhere"[\s\S]*row 5: "12 V" is no volts/,
    );
  });

  it('takes no ohms for volts, and reads what a meter shows of an open circuit', async () => {
    const refused = await call(
      'pins',
      demo('library-route-1'),
      readings([
        'plug-rear-left,1,turn-left,volts,,12.2,,',
        'plug-rear-left,1,off,ohms-out,4.1,,,',
        'plug-rear-left,1,off,probe,4.1,,lit-bright,',
        'plug-rear-left,1,off,volts,OL,,,',
        'plug-rear-left,1,off,ohms-out,,OL,steady,',
      ]),
    );
    expect(refused.code).toBe(EXIT.badInput);
    expect(refused.error).toMatch(/row 2: its figure "12.2" stands under ohms, and it was measured by volts/);
    expect(refused.error).toMatch(/row 3: its figure "4.1" stands under volts.*ohms-out/);
    expect(refused.error).toMatch(/row 4: it has the figure "4.1", and a probe shows no figure/);
    expect(refused.error).toMatch(
      /row 5: "OL" is no volts[\s\S]*row 6: "OL" is an open circuit, and it says steady/,
    );
    const open = await call(
      'pins',
      demo('library-route-1'),
      readings(['plug-rear-left,1,off,ohms-out,,OL,,', 'plug-rear-left,2,off,ohms-out,,o.l.,,']),
      '--json',
    );
    expect(open.error).toBe('');
    expect(JSON.parse(open.out)[0].cavities[0].readings).toBe(1);
  });

  it('writes the wiring sheet of a lamp as a table and as a drawing', async () => {
    const { code, out } = await call('wiring', demo('library-route-1'), '--lamp', 'rear-left');
    expect(code).toBe(EXIT.fine);
    expect(out).toMatch(/1 +BK\/WH +1 mm² +left turn: proved by meter; 15 A fuse, flasher, turn switch/);
    expect(out).toMatch(/2 +GY\/BK .*colour only: unproved, measure/);
    const svg = await call('wiring', demo('library-route-1'), '--lamp', 'rear-left', '--svg');
    expect(svg.out).toMatch(/^<svg xmlns[\s\S]*BK\/WH 1 mm²[\s\S]*<\/svg>\s*$/);
    const lost = await call('wiring', demo('library-route-1'), '--lamp', 'none');
    expect(lost.code).toBe(EXIT.badInput);
    expect(lost.error).toContain('rear-left');
  });
});

describe('vumble solve and netlist --inject', () => {
  it('puts a fault in by its name, and lists what there is where it knows none', async () => {
    const job = demo('library-route-1');
    const volts = async (...more: string[]) => {
      const { out } = await call('solve', job, '--brake', '--json', ...more);
      const { quantities } = JSON.parse(out) as { quantities: { what: string; value: number }[] };
      return quantities.find(({ what }) => what === 'Third brake, feed contact')?.value ?? Number.NaN;
    };
    expect(await volts()).toBeGreaterThan(11);
    expect(await volts('--inject', 'fuse-out:stop-fuse')).toBeLessThan(0.1);
    expect(await volts('--inject', 'poor-contact:third-brake:main, bulb-out:rear-left')).toBeLessThan(11);
    const wrong = await call('netlist', job, '--brake', '--inject', 'gremlins');
    expect(wrong.code).toBe(EXIT.badInput);
    expect(wrong.error).toMatch(
      /knows no fault "gremlins"[\s\S]*bulb-out:rear-left +Rear left: dead, or no contact/,
    );
  });
});

describe('vumble prove and faults', () => {
  it('says what every cell should show, and the fewest that suffice', async () => {
    const { code, out } = await call('prove', demo('library-route-1'), '--json');
    const { cells, smallest, unshown } = JSON.parse(out);
    expect(code).toBe(EXIT.fine);
    const left = cells.find(({ id }: { id: string }) => id === 'turn-left');
    expect(left).toMatchObject({ say: 'Key on, left turn', expected: { flash: 'normal' } });
    expect(left.expected.lit.map(({ lamp }: { lamp: string }) => lamp)).toContain('rear-left');
    expect(smallest.length).toBeLessThan(cells.length);
    expect(unshown.length).toBeGreaterThan(0);
  });

  it('ranks causes by what was seen, and names a file or a cell it cannot use', async () => {
    const path = inDirectory('evidence.json');
    const faults = async (evidence: unknown) => {
      writeFileSync(path, JSON.stringify(evidence));
      return call('faults', demo('library-route-1'), '--evidence', path, '--json');
    };
    const { out } = await faults([
      { cell: 'turn-left', seen: 'rear-right wrong' },
      { cell: 'turn-right', seen: ['rear-left wrong', 'front-left wrong'] },
      { place: 'bulb:rear-left', found: null },
      { clue: 'came-later' },
    ]);
    const { causes, next } = JSON.parse(out);
    expect(causes[0].causes[0].id).toBe('sides-bridged');
    expect(causes[0].probability).toBeGreaterThan(0.3);
    expect(next === null || typeof next.minutes === 'number').toBe(true);
    expect((await faults([{ cell: 'nowhere', seen: null }])).error).toMatch(
      /no cell "nowhere". Cells are off, turn-left/,
    );
    expect((await faults([{ place: 'gremlins', found: null }])).error).toContain('no place "gremlins"');
    expect((await faults([{ place: 'relay', found: 'gremlins' }])).error).toContain('no fault "gremlins"');
    expect((await faults({ all: 'wrong' })).error).toContain('is no list of');
    for (const seen of [
      'gremlin dark',
      'rear-left sulks',
      'message gremlin',
      'blown gremlin',
      'flash purple',
      'rear-left dark twice',
    ]) {
      const refused = await faults([{ cell: 'turn-left', seen }]);
      expect(refused.code, seen).toBe(EXIT.badInput);
      expect(refused.error).toContain(`“${seen}” is nothing that can be seen here`);
    }
    expect((await faults([{ clue: 'wiggle', lamp: 'gremlin' }])).error).toContain('no lamp "gremlin"');
  });
});
