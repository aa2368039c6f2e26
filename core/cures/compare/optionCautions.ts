import type { HeatVerdict } from '../../heat/useCases.ts';
import { Judge } from '../../judge/judge.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { builtInHeatWords, heatWords } from '../../words/heat.ts';
import { reasonOf } from '../../words/verdicts.ts';
import { builtInHeats } from './heat.ts';
import type { CureOption } from './option.ts';
import { loadsDimFeed } from './options/harness.ts';
import type { CureScope } from './scope.ts';

/** An output with the LED setting looks for an open circuit alone (typical). */
export const SETTING_HIDES =
  'Set to LED, the controller looks for an open circuit only: one dead LED of several goes unnoticed.';

/** What has to be minded with a cure of the turn lamps. */
export function cautionsOf(
  job: Job,
  { kinds, change }: CureOption,
  shelf: Shelf,
  cured: Job,
  hottest: HeatVerdict | null,
  scope: CureScope,
): string[] {
  const cautions: string[] = [];
  if (hottest && (hottest.state === 'burns' || hottest.state === 'keep-clear'))
    cautions.push(heatWords(hottest));
  if (kinds.includes('flasher-relay')) {
    if (job.vehicle.bulbCheck)
      cautions.push(`The ${job.vehicle.bulbCheck.name} still watches the other lamps.`);
    cautions.push('Where the law wants a failed turn lamp shown, this takes that away.');
  }
  if (kinds.includes('load-resistor') || kinds.includes('harness'))
    cautions.push('It hides a dead LED, and gets hot (estimate).');
  cautions.push(...loadsDimFeed(job, cured.cures));
  if (kinds.includes('built-in-load')) cautions.push(...builtInCautions(job, change, shelf, cured, scope));
  if (kinds.includes('controller-setting')) {
    if (scope.circuits.some((circuit) => lampIdsOf(circuit).length > 1)) cautions.push(SETTING_HIDES);
    cautions.push('Write down the old value first; the owner’s workshop may set it back.');
  }
  return cautions;
}

function builtInCautions(
  job: Job,
  change: CureOption['change'],
  shelf: Shelf,
  cured: Job,
  scope: CureScope,
): string[] {
  const [worst] = builtInHeats(cured, shelf, scope);
  const cautions = [
    worst && worst.heat.state !== 'cool'
      ? builtInHeatWords(worst.heat)
      : 'Its heat is inside the housing: light and life suffer.',
  ];
  // A load inside a bulb that shares its lamp's feed with a pulsed tail burns there too.
  for (const circuit of job.vehicle.circuits.filter(
    (each) => !scope.circuits.includes(each) && each.kind !== 'turn',
  )) {
    if (!lampIdsOf(circuit).some((id) => change?.chosen?.[id])) continue;
    const verdict = Judge.of(cured, shelf, 'cured').circuit(circuit);
    if (verdict.state !== 'holds') cautions.push(`${circuit.name}: ${reasonOf(job.vehicle, verdict)}`);
  }
  return cautions;
}
