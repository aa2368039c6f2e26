import { watcherOf } from '../../judge/requirements/watch.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import { circuitById } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { outputOf } from '../../simulation/controls.ts';
import { retuneAssumed } from './assumed.ts';
import { typicalWatch } from './circuits.ts';

/** What is known of who watches one circuit, as the watch map shows it. */
export interface WatchRow {
  circuit: Circuit;
  /** who does, where that is known: `the controller`, `bulb-check module` */
  by: string | null;
  watched: boolean | null;
  /** whether it is told elsewhere: of a flasher, or of a module that lists what it watches */
  toldElsewhere: boolean;
  /** whether its controller can be told of LEDs; undefined where nothing there could be */
  canSetLed: boolean | null | undefined;
  /** whether it is set to LED already */
  setLed: boolean;
  /** whether its output pulses, and lets something through while off; undefined where there is no output */
  pulsed: boolean | null | undefined;
  leaks: boolean | null | undefined;
  /** share of the time a dimmed feed is on; null where none is known to be */
  duty: number | null;
}

/** Every circuit of a vehicle with what is known of its watcher. */
export function watchMap(vehicle: Vehicle): WatchRow[] {
  return vehicle.circuits.map((circuit) => {
    const output = outputOf(vehicle, circuit);
    const by = watcherOf(vehicle, vehicle.flasher, circuit);
    return {
      circuit,
      by,
      watched: by !== null || (circuit.watched === null ? null : false),
      toldElsewhere: circuit.kind === 'turn' || (by !== null && !output?.watch && !circuit.watched),
      canSetLed: output?.watch?.canSetLed,
      setLed: output?.watch?.setting === 'led',
      pulsed: output && (output.pwm ? true : output.notPulsed ? false : null),
      leaks: output && (output.leakOhms ? true : output.leakFree ? false : null),
      duty: output?.pwm?.to === 'dim' ? output.pwm.duty : null,
    };
  });
}

/**
 * Says who watches a circuit that does not flash: something, nothing, or that nobody knows.
 *
 * @param vehicle changed in place
 * @throws RangeError when the vehicle has no such circuit
 */
export function setWatched(vehicle: Vehicle, circuitId: string, watched: boolean | null): void {
  const circuit = circuitById(vehicle, circuitId);
  const output = outputOf(vehicle, circuit);
  if (output && watched !== false) output.watch ??= typicalWatch(circuit);
  else if (output) delete output.watch;
  // What a module watches is told by the module; this is of what is beside it.
  if (output ? watched === null : watched !== false) circuit.watched = watched;
  else delete circuit.watched;
  retuneAssumed(vehicle);
}

/**
 * Says whether the controller can be told that LEDs are on an output.
 *
 * @param vehicle changed in place
 * @throws RangeError when the vehicle has no such circuit
 */
export function setCanSetLed(vehicle: Vehicle, circuitId: string, can: boolean | null): void {
  const output = outputOf(vehicle, circuitById(vehicle, circuitId));
  if (output?.watch) output.watch.canSetLed = can;
}

/**
 * Says whether an output is set to LED already, by the works or by who was there before: then it can be, and nothing is to be
 * written.
 *
 * @param vehicle changed in place
 * @throws RangeError when the vehicle has no such circuit
 */
export function setAlreadyLed(vehicle: Vehicle, circuitId: string, set: boolean): void {
  const { watch } = outputOf(vehicle, circuitById(vehicle, circuitId)) ?? {};
  if (!watch) return;
  watch.setting = set ? 'led' : 'filament';
  if (set) watch.canSetLed = true;
}

/** A dimmed tail of most controllers, and what others hold their lamps at (typical). */
const DIMMED = { to: 'dim', hertz: 100, duty: 0.22 } as const;
const HELD = { to: 'hold', hertz: 100 } as const;
const HELD_VOLTS = 12.8;
/** What an output that leaks lets through while off, ohms at 12 V (typical). */
const LEAK_OHMS = 5600;

/**
 * Says whether an output pulses: yes takes what is typical of its work, no and unknown take it off.
 *
 * @param vehicle changed in place
 * @throws RangeError when the vehicle has no such circuit
 */
export function setPulsed(vehicle: Vehicle, circuitId: string, pulsed: boolean | null): void {
  const circuit = circuitById(vehicle, circuitId);
  const output = outputOf(vehicle, circuit);
  if (!output) return;
  if (pulsed)
    output.pwm ??=
      circuit.kind === 'tail'
        ? { ...DIMMED }
        : { ...HELD, holdVolts: HELD_VOLTS * (vehicle.systemVolts / 12) };
  else delete output.pwm;
  if (pulsed === false) output.notPulsed = true;
  else delete output.notPulsed;
}

/**
 * Says whether an output lets something through while it is off.
 *
 * @param vehicle changed in place
 * @throws RangeError when the vehicle has no such circuit
 */
export function setLeaks(vehicle: Vehicle, circuitId: string, leaks: boolean | null): void {
  const output = outputOf(vehicle, circuitById(vehicle, circuitId));
  if (!output) return;
  if (leaks) output.leakOhms ??= LEAK_OHMS * (vehicle.systemVolts / 12) ** 2;
  else delete output.leakOhms;
  if (leaks === false) output.leakFree = true;
  else delete output.leakFree;
}
