import { INPUT_DIODE, ledString, REGULATOR_KNEE } from './ledElements.ts';
import type { Element } from './netlist.ts';
import { FLOATING_OHMS } from './netlist.ts';

/**
 * How a twin-level LED bulb joins its bright and its dim input to one string; a datum of the part, and where
 * it is not known each must be tried. It decides what the bright feed still draws while the tail is on.
 */
export type TwinTopology =
  /** each input through a resistor of its own into the string */
  | {
      kind: 'own-resistors';
      brightOhms: number;
      dimOhms: number;
      forwardVolts: number;
      stringOhms: number;
      atAmps: number;
    }
  /** both through resistors into a string on one low-side regulator, which shares its current between them */
  | {
      kind: 'shared-regulator';
      brightOhms: number;
      dimOhms: number;
      forwardVolts: number;
      stringOhms: number;
      amps: number;
    }
  /** both through diodes into one converter: whichever feed is higher carries it */
  | { kind: 'shared-converter'; watts: number; startVolts: number };

/** The inside of a twin-level LED bulb between its bright contact, its dim contact and earth. */
export function twinLedElements(
  topology: TwinTopology,
  id: string,
  bright: string,
  dim: string,
  earth: string,
): Element[] {
  const joint = `${id}.joint`;
  const behindBright = `${id}.bright`;
  const behindDim = `${id}.dim`;
  const diode = (name: string, a: string, b: string): Element => ({
    kind: 'diode',
    id: `${id}.${name}`,
    a,
    b,
    ...INPUT_DIODE,
  });
  const bleed: Element = { kind: 'resistor', id: `${id}.bleed`, a: joint, b: earth, ohms: FLOATING_OHMS };
  if (topology.kind === 'shared-converter') {
    const { watts, startVolts } = topology;
    return [
      diode('d1', bright, joint),
      diode('d2', dim, joint),
      bleed,
      { kind: 'converter', id: `${id}.converter`, a: joint, b: earth, watts, startVolts },
    ];
  }
  const amps = topology.kind === 'own-resistors' ? topology.atAmps : topology.amps;
  const below = topology.kind === 'own-resistors' ? earth : `${id}.below`;
  const string = ledString(`${id}.led`, `${id}.string`, below, topology.forwardVolts, amps);
  const inputs: Element[] = [
    diode('d1', bright, behindBright),
    { kind: 'resistor', id: `${id}.r1`, a: behindBright, b: joint, ohms: topology.brightOhms },
    diode('d2', dim, behindDim),
    { kind: 'resistor', id: `${id}.r2`, a: behindDim, b: joint, ohms: topology.dimOhms },
    bleed,
    // The dynamic resistance of the chips: it is what lets one input lift the string for the other.
    { kind: 'resistor', id: `${id}.chips`, a: joint, b: `${id}.string`, ohms: topology.stringOhms },
    string,
  ];
  if (topology.kind === 'own-resistors') return inputs;
  return [
    ...inputs,
    {
      kind: 'regulator',
      id: `${id}.regulator`,
      a: below,
      b: earth,
      amps: topology.amps,
      kneeVolts: REGULATOR_KNEE,
    },
  ];
}
