import { controlsFor } from '../../simulation/moment.ts';
import { workingPoints } from '../workingPoints.ts';
import type { FindingOf } from './findingOf.ts';
import type { Scene } from './scene.ts';

/** A charge lamp that lets too little through, A and V. */
export type ExcitationFinding = FindingOf<
  'excitation',
  { amps: number; neededAmps: number; atVolts: number }
>;

/** A charge lamp must let enough through on a tired battery to start the alternator. */
export function excitationRequirement({ vehicle, circuit, fitted, tolerance }: Scene): ExcitationFinding[] {
  const { excite } = circuit;
  if (!excite) return [];
  const [tired] = workingPoints(vehicle.systemVolts);
  const emfVolts = tired?.volts ?? vehicle.systemVolts;
  const flows = fitted.simulation
    .at({ controls: controlsFor(circuit), emfVolts, resistorFactor: 1 + tolerance }, [circuit.id])
    .wireAmps(circuit.id);
  return flows < excite.amps
    ? [
        {
          requirement: 'excitation',
          state: 'falls-short',
          amps: flows,
          neededAmps: excite.amps,
          atVolts: emfVolts,
        },
      ]
    : [];
}
