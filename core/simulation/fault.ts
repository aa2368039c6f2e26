import type { LampInput } from '../model/vehicle/lamp.ts';

/** Something wrong with a vehicle that its circuit feels, with its size where it has one. */
export type Fault =
  /** a one-way LED put in the wrong way round */
  | { kind: 'reversed'; lampId: string }
  /** a twin bulb half a turn out, or the two wires of its socket exchanged: bright where dim is meant */
  | { kind: 'half-turned'; lampId: string }
  /** the holders of two lamps put into each other's place */
  | { kind: 'exchanged'; lampId: string; otherId: string }
  /** an LED of the other socket wiring in a twin wedge */
  | { kind: 'wrong-wedge'; lampId: string }
  /** a bulb that is out of its socket, or an LED that is dead and open */
  | { kind: 'bulb-out'; lampId: string }
  /** one filament burnt through, the other sound */
  | { kind: 'filament-open'; lampId: string; input: LampInput }
  /** an LED dead and shorted inside, so many ohms */
  | { kind: 'led-shorted'; lampId: string; ohms: number }
  /** a socket or plug contact that resists, ohms more than it should have */
  | { kind: 'poor-contact'; lampId: string; input: LampInput; ohms: number }
  /** a lamp's own earth wire that resists */
  | { kind: 'poor-earth'; lampId: string; ohms: number }
  /** a carrier through which every lamp of a housing is earthed, corroded: they feed back through each other */
  | { kind: 'corroded-carrier'; lampIds: readonly string[]; ohms: number }
  /** a loose or rusted earth point, ohms more than it should have */
  | { kind: 'bad-earth'; earthPointId: string; ohms: number }
  /** the lead of a resistor that makes no contact, or lies on earth at both ends: it is not there */
  | { kind: 'tap-open'; lampId: string; index: number }
  /** a resistor across the other feed of a twin lamp */
  | { kind: 'tap-on-other-feed'; lampId: string; index: number }
  /** a resistor of another value: so many times its printed ohms */
  | { kind: 'resistor-value'; lampId: string; index: number; factor: number }
  /** left and right turn wires joined */
  | { kind: 'sides-bridged'; ohms: number }
  /** a feed that lets current through while off, ohms to the supply */
  | { kind: 'leakage'; circuitId: string; ohms: number }
  /** a feed chafed through to earth */
  | { kind: 'short-to-earth'; circuitId: string; ohms: number }
  /** a fuse that is blown or out */
  | { kind: 'fuse-out'; fuseId: string }
  /** a fuse of another rating in its place */
  | { kind: 'fuse-wrong'; fuseId: string; ratedAmps: number }
  /** the relay's earth is missing: it never closes; or supply and lamps are crossed: it stays closed */
  | { kind: 'relay-stuck'; closed: boolean }
  /** the screw of an adjustable relay turned right off */
  | { kind: 'screw-off' }
  /** a controller's setting that was not taken: it looks for filaments still */
  | { kind: 'setting-lost'; circuitId: string }
  /** a decoder left out before an LED on a pulsed or tested feed */
  | { kind: 'no-decoder'; lampId: string };

export type FaultKind = Fault['kind'];
