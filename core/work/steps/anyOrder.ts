import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import { connectorsOf } from '../../wiring/connectors.ts';
import { openingsOf } from '../access/openings.ts';
import { vehicleCureSteps } from './cureSteps.ts';
import type { FitStep } from './fitStep.ts';
import { kitSteps } from './kitSteps.ts';
import { hasWork } from './lampSteps.ts';
import { closeStep, openSteps } from './panelSteps.ts';

/**
 * The steps of a job that use something up, in no order: who counts parts needs no route.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function stepsInNoOrder(job: Job, shelf: Shelf): FitStep[] {
  const opened = openingsOf(job.vehicle).filter(({ lamps }) =>
    lamps.some((lamp) => hasWork(job, shelf, lamp)),
  );
  const plugs = connectorsOf(job.vehicle);
  return [
    ...opened.flatMap((each) => [...openSteps(job, shelf, each, plugs), closeStep(job, shelf, each)]),
    ...kitSteps(job, shelf),
    ...vehicleCureSteps(job),
  ];
}
