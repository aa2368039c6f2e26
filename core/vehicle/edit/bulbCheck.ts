import { testVolts } from '../../judge/workingPoints.ts';
import type { CircuitKind } from '../../model/vehicle/circuit.ts';
import type { BulbCheckModule } from '../../model/vehicle/flasher.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { middleAmps } from './assumed.ts';

/** What such modules mostly watch (common practice). */
const WATCHED: readonly CircuitKind[] = ['stop', 'tail', 'plate'];

/** A bulb-check module as most are: stop, tail and plate lamps, its thresholds assumed until something is seen. */
export function typicalBulbCheck(vehicle: Vehicle): BulbCheckModule {
  const atVolts = testVolts(vehicle.systemVolts);
  return {
    name: 'bulb-check module',
    blankingSeconds: 0.3,
    watches: vehicle.circuits
      .filter((circuit) => WATCHED.includes(circuit.kind))
      .map((circuit) => ({
        circuitId: circuit.id,
        simulated: {
          amps: Math.max(0.01, middleAmps(vehicle, circuit, atVolts)),
          atVolts,
          law: 'filament',
          assumed: true,
        },
        message: `${circuit.name} lamp failure`,
      })),
  };
}
