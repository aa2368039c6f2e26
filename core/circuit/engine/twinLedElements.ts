import type { LedPart } from '../../model/part.ts';
import { forwardVolts } from './junction.ts';
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
  | { kind: 'shared-converter'; watts: number; startVolts: number; dimWatts?: number };

/** What an unknown topology may turn out to be. */
export const TOPOLOGIES = ['own-resistors', 'shared-regulator', 'shared-converter'] as const;
export type KnownTopology = (typeof TOPOLOGIES)[number];

/** The same part with its topology supposed, its string taken as a usual one where its ballast says otherwise. */
export function supposing(part: LedPart, topology: KnownTopology): LedPart {
  if (!part.twin) return part;
  const ballast: LedPart['ballast'] =
    topology === 'shared-converter'
      ? { kind: 'converter', startVolts: part.ballast.kind === 'converter' ? part.ballast.startVolts : 8 }
      : {
          kind: topology === 'own-resistors' ? 'series-resistor' : 'constant-current',
          forwardVolts: part.ballast.kind === 'converter' ? part.atVolts / 2 : part.ballast.forwardVolts,
        };
  return { ...part, ballast, twin: { ...part.twin, topology } };
}

/**
 * What a part of unknown inside may be, what its ballast suggests first: so many watts leave a small string no room for its
 * resistors, and are then a converter's.
 */
export function possibleTopologies(part: LedPart): KnownTopology[] {
  const { ballast } = part;
  const suggested: KnownTopology =
    ballast.kind === 'converter'
      ? 'shared-converter'
      : ballast.kind === 'constant-current'
        ? 'shared-regulator'
        : 'own-resistors';
  return TOPOLOGIES.filter((topology) => {
    try {
      twinTopology(supposing(part, topology));
      return true;
    } catch (error) {
      if (error instanceof RangeError) return false;
      throw error;
    }
  }).toSorted((a, b) => Number(b === suggested) - Number(a === suggested));
}

/** Dynamic resistance of a twin bulb's chips, ohms (typical). */
const CHIP_OHMS = { 'own-resistors': 8, 'shared-regulator': 3 } as const;

/**
 * The topology of a part with its values worked out from what is printed: each input alone draws its printed
 * watts.
 *
 * @throws RangeError when the string needs more volts than the printed ones leave
 */
export function twinTopology(part: LedPart): TwinTopology {
  const { twin, atVolts, ballast } = part;
  // What a load inside takes at the bright feed is in the printed watts.
  const watts = part.watts - (part.builtInLoadOhms ? atVolts ** 2 / part.builtInLoadOhms : 0);
  if (!(watts > 0))
    throw new RangeError(
      `${part.code}: its built-in load alone would draw more than the ${part.watts} W printed`,
    );
  if (!twin) throw new RangeError(`${part.code} has one level only`);
  if (twin.topology === 'unknown')
    return twinTopology(supposing(part, possibleTopologies(part)[0] ?? 'shared-converter'));
  if (twin.topology === 'shared-converter') {
    return {
      kind: 'shared-converter',
      watts,
      startVolts: ballast.kind === 'converter' ? ballast.startVolts : 8,
      dimWatts: twin.dimWatts,
    };
  }
  if (ballast.kind === 'converter')
    throw new RangeError(
      `${part.code}: a converter has no string volts, so its topology is shared-converter`,
    );
  const stringOhms = CHIP_OHMS[twin.topology];
  const amps = watts / atVolts;
  const dimAmps = twin.dimWatts / atVolts;
  const left = (at: number) =>
    atVolts -
    forwardVolts(INPUT_DIODE, at) -
    ballast.forwardVolts -
    (twin.topology === 'shared-regulator' ? REGULATOR_KNEE : 0);
  const dimOhms = left(dimAmps) / dimAmps - stringOhms;
  // A regulated bulb keeps room for its regulator; the rest is what its small resistor takes (typical 6 Ω).
  const brightOhms = twin.topology === 'own-resistors' ? left(amps) / amps - stringOhms : 6;
  if (!(dimOhms > 0 && brightOhms > 0 && left(amps) > amps * (stringOhms + brightOhms) - 1e-9)) {
    throw new RangeError(
      `${part.code}: its string needs ${ballast.forwardVolts} V, so it cannot draw its printed watts at ${atVolts} V`,
    );
  }
  const common = { brightOhms, dimOhms, forwardVolts: ballast.forwardVolts, stringOhms };
  return twin.topology === 'own-resistors'
    ? { kind: 'own-resistors', ...common, atAmps: amps }
    : { kind: 'shared-regulator', ...common, amps };
}

/**
 * The inside of a twin-level LED part.
 *
 * @param brightControl contact that is closed while the bright feed is on: a converter listens to it
 */
export function twinLedElements(
  part: LedPart,
  id: string,
  bright: string,
  dim: string,
  earth: string,
  brightControl: string,
): Element[] {
  const inside = twinElements(twinTopology(part), id, bright, dim, earth, brightControl);
  if (!part.builtInLoadOhms) return inside;
  return [...inside, { kind: 'resistor', id: `${id}.load`, a: bright, b: earth, ohms: part.builtInLoadOhms }];
}

/** The inside of a twin-level LED bulb between its bright contact, its dim contact and earth. */
export function twinElements(
  topology: TwinTopology,
  id: string,
  bright: string,
  dim: string,
  earth: string,
  brightControl?: string,
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
    const { watts, startVolts, dimWatts } = topology;
    const level =
      dimWatts === undefined || brightControl === undefined
        ? {}
        : { dim: { watts: dimWatts, control: brightControl } };
    return [
      diode('d1', bright, joint),
      diode('d2', dim, joint),
      bleed,
      { kind: 'converter', id: `${id}.converter`, a: joint, b: earth, watts, startVolts, ...level },
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
