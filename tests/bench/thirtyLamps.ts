import { bulbById, signalFilament } from '../../core/catalogue/bulbs.ts';
import { EARTH, type Element, type Netlist } from '../../core/circuit/engine/netlist.ts';

/** Thirty lamps in five feeds from one battery, each with lead, earth and filament: a whole vehicle's worth. */
export function thirtyLamps(): Netlist {
  const elements: Element[] = [
    { kind: 'battery', id: 'battery', a: '30', b: EARTH, volts: 12.6, ohms: 0.015 },
  ];
  const bulbs = ['P21W', 'PY21W', 'W5W', 'R5W', 'W16W', 'C5W'];
  for (let feed = 0; feed < 5; feed += 1) {
    const bus = `bus${feed}`;
    elements.push(
      { kind: 'resistor', id: `fuse${feed}`, a: '30', b: `fused${feed}`, ohms: 0.006 },
      {
        kind: 'switch',
        id: `contact${feed}`,
        a: `fused${feed}`,
        b: bus,
        control: feed < 2 ? 'flasher' : 'lights',
        closedOhms: 0.01,
      },
      { kind: 'resistor', id: `leak${feed}`, a: bus, b: EARTH, ohms: 1e6 },
    );
    bulbs.forEach((id, lamp) => {
      const bulb = bulbById(id);
      if (!bulb) throw new Error(id);
      const name = `lamp${feed}-${lamp}`;
      elements.push(
        { kind: 'resistor', id: `${name}-lead`, a: bus, b: name, ohms: 0.08 },
        { kind: 'resistor', id: `${name}-return`, a: `${name}-e`, b: EARTH, ohms: 0.02 },
        { kind: 'filament', id: name, a: name, b: `${name}-e`, rating: signalFilament(bulb) },
      );
    });
  }
  return { title: 'thirty lamps', elements };
}
