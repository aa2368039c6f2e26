import { Circuit as SolvedCircuit } from '../../circuit/engine/circuit.ts';
import type { Job, Stage } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import { ledEmitterAt, SEEN_GLOW } from '../../rehearsal/lampLight.ts';
import { afterglowSeconds } from '../../rehearsal/pulsedFeed.ts';
import { contactsOf } from '../../vehicle/contacts.ts';
import { CONTROLS_OFF, outputOf } from '../../vehicle/controls.ts';
import { coupledCircuits } from '../../vehicle/coupled.ts';
import { fitmentOf } from '../../vehicle/fitment.ts';
import { controlsFor } from '../../vehicle/steadyNetwork.ts';
import { vehicleNetlist } from '../../vehicle/vehicleNetlist.ts';
import { chargingVolts } from '../../verdict/workingPoints.ts';

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
export function whileOff(job: Job, shelf: Shelf, stage: Stage): WhileOff[] {
  const fitment = fitmentOf(job, shelf, stage);
  const emfVolts = chargingVolts(job.vehicle.systemVolts);
  return job.vehicle.circuits.flatMap((circuit: Circuit): WhileOff[] => {
    const output = outputOf(job.vehicle, circuit);
    if (!output?.leakOhms && !output?.coldCheck) return [];
    return circuit.feeds.flatMap(({ lampId, input }) => {
      const emitter = ledEmitterAt(job.vehicle, fitment, lampId, input);
      if (!emitter) return [];
      const off = { ...CONTROLS_OFF, key: 'on' as const };
      const resting = new SolvedCircuit(
        vehicleNetlist(job.vehicle, fitment, {
          emfVolts,
          controls: off,
          circuits: coupledCircuits(job.vehicle, [circuit.id], { earths: false }),
          fusesHold: true,
        }),
      );
      resting.setControls(contactsOf(job.vehicle, fitment, off, true));
      resting.solveSteady();
      const { coldCheck } = output;
      return [
        {
          circuitId: circuit.id,
          lampId,
          leakShare: output.leakOhms ? emitter.read(resting) : null,
          coldCheck: coldCheck
            ? {
                ...coldCheck,
                shownSeconds:
                  coldCheck.pulseSeconds +
                  afterglowSeconds(
                    job.vehicle,
                    fitment,
                    controlsFor(circuit),
                    emfVolts,
                    circuit.id,
                    emitter,
                    {
                      onSeconds: coldCheck.pulseSeconds,
                      dark: SEEN_GLOW,
                    },
                  ),
              }
            : null,
        },
      ];
    });
  });
}
