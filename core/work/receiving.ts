import { takenKits } from '../kits/jobKits.ts';
import type { Job } from '../model/job.ts';
import type { Part, Shelf } from '../model/part.ts';
import { waitsForAnother } from '../words/receiving.ts';
import type { FitStep } from './steps/fitStep.ts';
import { partsFitted } from './steps/takes.ts';

/** The steps that put a part into the vehicle, its kit's too where it comes out of one. */
export function stepsWith(job: Job, shelf: Shelf, steps: readonly FitStep[], partId: string): FitStep[] {
  const kits = takenKits(job, shelf);
  const kit = kits.find(({ part }) => part.id === partId);
  const inBox = new Set(kit?.part.sheet.items.flatMap((item) => item.partId ?? []) ?? []);
  return steps.filter((step) => {
    if (step.about.of === 'whole' && inBox.has(step.about.part.id)) return true;
    if (step.about.of === 'mount' || step.about.of === 'tap')
      return step.about.loose.network.pieces.some((piece) => piece.partId === partId);
    return partsFitted(step, shelf, kits).some((each) => each.partId === partId);
  });
}

/**
 * A part came wrong: it is marked to go back, and what it is for waits; the rest of the job goes on.
 *
 * @param job changed in place
 * @param steps those of its plan
 * @param at now, ISO 8601
 */
export function flagWrong(
  job: Job,
  shelf: Shelf,
  steps: readonly FitStep[],
  part: Part,
  note: string,
  at: string,
): void {
  job.wrongParts = [
    ...(job.wrongParts ?? []).filter(({ partId }) => partId !== part.id),
    { partId: part.id, at, note },
  ];
  for (const { id } of stepsWith(job, shelf, steps, part.id)) {
    const record = job.fit[id] ?? { doneAt: null, note: '' };
    if (record.doneAt) continue;
    record.waitingFor ??= waitsForAnother(part);
    job.fit[id] = record;
  }
}

/**
 * Another came and is right: the mark goes, and what waited for it goes on. What waits for something else still does.
 *
 * @param job changed in place
 */
export function clearWrong(job: Job, part: Part): void {
  job.wrongParts = (job.wrongParts ?? []).filter(({ partId }) => partId !== part.id);
  if (job.wrongParts.length === 0) delete job.wrongParts;
  for (const record of Object.values(job.fit))
    if (record.waitingFor === waitsForAnother(part)) delete record.waitingFor;
}
