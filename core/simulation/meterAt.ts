import { circuitById } from '../model/vehicle/lookUp.ts';
import { CONTROLS_OFF, type Controls } from './controls.ts';
import { feedDuty } from './duty.ts';
import type { Fitment } from './fitment.ts';
import type { VehicleSimulation } from './vehicleSimulation.ts';

/** A digital meter on volts (IEC 61010 hand meters; the usual 10 MΩ). */
export const VOLTMETER_OHMS = 1e7;
/** An ohmmeter's own volts and the ohms behind them (typical): too little to warm a filament. */
const OHMMETER = { volts: 0.3, ohms: 1000 };
/** More than this reads as open, ohms. */
export const OPEN_FROM_OHMS = 1e5;

/** A bimetal opens and closes by itself; a meter sees it do so, or nothing where it is out of its socket: a contact like the rest. */
export function asContact(fitment: Fitment): Fitment {
  const { flasher } = fitment;
  return flasher.kind === 'thermal' ? { ...fitment, flasher: { ...flasher, underloaded: 'fast' } } : fitment;
}

/** Where a probe is held: a node, and the circuits it belongs to. */
export interface ProbeAt {
  node: string;
  about: readonly string[];
  /** those of them that feed it: by their pulses the mean goes; all of them where left out */
  own?: readonly string[];
}

/** Volts to earth with the meter in circuit, while what flashes is lit and while it is dark. */
export interface MeteredVolts {
  lit: number;
  dark: number;
  /** what a meter that takes the mean of pulses shows of each */
  meanLit: number;
  meanDark: number;
}

/**
 * What a voltmeter shows at a node: the meter's own resistance in circuit, the mean of a pulsed feed.
 *
 * @param relay whether it is held to the flasher itself, whose terminals are read with its contact open
 * @throws NoSolutionError when no steady state exists
 */
export function voltsAt(
  simulation: VehicleSimulation,
  { node, about, own = about }: ProbeAt,
  { controls, emfVolts, relay = false }: { controls: Controls; emfVolts: number; relay?: boolean },
): MeteredVolts {
  const meter = { node, ohms: VOLTMETER_OHMS, volts: 0 };
  const read = (of: Controls, lit: boolean) =>
    simulation.metered(meter, { controls: of, emfVolts, lit: lit && !relay }, about);
  const lit = read(controls, true);
  const dark = read(controls, false);
  const circuits = own.map((id) => circuitById(simulation.vehicle, id));
  const duty = feedDuty(simulation.vehicle, circuits, controls, emfVolts);
  const rest = duty < 1 ? read(CONTROLS_OFF, false) : 0;
  const mean = (volts: number) => duty * volts + (1 - duty) * rest;
  return { lit, dark, meanLit: mean(lit), meanDark: mean(dark) };
}

/**
 * What an ohmmeter shows between a node and earth. Nothing feeds the vehicle meanwhile; a switch is closed all the same.
 *
 * @returns Ω, infinite where it reads open
 * @throws NoSolutionError when no steady state exists
 */
export function ohmsAt(simulation: VehicleSimulation, { node, about }: ProbeAt, controls: Controls): number {
  const at = simulation.metered({ node, ...OHMMETER }, { controls, emfVolts: 0, lit: false }, about);
  const ohms = at / ((OHMMETER.volts - at) / OHMMETER.ohms);
  return ohms > OPEN_FROM_OHMS || ohms < 0 ? Number.POSITIVE_INFINITY : ohms;
}
