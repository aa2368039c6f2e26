import { ohms, watts } from '../formatting/format.ts';
import type { Job, Observation, TurnFunction } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { bulbOf, ledOf, networksOf } from '../simulation/fitment.ts';
import { FUNCTION_WORDS, latestObservation, turnFunctionsOf } from './observations.ts';

export interface BeforeAfter {
  function: TurnFunction;
  name: string;
  before: Observation | undefined;
  after: Observation | undefined;
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
  readings: readonly BeforeAfter[];
  lamps: readonly FittedLamp[];
  cautions: readonly string[];
  /** troubles that were accepted as they are, with what was tried before */
  unresolved: readonly string[];
  /** what a complete file would still have */
  missing: readonly string[];
}

/** @throws UnknownReferenceError when the job names a bulb or LED that is not known */
export function handOverPage(job: Job, shelf: Shelf): HandOverPage {
  const readings = turnFunctionsOf(job.vehicle).map((turnFunction) => ({
    function: turnFunction,
    name: FUNCTION_WORDS[turnFunction],
    before: latestObservation(job, 'stock', turnFunction),
    after: latestObservation(job, 'cured', turnFunction),
  }));
  const all = job.vehicle.lamps.map((lamp): FittedLamp => {
    const led = ledOf(job, shelf, lamp.id);
    const bulb = bulbOf(job, lamp).names[0] ?? lamp.stockBulb;
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
  return {
    readings,
    lamps,
    cautions: [...cautionsFor(converted, loaded), ...flasherCautions(job)],
    unresolved: unresolvedOf(job),
    missing: missingFor(job, readings, converted),
  };
}

function cautionsFor(converted: boolean, loaded: boolean): string[] {
  const cautions: string[] = [];
  if (loaded) {
    cautions.push(
      'The resistors keep the flash at its normal rate even when an LED has failed. Walk round and look at every turn lamp regularly.',
      'The resistors get hot enough to burn skin while the turn lamps or hazard are on. Keep luggage, carpet and wiring off them.',
    );
  }
  if (converted) {
    cautions.push(
      'Retrofit LED bulbs in road lamps are not approved in many places even where they work. The vehicle maker’s data, local rules and licensed practice decide.',
    );
  }
  return cautions;
}

function flasherCautions({ vehicleCures }: Job): string[] {
  return vehicleCures.some((cure) => cure.kind === 'flasher-relay')
    ? ['The flasher no longer tells of a failed turn lamp. Walk round and look at every turn lamp regularly.']
    : [];
}

/** What was accepted, each with the attempts that came to nothing before it. */
function unresolvedOf({ attempts = [] }: Job): string[] {
  const accepted = attempts.filter((attempt) => attempt.outcome === 'accepted');
  const vain = attempts
    .filter((attempt) => attempt.outcome === 'no-change' || attempt.outcome === 'worse')
    .map((attempt) => attempt.what);
  return accepted.map(
    (attempt) => `${attempt.what}${vain.length > 0 ? ` (tried without success: ${vain.join('; ')})` : ''}`,
  );
}

function missingFor(job: Job, readings: readonly BeforeAfter[], converted: boolean): string[] {
  const missing = readings
    .filter((reading) => !reading.after)
    .map((reading) => `${reading.name} has no rate measured after the work.`);
  if (!readings.some((reading) => reading.before)) missing.push('No rate was measured before the work.');
  if (converted && job.handOver.stockBulbsKeptAt.trim() === '')
    missing.push('Where the stock bulbs are kept is not written down.');
  if (job.handOver.warrantyUntil === '') missing.push('No end of warranty is given.');
  return missing;
}
