import type { Job } from '../model/job.ts';
import { jobLamps } from '../model/scope.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import type { Fitment } from '../simulation/fitment.ts';
import { fittedVehicle } from './faultKind.ts';
import { FAULT_KINDS, type Fault, type FaultKind, faultId, kindOf } from './kinds.ts';

/** One fault a vehicle may have as it is fitted. */
export interface PossibleFault {
  /** `reversed:rear-left`: what the command line takes */
  id: string;
  fault: Fault;
  /** weight among all of the vehicle's faults; of what is nothing broken, its share of vehicles that are sound */
  prior: number;
  /** the opening one must get behind to look; null where nothing is opened */
  openingId: string | null;
}

/** At fewer places than this a kind is the less likely on this vehicle. */
export const FEW_PLACES = 3;

/**
 * Every fault a job's vehicle may have with what is fitted to it: each kind at each place where it can be, with its share
 * of the kind's prior.
 */
export function possibleFaults(job: Job, fitment: Fitment): PossibleFault[] {
  const { vehicle } = job;
  const fitted = fittedVehicle(vehicle, fitment);
  return (Object.keys(FAULT_KINDS) as FaultKind[]).flatMap((name) => {
    const faults: readonly Fault[] = FAULT_KINDS[name].of(fitted);
    const weights = faults.map((fault) => kindOf(fault).weight?.(fault, vehicle) ?? 1);
    // What may be at many places is hardly likelier for it: its prior is shared among them, by three where there are fewer.
    const among = Math.max(
      FEW_PLACES,
      weights.reduce((sum, each) => sum + each, 0),
    );
    return faults.map((fault, at): PossibleFault => {
      const kind = kindOf(fault);
      const [lampId] = kind.atLamp ? kind.lampIds(fault, vehicle) : [];
      return {
        id: faultId(fault),
        fault,
        prior: (kind.prior * (weights[at] ?? 1)) / among,
        openingId: lampId === undefined ? null : lampById(vehicle, lampId).access.group,
      };
    });
  });
}

/** Those of a job's scope: which change any lamp it converts or may disturb. */
export function faultsInScope(job: Job, fitment: Fitment): PossibleFault[] {
  const lamps = new Set(jobLamps(job).map(({ id }) => id));
  return possibleFaults(job, fitment).filter(({ fault }) =>
    kindOf(fault)
      .lampIds(fault, job.vehicle)
      .some((id) => lamps.has(id)),
  );
}
