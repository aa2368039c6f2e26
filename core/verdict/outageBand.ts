import type { Job } from '../model/job.ts';
import type { TurnCircuit } from '../model/vehicle.ts';
import { healthyStock } from '../vehicle/fitment.ts';
import { TurnNetwork } from '../vehicle/turnNetwork.ts';

/** Between these currents the watcher's threshold must lie, A. */
export interface OutageBand {
  /** with one main lamp missing it must call, so the threshold is above this */
  lowAmps: number;
  /** with all lit it must stay quiet, so the threshold is not above this */
  highAmps: number;
  /** the main lamp whose absence leaves the most current */
  missingLampId: string;
}

/**
 * The band a relay's threshold can be in, at one supply voltage. A maker sets it so that the loss of ANY
 * one main lamp is called; the loss of the smallest leaves the most current, so that sets the lower edge.
 *
 * @param healthy the vehicle with its stock bulbs, none dead: a faulted one would give a false band
 * @throws RangeError when the circuit has no main lamp
 */
export function outageBand(healthy: TurnNetwork, circuit: TurnCircuit, emfVolts: number): OutageBand {
  const sides = [circuit.side];
  const highAmps = healthy.solve({ emfVolts, sides }).watchedAmps;
  const mains = circuit.lampIds.filter((id) => healthy.lamp(id).role === 'main');
  let lowAmps = Number.NEGATIVE_INFINITY;
  let missingLampId = '';
  for (const id of mains) {
    const amps = healthy.solve({ emfVolts, sides, without: id }).watchedAmps;
    if (amps > lowAmps) {
      lowAmps = amps;
      missingLampId = id;
    }
  }
  if (missingLampId === '') {
    throw new RangeError(
      `The ${circuit.side} turn circuit has no main lamp, so nothing tells its band. Mark one.`,
    );
  }
  return { lowAmps, highAmps, missingLampId };
}

/** The bands of one healthy vehicle, each worked out once: every state and hazard ask for the same ones. */
export class HealthyBands {
  private readonly network: TurnNetwork;
  private readonly known = new Map<string, OutageBand>();

  /** @throws UnknownReferenceError when the job names a bulb that is not known */
  constructor(job: Job) {
    this.network = new TurnNetwork(job.vehicle, healthyStock(job));
  }

  /** @throws RangeError when the circuit has no main lamp */
  at(circuit: TurnCircuit, emfVolts: number): OutageBand {
    const key = `${circuit.id} ${emfVolts}`;
    let band = this.known.get(key);
    if (!band) {
      band = outageBand(this.network, circuit, emfVolts);
      this.known.set(key, band);
    }
    return band;
  }
}
