import { bulbById, signalFilament } from '../../catalogue/bulbs.ts';
import { thresholdAt } from '../../devices/threshold.ts';
import { testVolts } from '../../judge/workingPoints.ts';
import type { FilamentRating } from '../../model/bulb.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import type { LampInput } from '../../model/vehicle/lamp.ts';
import { lampById, turnCircuits } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { worksRange } from '../../simulation/worksLed.ts';
import { sizeOpenFuses } from './openFuses.ts';

/**
 * What nobody has read or measured, as it follows from the listed lamps: thresholds of watchers and ratings of fuses.
 *
 * @param vehicle changed in place
 */
export function retuneAssumed(vehicle: Vehicle): void {
  retuneWatchers(vehicle);
  sizeOpenFuses(vehicle);
}

/**
 * Sets every assumed threshold to the middle of what it can be: between the listed bulbs all lit and the smallest main
 * one missing. The traces need one figure for a watcher nobody has measured; the verdict never looks at it.
 *
 * @param vehicle changed in place
 */
function retuneWatchers(vehicle: Vehicle): void {
  const { flasher, bulbCheck } = vehicle;
  const watchers = [
    ...(flasher.kind === 'controller'
      ? flasher.outputs.map((output) => ({
          circuitId: output.circuitId,
          threshold: output.watch?.simulatedFilament,
        }))
      : []),
    ...(bulbCheck?.watches.map(({ circuitId, simulated }) => ({ circuitId, threshold: simulated })) ?? []),
  ];
  for (const { circuitId, threshold } of watchers) {
    const circuit = vehicle.circuits.find((each) => each.id === circuitId);
    if (!circuit || !threshold?.assumed) continue;
    threshold.atVolts = testVolts(vehicle.systemVolts);
    threshold.amps = Math.max(0.01, middleAmps(vehicle, circuit, threshold.atVolts));
  }
}

/**
 * What the listed lamps of one side draw together at the bulb standard's volts, A: a thermal flasher left the works
 * made for just that.
 */
export function listedSideAmps(vehicle: Vehicle): number {
  const circuit = turnCircuits(vehicle)[0];
  if (!circuit) return 0;
  const drawn = drawnBy(vehicle, circuit, testVolts(vehicle.systemVolts));
  return drawn.reduce((sum, each) => sum + each.amps, 0);
}

/**
 * Halfway between the listed lamps of a circuit all lit and the smallest main one missing, A.
 *
 * @throws RangeError when the circuit names a lamp the vehicle does not have
 */
export function middleAmps(vehicle: Vehicle, circuit: Circuit, atVolts: number): number {
  const drawn = drawnBy(vehicle, circuit, atVolts);
  const all = drawn.reduce((sum, each) => sum + each.amps, 0);
  const smallest = Math.min(...drawn.filter((each) => each.main).map((each) => each.amps));
  return Number((all - (Number.isFinite(smallest) ? smallest : all) / 2).toFixed(3));
}

function drawnBy(vehicle: Vehicle, circuit: Circuit, atVolts: number): { main: boolean; amps: number }[] {
  return circuit.feeds.flatMap(({ lampId, input }) => {
    const lamp = lampById(vehicle, lampId);
    // No maker reckoned with what is added.
    if (lamp.added) return [];
    if (lamp.works) {
      const [least, most] = worksRange(vehicle, lamp, input);
      return { main: lamp.role === 'main' && lamp.works.faultLine !== true, amps: (least + most) / 2 };
    }
    const rating = filamentOf(lamp.stockBulb, input);
    return {
      main: lamp.role === 'main',
      amps: rating
        ? thresholdAt({ amps: rating.amps, atVolts: rating.testVolts, law: 'filament' }, atVolts)
        : 0,
    };
  });
}

function filamentOf(bulbId: string, input: LampInput): FilamentRating | undefined {
  const bulb = bulbById(bulbId);
  if (!bulb) return undefined;
  return input === 'dim' ? bulb.filaments.find((each) => each.role === 'dim') : signalFilament(bulb);
}
