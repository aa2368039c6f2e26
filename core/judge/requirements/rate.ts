import { normalRate } from '../../devices/flasher.ts';
import { perMinute } from '../../formatting/format.ts';
import { sourceWords } from '../../formatting/source.ts';
import { flashRule } from '../flashRule.ts';
import { isTurn } from '../scenario.ts';
import type { Finding } from './finding.ts';
import type { Scene } from './scene.ts';

/** A relay that does not watch flashes as it is made or set: its own rate must be what the rules allow. */
export function rateRequirement({ vehicle, circuit, fitted }: Scene): Finding[] {
  const { flasher } = fitted.fitment;
  if (!isTurn(circuit) || flasher.kind !== 'non-watching-relay') return [];
  const rate = normalRate(flasher);
  const { lowest, highest, source } = flashRule(vehicle.region);
  if (rate >= lowest && rate <= highest) return [];
  const screw = flasher.adjuster
    ? ` Turn its screw ${rate > highest ? 'from where it stands' : flasher.adjuster.fasterWhen} and wait ${flasher.adjuster.settleSeconds} s before another relay is tried.`
    : '';
  return [
    {
      requirement: 'rate',
      state: 'falls-short',
      text: `As it is set ${flasher.name} flashes ${perMinute(rate)}, where ${lowest} to ${highest} are allowed (${sourceWords(source)}).${screw}`,
    },
  ];
}
