import { chargingVolts } from '../../judge/workingPoints.ts';
import type { Configuration } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import { CONTROLS_OFF, outputOf } from '../../simulation/controls.ts';
import { fitmentOf } from '../../simulation/fitment.ts';
import { ledEmitterAt, SEEN_GLOW } from '../../simulation/lampLight.ts';
import { controlsFor } from '../../simulation/moment.ts';
import { afterglowSeconds } from '../../simulation/pulsedFeed.ts';
import { VehicleSimulation } from '../../simulation/vehicleSimulation.ts';

/** What a controller does to an LED whose circuit is off. */
export interface WhileOff {
  circuitId: string;
  lampId: string;
  /** of its rated light, from what the output lets through; null where it lets nothing through */
  leakShare: number | null;
  /** test pulses: how often, how long, and how long the LED shows each; null where it is not tested */
  coldCheck: { everySeconds: number; pulseSeconds: number; shownSeconds: number } | null;
}

/**
 * Leakage and test pulses of each output with an LED on it, in one of the job's states, key on.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 * @throws NoSolutionError when a circuit cannot be solved
 */
export function whileOff(job: Job, shelf: Shelf, configuration: Configuration): WhileOff[] {
  const fitment = fitmentOf(job, shelf, configuration);
  const simulation = new VehicleSimulation(job.vehicle, fitment);
  const emfVolts = chargingVolts(job.vehicle.systemVolts);
  return job.vehicle.circuits.flatMap((circuit: Circuit): WhileOff[] => {
    const output = outputOf(job.vehicle, circuit);
    if (!output?.leakOhms && !output?.coldCheck) return [];
    return circuit.feeds.flatMap(({ lampId, input }) => {
      const emitter = ledEmitterAt(job.vehicle, fitment, lampId, input);
      if (!emitter) return [];
      const off = { ...CONTROLS_OFF, key: 'on' as const };
      const resting = simulation.at({ controls: off, emfVolts }, [circuit.id]);
      const { coldCheck } = output;
      return [
        {
          circuitId: circuit.id,
          lampId,
          leakShare: output.leakOhms ? resting.light(lampId, input) : null,
          coldCheck: coldCheck
            ? {
                ...coldCheck,
                shownSeconds:
                  coldCheck.pulseSeconds +
                  afterglowSeconds(simulation, controlsFor(circuit), emfVolts, circuit.id, emitter, {
                    onSeconds: coldCheck.pulseSeconds,
                    dark: SEEN_GLOW,
                  }),
              }
            : null,
        },
      ];
    });
  });
}
