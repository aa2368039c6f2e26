import { needsEarthWire } from '../../../devices/relayMapping.ts';
import { flashRule } from '../../../judge/flashRule.ts';
import type { Job } from '../../../model/job.ts';
import type { FlasherPart, Shelf } from '../../../model/part.ts';
import { ledOf } from '../../../simulation/fitment.ts';
import { type CureOption, option, refused } from '../option.ts';
import { turnLamps } from '../withCure.ts';

const NAME = 'LED flasher relay';
const KINDS = ['flasher-relay'] as const;
/** What makers aim at, flashes a minute (common practice: 85 to 90). */
const AIM = 88;

/** Every flasher relay of the shelf that is made for the vehicle's volts. */
export function relayOptions(job: Job, shelf: Shelf): CureOption[] {
  const { vehicle } = job;
  if (vehicle.flasher.kind === 'controller')
    return [
      refused(
        'relay',
        KINDS,
        NAME,
        `The flasher is inside the ${vehicle.flasher.name}: there is no relay to change.`,
      ),
    ];
  const fitting = shelf.filter(
    (part): part is FlasherPart => part.kind === 'flasher' && part.systemVolts === vehicle.systemVolts,
  );
  if (fitting.length === 0)
    return [refused('relay', KINDS, NAME, `No flasher relay for ${vehicle.systemVolts} V is on the shelf.`)];
  return fitting.map((part) => {
    const span = part.fastestRate - part.slowestRate;
    const rate = rateFor(job, shelf, part);
    const position = span > 0 ? Math.min(1, Math.max(0, (rate - part.slowestRate) / span)) : 0;
    const set = span > 0 && Math.round(rate) !== AIM ? `, set to ${Math.round(rate)} a minute` : '';
    const earth = needsEarthWire(vehicle.flasher, part) ? ', with an earth wire laid to it' : '';
    return option(`relay-${part.id}`, KINDS, `${part.code}, ${NAME}${set}${earth}`, {
      vehicleCures: [{ kind: 'flasher-relay', partId: part.id, position }],
    });
  });
}

/** The usual rate; slower, where the rules allow it, for a sequential lamp that would not finish its sweep. */
function rateFor(job: Job, shelf: Shelf, { onFraction }: FlasherPart): number {
  const sweeps = turnLamps(job).map((lamp) => ledOf(job, shelf, lamp.id)?.sweep?.seconds ?? 0);
  const longest = Math.max(0, ...sweeps);
  if (longest === 0) return AIM;
  const fits = Math.floor((60 * onFraction) / longest);
  return Math.max(flashRule(job.vehicle.region).lowest, Math.min(AIM, fits));
}
