import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import type { ResistorNetwork } from '../../model/cures.ts';
import type { ResistorPart } from '../../model/part.ts';
import { leadReach } from './mounting.ts';

const part: ResistorPart = {
  kind: 'resistor',
  id: 'r',
  code: 'R',
  name: 'resistor',
  ohms: 6,
  watts: 50,
  tolerance: 0.05,
  price: 1,
  stock: 1,
};
const network = (lampId: string, partId: string | null = 'r'): ResistorNetwork => ({
  lampId,
  connection: 'parallel',
  pieces: [{ partId, ohms: 6, watts: 50, tolerance: 0.05 }],
});
const vanWith = (metalWithinMm?: number) => {
  const vehicle = structuredClone(demoJob('library-route-3').vehicle);
  for (const lamp of vehicle.lamps) {
    const { metalWithinMm: _, ...room } = lamp.room ?? {};
    lamp.room = metalWithinMm === undefined ? room : { ...room, metalWithinMm };
  }
  return vehicle;
};

describe('leadReach', () => {
  it('leaves 40 mm for joint and bend, at the edge', () => {
    const reaches = (metal: number) =>
      leadReach(vanWith(metal), [{ ...part, leadsMm: 220 }], [network('rear-left')])[0]?.reaches;
    expect(reaches(180)).toBe(true);
    expect(reaches(181)).toBe(false);
  });

  it('takes the usual length where none is printed, and says so', () => {
    const [reach] = leadReach(vanWith(120), [part], [network('rear-left')]);
    expect(reach).toMatchObject({ leadsMm: 150, printed: false, reaches: false });
    expect(reach?.text).toMatch(/150 mm \(typical\).*lengthen them/);
    expect(leadReach(vanWith(100), [], [network('rear-left', null)])[0]?.reaches).toBe(true);
  });

  it('does not guess where nobody has measured', () => {
    const [reach] = leadReach(vanWith(), [part], [network('rear-left')]);
    expect(reach?.reaches).toBeNull();
    expect(reach?.text).toMatch(/has not been measured: hold the resistor there/);
  });

  it('tells each lamp once, by its shortest leads', () => {
    const long = { ...part, id: 'long', leadsMm: 400 };
    const short = { ...part, leadsMm: 90 };
    const found = leadReach(
      vanWith(60),
      [long, short],
      [network('rear-left', 'long'), network('rear-left'), network('front-left', 'long')],
    );
    expect(found.map((each) => [each.lampId, each.leadsMm, each.reaches])).toEqual([
      ['rear-left', 90, false],
      ['front-left', 400, true],
    ]);
  });
});
