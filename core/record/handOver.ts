import { inARow, ohms, watts } from '../formatting/format.ts';
import type { TurnFunction } from '../model/cures.ts';
import type { RateReading } from '../model/evidence.ts';
import type { Aim, Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { LaterItem } from '../model/past.ts';
import { flashes } from '../model/scope.ts';
import { standing } from '../model/seen.ts';
import { lampById, lampIdsOf } from '../model/vehicle/lookUp.ts';
import { ledOf, networksOf, stockName } from '../simulation/fitment.ts';
import { functionsOf } from '../vehicle/lampWork.ts';
import { unprovedJoints } from '../wiring/looseResistors.ts';
import { REPAIR_WORDS } from '../words/past.ts';
import {
  circuitsToProve,
  FUNCTION_WORDS,
  isAmissSince,
  latestObservation,
  towingVehicles,
  turnFunctionsToProve,
} from './observations.ts';
import { circuitStanding } from './standing.ts';
import { openWords, standingWords } from './standingWords.ts';

/** What a conversion is for, in words. */
export const AIM_WORDS: Record<Aim, string> = {
  look: 'its look',
  light: 'more light',
  power: 'less power',
  repair: 'a repair',
  rule: 'a rule',
};

export interface BeforeAfter {
  function: TurnFunction;
  name: string;
  before: RateReading | undefined;
  after: RateReading | undefined;
}

export interface FittedLamp {
  lampId: string;
  name: string;
  before: string;
  after: string;
  resistors: string;
}

/** What the page for the owner and the file say. */
export interface HandOverPage {
  /** what was converted, and what for: `Converted to LED: turn, stop. Done for less power.` */
  summary: string;
  readings: readonly BeforeAfter[];
  /** circuits that are on steadily, with how each stands */
  circuits: readonly {
    circuitId: string;
    name: string;
    seen: string | null;
    /** what nobody has seen of one that was looked at: `dim alone (rear left)` */
    open: readonly string[];
  }[];
  lamps: readonly FittedLamp[];
  cautions: readonly string[];
  /** what fails without being told from now on: no warning, or a load that outlives its LED */
  silenced: readonly string[];
  /** troubles that were accepted as they are, with what was tried before */
  unresolved: readonly string[];
  /** resistors joined to a feed that nobody had proved */
  unproved: readonly string[];
  /** repaired with the conversion: `Stop and tail left: descale the bulb carrier` */
  repaired: readonly string[];
  /** left on purpose or wished for another time */
  later: readonly LaterItem[];
  /** of a trailer: what it was proved behind */
  towing: readonly string[];
  /** what a complete file would still have */
  missing: readonly string[];
}

/** @throws UnknownReferenceError when the job names a bulb or LED that is not known */
export function handOverPage(job: Job, shelf: Shelf): HandOverPage {
  const readings = turnFunctionsToProve(job).map((turnFunction) => ({
    function: turnFunction,
    name: FUNCTION_WORDS[turnFunction],
    before: latestObservation(job, 'stock', turnFunction),
    after: latestObservation(job, 'cured', turnFunction),
  }));
  const all = job.vehicle.lamps.map((lamp): FittedLamp => {
    const led = ledOf(job, shelf, lamp.id);
    const bulb = stockName(job, lamp);
    const networks = networksOf(job).filter((network) => network.lampId === lamp.id);
    return {
      lampId: lamp.id,
      name: lamp.name,
      before: bulb,
      after: led ? `${led.code}, ${watts(led.watts)}` : bulb,
      resistors: networks
        .flatMap((network) => network.pieces.map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`))
        .join(', '),
    };
  });
  // A page for an owner names what was changed; a job that changed nothing yet names everything.
  const changed = all.filter((lamp) => lamp.after !== lamp.before || lamp.resistors !== '');
  const lamps = changed.length > 0 ? changed : all;
  const converted = lamps.some((lamp) => lamp.after !== lamp.before);
  const loaded = lamps.some((lamp) => lamp.resistors !== '');
  const circuits = circuitsToProve(job).map((circuit) => {
    const standing = circuitStanding(job, circuit.id);
    const open = standing.looked && !standing.amiss ? openWords(job, circuit, standing.open) : [];
    return { circuitId: circuit.id, name: circuit.name, seen: standingWords(job, circuit, standing), open };
  });
  return {
    summary: summaryOf(job, shelf),
    readings,
    circuits,
    lamps,
    cautions: [...cautionsFor(job, converted, loaded), ...trailerCautions(job, converted)],
    silenced: [...resistorsHide(job, loaded), ...flasherCautions(job), ...loadedCautions(job, shelf)],
    unresolved: unresolvedOf(job),
    unproved: unprovedJoints(job),
    repaired: (job.repairs ?? []).map(({ kind, lampId, note }) => {
      const what = kind === 'other' ? note : REPAIR_WORDS[kind].toLowerCase();
      return `${lampById(job.vehicle, lampId).name}: ${what}`;
    }),
    later: job.later ?? [],
    towing: towingVehicles(job),
    missing: missingFor(job, readings, circuits, converted),
  };
}

/** What a job did, for whom it was done. */
function summaryOf(job: Job, shelf: Shelf): string {
  const done = job.vehicle.lamps.filter((lamp) => ledOf(job, shelf, lamp.id) !== null);
  if (done.length === 0) return 'Nothing converted yet.';
  const work = [...new Set(done.map((lamp) => functionsOf(job.vehicle, lamp.id)))].filter(Boolean);
  const aim = job.scope?.aim;
  return `Converted to LED: ${inARow(work)}.${aim ? ` Done for ${AIM_WORDS[aim]}.` : ''}`;
}

function cautionsFor(job: Job, converted: boolean, loaded: boolean): string[] {
  const cautions: string[] = [];
  if (loaded && flashes(job)) {
    cautions.push(
      'The resistors are estimated to get hot enough to burn skin while the turn lamps or hazard are on, and for minutes after. Keep luggage, carpet and wiring off them.',
    );
  } else if (loaded)
    cautions.push(
      'The resistors are estimated to get hot enough to burn skin while the lamps are on, and for minutes after. Keep luggage, carpet and wiring off them.',
    );
  if (converted) {
    cautions.push(
      'Retrofit LED bulbs in road lamps are not approved in many places even where they work. The vehicle maker’s data, local rules and licensed practice decide.',
    );
  }
  return cautions;
}

/** A resistor goes on drawing where its LED is dead. */
function resistorsHide(job: Job, loaded: boolean): string[] {
  return loaded && flashes(job)
    ? [
        'The resistors keep the flash at its normal rate even when an LED has failed. Walk round and look at every turn lamp regularly.',
      ]
    : [];
}

function trailerCautions({ vehicle }: Job, converted: boolean): string[] {
  return converted && vehicle.kind === 'trailer'
    ? [
        'A towing vehicle whose socket has a module of its own may not detect the LED lamps, or test them by pulses. Look at every lamp behind each vehicle that tows it.',
      ]
    : [];
}

function flasherCautions({ vehicle, vehicleCures }: Job): string[] {
  const relay = vehicleCures.some((cure) => cure.kind === 'flasher-relay')
    ? ['The flasher no longer tells of a failed turn lamp. Walk round and look at every turn lamp regularly.']
    : [];
  const set = vehicle.circuits.filter(
    (circuit) =>
      lampIdsOf(circuit).length > 1 &&
      vehicleCures.some(
        (cure) =>
          cure.kind === 'controller-setting' && cure.setting === 'led' && cure.circuitId === circuit.id,
      ),
  );
  if (set.length === 0) return relay;
  const names = inARow(set.map(({ name }) => name.toLowerCase()));
  return [
    ...relay,
    `Set to LED, the controller tells of a failed lamp only once all of a circuit have failed (${names}). Walk round and look at them regularly.`,
  ];
}

/** A load inside an LED goes on drawing once the LED is dead: whatever watches is told nothing. */
function loadedCautions(job: Job, shelf: Shelf): string[] {
  const loaded = job.vehicle.lamps.filter(({ id }) => ledOf(job, shelf, id)?.builtInLoadOhms !== undefined);
  if (loaded.length === 0) return [];
  const names = inARow(loaded.map(({ name }) => name.toLowerCase()));
  return [
    `The LEDs with a load inside (${names}) may die unnoticed: the load outlives them. Walk round and look at them regularly.`,
  ];
}

/** What was accepted, each with the attempts that came to nothing before it. */
function unresolvedOf(job: Job): string[] {
  const { attempts = [] } = job;
  const searched = standing(job).flatMap((each) =>
    each.kind === 'cause' && each.outcome === 'accepted'
      ? [`Looked for, ${each.words}${each.note ? ` (tried: ${each.note})` : ''}`]
      : [],
  );
  const accepted = attempts.filter((attempt) => attempt.outcome === 'accepted');
  const vain = attempts
    .filter((attempt) => attempt.outcome === 'no-change' || attempt.outcome === 'worse')
    .map((attempt) => attempt.what);
  return [
    ...accepted.map(
      (attempt) => `${attempt.what}${vain.length > 0 ? ` (tried without success: ${vain.join('; ')})` : ''}`,
    ),
    ...searched,
  ];
}

function missingFor(
  job: Job,
  readings: readonly BeforeAfter[],
  circuits: HandOverPage['circuits'],
  converted: boolean,
): string[] {
  const missing = [
    ...readings
      .filter((reading) => !reading.after)
      .map((reading) => `${reading.name} has no rate measured after the work.`),
    ...readings
      .filter(({ function: id, after }) => after && isAmissSince(job, id, after))
      .map(
        ({ name }) => `${name} is not proved: something was not as it should be when it was looked at last.`,
      ),
    ...circuits
      .filter(({ seen }) => seen === null)
      .map(({ name }) => `${name} has not been looked at after the work.`),
    ...circuits
      .filter(({ open }) => open.length > 0)
      .map(({ name, open }) => `${name} is not proved: nobody has seen it ${inARow(open)}.`),
  ];
  if (readings.length > 0 && !readings.some((reading) => reading.before))
    missing.push('No rate was measured before the work.');
  if (converted && job.handOver.stockBulbsKeptAt.trim() === '')
    missing.push('Where the stock bulbs are kept is not written down.');
  if (job.vehicle.kind === 'trailer' && converted && towingVehicles(job).length === 0)
    missing.push('What towed it while it was proved is not written down.');
  if (job.handOver.warrantyUntil === '') missing.push('No end of warranty is given.');
  return missing;
}
