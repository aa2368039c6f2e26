import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { FlasherPart } from '../model/part.ts';
import type { Flasher, RelayFunction } from '../model/vehicle/flasher.ts';
import { adjusterFor, functionOfMark, mapRelay, needsEarthWire } from './relayMapping.ts';

const relay = (id: string): FlasherPart => {
  const part = DEMO_SHELF.find((each) => each.id === id);
  if (part?.kind !== 'flasher') throw new Error(id);
  return part;
};
const withOrder = (flasher: Flasher, order: RelayFunction[] | undefined): Flasher => {
  if (flasher.kind === 'controller') return flasher;
  const { order: _, ...terminals } = flasher.terminals;
  return { ...flasher, terminals: { ...terminals, ...(order ? { order } : {}) } };
};
const van = demoJob('library-route-3').vehicle.flasher;
const moped = demoJob('courier-moped-7').vehicle.flasher;

describe('terminals of a relay', () => {
  it('P13: stand for the same by number and by letter (DIN 72552, from memory)', () => {
    for (const [mark, means] of [
      ['49', 'supply'],
      ['B', 'supply'],
      ['49a', 'lamps'],
      ['L', 'lamps'],
      ['31', 'earth'],
      ['E', 'earth'],
      ['C', 'pilot'],
      ['P', 'pilot'],
    ] as const)
      expect(functionOfMark(mark)).toBe(means);
    expect(functionOfMark('77')).toBeUndefined();
  });

  it('are joined by function, whatever they are called', () => {
    const mapped = mapRelay(van, relay('relay-dipper-3'));
    expect(mapped.adapter).toBe(false);
    expect(mapped.links.filter((link) => link.state === 'straight').map((link) => link.function)).toEqual(
      expect.arrayContaining(['supply', 'lamps', 'earth']),
    );
  });

  const standing = (order: RelayFunction[]) => ({
    stock: withOrder(van, ['supply', 'lamps', 'earth']),
    part: { ...relay('relay-dipper-3'), terminals: { supply: 'B', lamps: 'L', earth: 'E', order } },
  });

  it('crossed ones are caught by how the blades stand, whatever the order of the letters in a file', () => {
    const { stock, part } = standing(['lamps', 'supply', 'earth']);
    // A job file writes its keys in the schema's order: it must make no difference.
    for (const terminals of [
      part.terminals,
      { earth: 'E', lamps: 'L', supply: 'B', order: part.terminals.order },
    ]) {
      const mapped = mapRelay(stock, FlasherPart.parse({ ...part, terminals }));
      expect(mapped.crossed).toBe(true);
      expect(mapped.adapterLines[0]).toMatch(
        /Swap supply and lamps: 49 of the socket to B, 49a of the socket to L/,
      );
    }
  });

  it('are not crossed for being listed otherwise: L, E, B in the same places', () => {
    const { stock, part } = standing(['supply', 'lamps', 'earth']);
    const listed = { lamps: 'L', earth: 'E', supply: 'B', order: part.terminals.order };
    expect(mapRelay(stock, { ...part, terminals: listed })).toMatchObject({ crossed: false, adapter: false });
  });

  it('that nobody has compared are neither: they are to be held side by side', () => {
    const { part } = standing(['supply', 'lamps', 'earth']);
    const mapped = mapRelay(withOrder(van, undefined), part);
    expect(mapped.crossed).toBeNull();
    expect(mapped.adapter).toBe(false);
    expect(mapped.cautions.join(' ')).toMatch(/Nobody has compared how their blades stand/);
  });

  it('a missing earth is caught where the part needs one, and only there', () => {
    const needy = mapRelay(moped, relay('relay-dipper-3'));
    expect(needy.adapterLines.join(' ')).toMatch(
      /earth: the stock relay had none; the new one needs one on 31/,
    );
    expect(mapRelay(moped, relay('relay-dipper-2')).adapter).toBe(false);
    const hidden: FlasherPart = { ...relay('relay-dipper-2'), needsEarth: true };
    expect(mapRelay(moped, hidden).adapterLines.join(' ')).toMatch(/one at its case or lead/);
  });

  it('a taller relay is said not to fit under its cover', () => {
    expect(mapRelay(van, relay('relay-dipper-3'), 30).cautions.join(' ')).toMatch(
      /38 mm high and there are 30 mm/,
    );
    expect(mapRelay(van, relay('relay-dipper-3'), 40).cautions.join(' ')).not.toMatch(/would not close/);
  });
});

describe('the screw of an adjustable relay', () => {
  it('is set by where the rate lies between slowest and fastest, the way the part turns', () => {
    const part = relay('relay-dipper-2');
    expect(adjusterFor(part, 90, 0)).toMatchObject({ position: 0.5 });
    expect(adjusterFor(part, 90, 0).text).toMatch(/Turn it anticlockwise to 50 % of its way, then wait 4 s/);
    expect(adjusterFor(part, 66, 0.5).text).toMatch(/Turn it clockwise to 10 %/);
    expect(adjusterFor(part, 90, 0.5).text).toMatch(/stands right/);
    expect(() => adjusterFor(relay('relay-dipper-3'), 90, 0)).toThrow(/no adjuster/);
  });
});

describe('needsEarthWire', () => {
  it('is so where the new relay wants an earth that the old socket never had', () => {
    const { vehicle } = demoJob('library-route-1');
    const needy = { ...relay('relay-dipper-2'), needsEarth: true };
    const twoTerminals: Flasher = { ...vehicle.flasher, terminals: { supply: 'B', lamps: 'L' } } as Flasher;
    expect(needsEarthWire(twoTerminals, needy)).toBe(true);
    const { earth: _, ...without } = needy.terminals;
    expect(needsEarthWire(twoTerminals, { ...needy, needsEarth: false, terminals: without })).toBe(false);
    expect(needsEarthWire(vehicle.flasher, needy)).toBe(false);
  });
});
