import { watcherOf } from '../../judge/requirements/watch.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import { circuitById } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { outputOf } from '../../simulation/controls.ts';
import { retuneWatchers } from './assumed.ts';
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
  /** share of the time a dimmed feed is on; null where it is not pulsed, or nobody knows */
  pulsed: number | null;
  /** what its output lets through while off, ohms to the supply; null where nothing is known to */
  leakOhms: number | null;
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
      pulsed: output?.pwm?.to === 'dim' ? output.pwm.duty : null,
      leakOhms: output?.leakOhms ?? null,
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
  if (output && watched === true) output.watch ??= typicalWatch(circuit);
  else if (output) delete output.watch;
  // What a module watches is told by the module; this is of what is beside it.
  if (output ? watched === null : watched !== false) circuit.watched = watched;
  else delete circuit.watched;
  retuneWatchers(vehicle);
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
