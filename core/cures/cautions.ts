import { REGION_RULES, type RegionRule } from '../catalogue/regions.ts';
import { inARow } from '../formatting/format.ts';
import { sourceWords } from '../formatting/source.ts';
import { temperature } from '../formatting/units.ts';
import { limitsOf, type TurnVerdict } from '../judge/verdict.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { sensedOn } from '../model/vehicle/brakeSense.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';
import { ledOf, networksOf } from '../simulation/fitment.ts';
import { watchMap } from '../vehicle/edit/watchMap.ts';
import { limitWords } from '../words/findings.ts';

/** Something to be minded before the work begins, and why it concerns this job. */
export interface JobCaution {
  id: 'heat' | 'fuse' | 'warning-lost' | 'sensed-wire' | 'pulses' | 'high-voltage' | 'drilling' | 'law';
  title: string;
  text: string;
}

/** A fuse this near to what it may carry is spoken of, as a share. */
const NEAR = 0.8;

/**
 * What has to be minded with a job's LEDs and cures as they stand; only what concerns it.
 *
 * @param verdict of its turn lamps as cured
 */
export function jobCautions(job: Job, shelf: Shelf, verdict: TurnVerdict): JobCaution[] {
  const { vehicle } = job;
  const networks = networksOf(job);
  const cautions: JobCaution[] = [];
  if (vehicle.facts?.highVoltage)
    cautions.push({
      id: 'high-voltage',
      title: 'High voltage',
      text: 'Hybrid or electric: qualified people only, by the maker’s instructions. Nobody touches an orange cable.',
    });
  if (networks.length > 0) {
    cautions.push({
      id: 'heat',
      title: 'Heat',
      text: `Resistors are estimated to get past ${temperature(100)}: screwed to bare metal, in air, never on plastic, carpet or the loom. They burn skin: measure before touching.`,
    });
    if (networks.some((network) => !network.plugged))
      cautions.push({
        id: 'drilling',
        title: 'Drilling',
        text: 'Look at what is behind the panel first: wiring, tank, airbag or curtain module. Battery off near airbags. Paint the edge.',
      });
  }
  const fuses = limitsOf(verdict).filter(
    (limit) => limit.kind.startsWith('fuse') && limit.value > NEAR * limit.limit,
  );
  const [fuse] = fuses.toSorted((a, b) => b.value / b.limit - a.value / a.limit);
  if (fuse) cautions.push({ id: 'fuse', title: 'Fuse', text: `${limitWords(fuse)} Never fit a larger one.` });
  const rule = (topic: RegionRule['topic']) => {
    const found = REGION_RULES.find((each) => each.region === vehicle.region && each.topic === topic);
    return found ? `${found.text} ${sourceWords(found.source)}.` : '';
  };
  if (silenced(job))
    cautions.push({
      id: 'warning-lost',
      title: 'Failure warning lost',
      text: `A dead LED no longer changes the flash: the lamps must be looked at. ${rule('outage warning')}`,
    });
  const sensed = vehicle.circuits.filter(
    (circuit) =>
      sensedOn(vehicle, circuit) !== null && lampIdsOf(circuit).some((id) => ledOf(job, shelf, id) !== null),
  );
  const [first] = sensed;
  if (first)
    cautions.push({
      id: 'sensed-wire',
      title: 'Brake and shift sense',
      text: first.sense
        ? `${first.sense.what} reads the ${first.name.toLowerCase()} wire: test gear lever and cruise control after the change.`
        : `Whether a control unit reads the ${first.name.toLowerCase()} wire nobody has looked: test gear lever and cruise control after the change.`,
    });
  const unlooked = watchMap(vehicle).filter(
    ({ circuit, pulsed, leaks }) =>
      (pulsed === null || leaks === null) && lampIdsOf(circuit).some((id) => ledOf(job, shelf, id) !== null),
  );
  if (unlooked.length > 0)
    cautions.push({
      id: 'pulses',
      title: 'Pulses and leakage',
      text: `Whether ${inARow(unlooked.slice(0, 3).map(({ circuit }) => circuit.name.toLowerCase()))}${unlooked.length > 3 ? ` and ${unlooked.length - 3} more` : ''} are pulsed, or leak while off, nobody has looked: an LED there may flicker or glow. Look in the dark, on and off, and say it in the watch map.`,
    });
  if (Object.values(job.chosen).some((id) => id !== null))
    cautions.push({
      id: 'law',
      title: 'Local rules',
      text: `${rule('retrofit bulbs')} A planning aid: the maker’s data, local code and licensed practice decide.`,
    });
  return cautions;
}

/** Whether the turn lamps' watcher is kept content whatever the LEDs do. */
function silenced({ vehicle, cures, vehicleCures }: Job): boolean {
  return (
    vehicle.flasher.kind !== 'non-watching-relay' &&
    (vehicleCures.some((cure) => cure.kind === 'flasher-relay') ||
      vehicle.circuits.some((circuit) => circuit.kind === 'turn' && cures[circuit.id]))
  );
}
