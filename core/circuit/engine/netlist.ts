import type { FilamentRating } from '../../model/bulb.ts';

/** The node every voltage is measured against. */
export const EARTH = 'earth';

interface TwoTerminal {
  /** unique in its netlist; results are asked for by it */
  id: string;
  /** the node current enters by, for a positive current */
  a: string;
  b: string;
}

/** One part of a circuit. Plain data, so that a circuit can be stored, compared and written as SPICE text. */
export type Element =
  | (TwoTerminal & { kind: 'resistor'; ohms: number })
  /** with what its plates and leads resist, in series: no real one is without */
  | (TwoTerminal & { kind: 'capacitor'; farads: number; seriesOhms: number })
  /** EMF with its internal resistance; `a` is the plus terminal. Every real source has some resistance. */
  | (TwoTerminal & { kind: 'battery'; volts: number; ohms: number })
  /** junction: I = Is·(exp(V / n·Vt) − 1), at 27 °C; `a` is the anode */
  | (TwoTerminal & { kind: 'diode'; saturationAmps: number; emission: number })
  /** linear current regulator: I = amps·tanh(V / kneeVolts) */
  | (TwoTerminal & { kind: 'regulator'; amps: number; kneeVolts: number })
  /** constant-power converter: I = watts / V above its start, nothing below; `dim.watts` while its control is off */
  | (TwoTerminal & {
      kind: 'converter';
      watts: number;
      startVolts: number;
      dim?: { watts: number; control: string };
    })
  /**
   * On a pulsed feed `duty` is the share of the time it is on. The circuit is then solved as it is in the
   * pulses; the wire, too slow to follow them, is heated by that share.
   */
  | (TwoTerminal & { kind: 'filament'; rating: FilamentRating; duty?: number })
  /**
   * Melts by τ·dθ/dt = ⟨I²⟩ / hold² − θ when θ reaches 1, and stays open. `pulsed` names the elements whose current
   * passes it in pulses only, each with its share of the time: the mean square is taken over them.
   */
  | (TwoTerminal & { kind: 'fuse'; ohms: number; ratedAmps: number; pulsed?: readonly PulsedFeed[] })
  /** contact: `closedOhms` while its control is on, open otherwise */
  | (TwoTerminal & { kind: 'switch'; control: string; closedOhms: number })
  /**
   * Thermal flasher in series with its lamps: a bimetal warmed by their current opens the contact and, cooling,
   * closes it again. Its warmth θ is measured in units of where it opens: τ·dθ/dt = (I / holdAmps)² − θ, so
   * below `holdAmps` it never opens.
   */
  | (TwoTerminal & {
      kind: 'thermal-flasher';
      closedOhms: number;
      holdAmps: number;
      closesAt: number;
      timeConstant: number;
    });

export interface PulsedFeed {
  elementId: string;
  duty: number;
}

export interface Netlist {
  title: string;
  elements: readonly Element[];
}

/** Which controls are on. A control that is not named is off. */
export type ControlState = Readonly<Record<string, boolean>>;

/** An open contact, and what a feed that hangs in the air leaks to earth, ohms: as in the SPICE text. */
export const OPEN_OHMS = 1e9;
export const FLOATING_OHMS = 1e6;

/** Series resistance of a lamp's or decoder's capacitor with its traces, ohms (typical). */
export const CAPACITOR_OHMS = 0.02;

/**
 * A blade fuse holds 1.1 times its rating for good and melts at 1.35 times within half an hour, at twice within
 * 0.15 to 5 s, at 3.5 times within 0.08 to 0.5 s (ISO 8820-3, from memory). These two figures keep all four.
 */
export const FUSE_HOLD = 1.25;
export const FUSE_SECONDS = 1.6;

/** The netlist itself is wrong: says which element. */
export class NetlistError extends Error {
  constructor(
    readonly elementId: string,
    what: string,
  ) {
    super(`Element "${elementId}": ${what}`);
    this.name = 'NetlistError';
  }
}

/**
 * Refuses a netlist in which ids repeat, or a value cannot be.
 *
 * @throws NetlistError naming the element
 */
export function checkNetlist(netlist: Netlist): void {
  const seen = new Set<string>();
  for (const element of netlist.elements) {
    if (seen.has(element.id)) throw new NetlistError(element.id, 'its id is used twice');
    seen.add(element.id);
    if (element.a === element.b) throw new NetlistError(element.id, 'both ends are on one node');
    for (const name in element) {
      const value = element[name as keyof Element] as unknown;
      if (
        typeof value === 'number' &&
        !(value < Number.POSITIVE_INFINITY && (value > 0 || name === 'volts'))
      ) {
        throw new NetlistError(element.id, `${name} is ${value}, and must be above 0`);
      }
    }
  }
}

/** All nodes but earth, in order of first use. */
export function nodesOf(netlist: Netlist): string[] {
  const nodes = new Set<string>();
  for (const { a, b } of netlist.elements) nodes.add(a).add(b);
  nodes.delete(EARTH);
  return [...nodes];
}
