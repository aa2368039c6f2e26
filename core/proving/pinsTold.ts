import { circuitsTouched, kindOf, strikesOf } from '../faults/kinds.ts';
import type { PossibleFault } from '../faults/library.ts';
import type { Configuration } from '../model/cures.ts';
import type { PinReading } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { Cavity, Connector } from '../model/vehicle/connector.ts';
import { fitmentOf } from '../simulation/fitment.ts';
import { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import { functionsAt, idOfUse, type PlugFunction } from '../wiring/connectors.ts';
import { agreement, FALSE_SHARE } from '../wiring/pinFinder/agreement.ts';
import { SimulatedPins } from '../wiring/pinFinder/expected.ts';

/** What a meter showed at a cavity whose wire was proved: a fault changes it as it changes a lamp. */
export type PinTold = Pick<PinReading, 'connectorId' | 'cavity' | 'circuitId' | 'how' | 'seen' | 'quantity'>;

/**
 * Whether a reading tells of faults: volts, at a cavity that was proved to be for something. Ohms hang on what was in the
 * sockets, which a reading does not say; a colour proves no wire.
 */
export function tellsOfFaults(job: Job, { how, connectorId, cavity }: PinReading): boolean {
  const proved = provedAt(job, connectorId, cavity);
  return (how === 'volts' || how === 'peak') && proved !== null;
}

function provedAt({ vehicle }: Job, connectorId: string, cavityId: string) {
  const connector = vehicle.connectors?.find(({ id }) => id === connectorId);
  const cavity = connector?.cavities.find(({ id }) => id === cavityId);
  return connector && cavity?.use && cavity.provedBy && cavity.provedBy !== 'colour'
    ? { connector, cavity }
    : null;
}

/** How well readings of a meter go with each fault, simulated on the vehicle as it is fitted now. */
export class PinLikelihoods {
  private readonly known = new Map<string, readonly number[]>();

  /** @param configuration in which the vehicle is looked for faults in */
  constructor(
    private readonly job: Job,
    private readonly shelf: Shelf,
    private readonly faults: readonly PossibleFault[],
    private readonly configuration: Configuration = 'cured',
  ) {}

  /** How well a reading goes with each fault, in their order, and last with none: a factor, 1 where it tells nothing. */
  of(told: PinTold): readonly number[] {
    const key = JSON.stringify(told);
    const known = this.known.get(key) ?? this.workOut(told);
    this.known.set(key, known);
    return known;
  }

  private workOut(told: PinTold): readonly number[] {
    const nothing = this.faults.map(() => 1).concat(1);
    const at = provedAt(this.job, told.connectorId, told.cavity);
    const pin = at && functionOf(this.job, at.connector, at.cavity);
    if (!at || !pin) return nothing;
    const { vehicle } = this.job;
    const fitment = fitmentOf(this.job, this.shelf, this.configuration);
    const factor = (fault?: PossibleFault) => {
      const strikes = fault ? strikesOf(vehicle, [fault.fault]) : [];
      const pins = new SimulatedPins(this.job, fitment, at.connector, strikes);
      const { circuitId, how } = told;
      return FALSE_SHARE + (1 - FALSE_SHARE) * agreement(pins.expected(pin, { circuitId, how }), told);
    };
    const sound = factor();
    const about = [...pin.about, ...(told.circuitId === null ? [] : [told.circuitId])];
    const near = new VehicleSimulation(vehicle, fitment).bearing.together(about);
    // What a fault does not touch reads as if there were none, and so half of what sits in the plug itself does.
    const of = (each: PossibleFault) => {
      if (!circuitsTouched(vehicle, each.fault).some((id) => near.has(id))) return sound;
      return kindOf(each.fault).atPlug ? (factor(each) + sound) / 2 : factor(each);
    };
    return this.faults.map(of).concat(sound);
  }
}

function functionOf({ vehicle }: Job, connector: Connector, { use }: Cavity): PlugFunction | null {
  const id = use && idOfUse(use);
  return functionsAt(vehicle, connector).find((each) => each.id === id) ?? null;
}
