import { BULBS, bulbById, filamentWatts, signalFilament } from '../catalogue/bulbs.ts';
import { likelySupply } from '../judge/workingPoints.ts';
import type { Bulb } from '../model/bulb.ts';
import type { Trial } from '../model/evidence.ts';
import type { SystemVolts } from '../model/fields.ts';
import type { Job } from '../model/job.ts';
import { newJob } from '../model/newJob.ts';
import type { Shelf } from '../model/part.ts';
import type { FlasherKind } from '../model/vehicle/flasher.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { circuitsOf, seenOn } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { possibleFlashers } from '../presets/flashers.ts';
import { type LayoutEntry, layoutEntries, startingVehicle, usualVolts } from '../presets/startingLayout.ts';
import { kindName } from '../presets/vehicleKinds.ts';
import { fittedNow } from '../record/fittedNow.ts';
import { signed } from '../record/tell.ts';
import { UnknownReferenceError } from '../simulation/fitment.ts';
import type { LampFunction } from '../vehicle/edit/circuits.ts';
import { changeStockBulb, changeWork } from '../vehicle/edit/lamps.ts';
import { type LampTemplateId, TEMPLATES } from '../vehicle/edit/lampTemplates.ts';
import { coloursFor } from '../vehicle/lampWork.ts';
import { genericLed } from './genericLed.ts';
import {
  type QuickLamps,
  type QuickLed,
  type QuickQuestion,
  type QuickTrial,
  quickLampName,
} from './question.ts';

/** Years a vehicle is thought of that nobody has said the year of, and the one its lamps are listed by. */
const ANY_YEAR: readonly [number, number] = [1975, 2026];
const LISTED_YEAR = 2005;
const LISTED_MOPED = 1995;

const TEMPLATES_OF: Record<QuickLamps, readonly LampTemplateId[]> = {
  'rear-turn': ['rear-turn'],
  'front-turn': ['front-turn'],
  'all-turn': ['front-turn', 'rear-turn'],
  repeater: ['repeater'],
  'stop-tail': ['stop-tail'],
  'third-brake': ['third-brake'],
  reverse: ['reverse'],
  'rear-fog': ['rear-fog'],
  position: ['position'],
  plate: ['plate'],
  marker: ['marker'],
  'daytime-running': ['daytime-running'],
  cornering: ['cornering'],
  'front-fog': ['front-fog'],
  'dipped-beam': ['dipped-beam'],
  'main-beam': ['main-beam'],
  work: ['work'],
  beacon: ['beacon'],
  interior: ['interior'],
  map: ['map'],
  boot: ['boot'],
  'load-area': ['load-area'],
};

/** A question as the job that it is, with the shelf its LED is on. */
export interface QuickJob {
  job: Job;
  shelf: Shelf;
  /** the lamps it is about */
  lampIds: readonly string[];
  systemVolts: SystemVolts;
}

/** Volts a vehicle of that kind may have beside 12; asked where there is more than one. */
export function possibleVolts({
  vehicle,
  year,
}: Pick<QuickQuestion, 'vehicle' | 'year'>): readonly SystemVolts[] {
  const [from, to] = year === null ? ANY_YEAR : [year, year];
  switch (vehicle) {
    case 'lorry':
    case 'coach':
    case 'trailer':
      return [24, 12];
    case 'tractor':
      return to >= 1955 ? [12, 24, 6] : [6, 12];
    case 'moped':
      return from < 1985 ? [12, 6] : [12];
    default:
      return from < 1960 ? [12, 6] : [12];
  }
}

/** `P21W and P21/5W`, `not known`: every kind of flasher a question leaves open, the most usual first. */
export function openFlashers(question: QuickQuestion, systemVolts: SystemVolts): FlasherKind[] {
  if (question.flasher) return [question.flasher];
  const { vehicle: kind, year, region, heard } = question;
  const years: readonly [number, number] = year === null ? ANY_YEAR : [year, year];
  const met = possibleFlashers({ kind, region: region ?? 'UN', systemVolts }, years);
  // A controller has nothing to click with, unless its makers gave it a loudspeaker; what is silent may be a relay without contacts.
  const heardOf: Record<NonNullable<typeof heard>, readonly FlasherKind[]> = {
    click: ['watching-relay', 'non-watching-relay', 'thermal'],
    silence: ['controller', 'non-watching-relay'],
  };
  const left = heard ? met.filter((each) => heardOf[heard].includes(each)) : met;
  return left.length > 0 ? left : met;
}

/**
 * The job a question is: a vehicle with the lamps it is about and those that flash with them, everything nobody said
 * left open in it.
 *
 * @param at when it is asked
 * @throws UnknownReferenceError for a bulb or part that is not known
 */
export function quickJob(question: QuickQuestion, shelf: Shelf, id: string, at: string): QuickJob {
  const systemVolts =
    question.systemVolts ??
    (question.year === null ? possibleVolts(question)[0] : usualVolts(question.vehicle, question.year)) ??
    12;
  const vehicle = quickVehicle(question, id, systemVolts);
  const lampIds = lampsAsked(vehicle, question).map((lamp) => lamp.id);
  const job = newJob(id, titleOf(question, at), vehicle, at);
  if (question.bulb !== null && !bulbById(question.bulb))
    throw new UnknownReferenceError('Bulb', question.bulb, 'Choose it from the catalogue.');
  for (const lamp of lampsAsked(vehicle, { ...question, sides: 'both' })) {
    const bulb = bulbAtVolts(question.bulb, systemVolts) ?? bulbByLed(question.led, lamp, shelf, systemVolts);
    if (bulb === null) continue;
    changeStockBulb(vehicle, lamp.id, bulb);
    bothFilaments(vehicle, lamp.id, question.lamps);
    if (question.bulbRead) job.identified[lamp.id] = bulb;
  }
  const { partId, parts } = ledOfQuestion(question, vehicle, lampIds, shelf, systemVolts);
  job.scope = { lampIds: [...lampIds], aim: null };
  for (const lampId of lampIds) job.chosen[lampId] = partId;
  const evidence = question.trials.flatMap((trial, index) =>
    trialOf(job, lampIds, trial, `trial-${index + 1}`, at),
  );
  return {
    job: { ...job, evidence },
    shelf: [...shelf, ...parts],
    lampIds,
    systemVolts,
  };
}

const HEADLAMP: readonly LampFunction[] = [
  { kind: 'main-beam', input: 'main' },
  { kind: 'dipped-beam', input: 'dim' },
];
/** A bulb with two filaments in lamps that are listed with one: what the other does. */
const TWIN_WORK: Partial<Record<QuickLamps, readonly LampFunction[]>> = {
  'dipped-beam': HEADLAMP,
  'main-beam': HEADLAMP,
  'daytime-running': TEMPLATES['daytime-position'].works,
};

function bothFilaments(vehicle: Vehicle, lampId: string, lamps: QuickLamps): void {
  const lamp = vehicle.lamps.find(({ id }) => id === lampId);
  const work = TWIN_WORK[lamps];
  if (work && lamp && bulbById(lamp.stockBulb)?.filaments.length === 2) changeWork(vehicle, lampId, work);
}

function quickVehicle(question: QuickQuestion, id: string, systemVolts: SystemVolts): Vehicle {
  const kind = question.vehicle;
  const year = question.year ?? (kind === 'moped' ? LISTED_MOPED : LISTED_YEAR);
  const bulb = question.bulb === null ? undefined : bulbById(question.bulb);
  const region = question.region ?? (bulb?.system === 'SAE' ? 'US' : 'UN');
  const flashers = openFlashers(question, systemVolts);
  const needed = new Set<LampTemplateId>(['front-turn', 'rear-turn', ...TEMPLATES_OF[question.lamps]]);
  if (question.region !== 'US' && kind !== 'moped' && kind !== 'trailer' && kind !== 'tractor')
    needed.add('repeater');
  const offered = layoutEntries({ kind, year, region });
  const entries = [...needed].flatMap((template): Pick<LayoutEntry, 'id' | 'where' | 'at'>[] => {
    const known = offered.filter((entry) => entry.id === template);
    const usual = known.find((entry) => entry.usual) ?? known[0];
    if (usual) return [usual];
    return TEMPLATES_OF[question.lamps].includes(template) ? [{ id: template, where: 'pair' }] : [];
  });
  const vehicle = startingVehicle(id, {
    name: `${kindName(kind)}, not described yet`,
    model: '',
    kind,
    year,
    region,
    systemVolts,
    entries,
    flasher: flashers[0] ?? null,
  });
  vehicle.facts = {
    ...(vehicle.pilot ? { pilotAssumed: true } : {}),
    ...(question.flasher || flashers.length === 1
      ? { flasherSeen: question.flasher !== null }
      : { flashers }),
    ...(needed.has('repeater') && question.lamps !== 'repeater' ? { repeatersAssumed: true } : {}),
  };
  // Nobody has looked whether anything watches what does not flash.
  for (const circuit of vehicle.circuits) if (circuit.kind !== 'turn') circuit.watched = null;
  return vehicle;
}

function lampsAsked(vehicle: Vehicle, { lamps, sides }: Pick<QuickQuestion, 'lamps' | 'sides'>): Lamp[] {
  const ids = TEMPLATES_OF[lamps];
  return vehicle.lamps.filter(
    (lamp) =>
      ids.some((id) => lamp.id === id || lamp.id.startsWith(`${id}-`)) &&
      (sides === 'both' || lamp.side === 'centre' || lamp.side === sides),
  );
}

/** The bulb of a class at the volts of the vehicle; null where there is none, or nobody named one. */
function bulbAtVolts(id: string | null, systemVolts: SystemVolts): string | null {
  if (id === null) return null;
  const same = [id, `${id}-24V`, id.replace(/-24V$/, '')];
  return same.find((each) => bulbById(each)?.systemVolts === systemVolts) ?? null;
}

/** An LED that is in the hand goes into the socket: its base tells the class of the bulb nobody has named. */
function bulbByLed(led: QuickLed, lamp: Lamp, shelf: Shelf, systemVolts: SystemVolts): string | null {
  const part = led.kind === 'part' ? shelf.find((each) => each.id === led.partId) : undefined;
  if (part?.kind !== 'led' || part.bases.includes(lamp.base)) return null;
  const usual = bulbById(lamp.stockBulb);
  const same = BULBS.filter(
    (bulb) =>
      bulb.systemVolts === systemVolts &&
      part.bases.includes(bulb.base) &&
      bulb.filaments.length === (part.twin ? 2 : 1),
  );
  // Of several bulbs on one base the one nearest in watts to what such a lamp usually has.
  const wanted = usual ? filamentWatts(signalFilament(usual)) : 0;
  const off = (bulb: Bulb) => Math.abs(filamentWatts(signalFilament(bulb)) - wanted);
  return same.toSorted((a, b) => off(a) - off(b))[0]?.id ?? null;
}

function ledOfQuestion(
  { led }: QuickQuestion,
  vehicle: Vehicle,
  lampIds: readonly string[],
  shelf: Shelf,
  systemVolts: SystemVolts,
): { partId: string; parts: Shelf } {
  if (led.kind === 'part') {
    const part = shelf.find((each) => each.id === led.partId);
    if (part?.kind !== 'led' && part?.kind !== 'whole-lamp')
      throw new UnknownReferenceError('LED', led.partId, 'Choose one of the shelf.');
    return { partId: part.id, parts: [] };
  }
  const lamp = vehicle.lamps.find((each) => each.id === lampIds[0]);
  const bulb = lamp && bulbById(lamp.stockBulb);
  if (!lamp || !bulb) throw new RangeError(`A ${kindName(vehicle.kind)} has no such lamps.`);
  const part = genericLed(led, bulb, systemVolts, coloursFor(vehicle, lamp)[0] ?? 'white');
  return { partId: part.id, parts: [part] };
}

/** A trial on the side it was made on, as what was seen of each circuit that its lamps are on. */
function trialOf(job: Job, lampIds: readonly string[], trial: QuickTrial, id: string, at: string): Trial[] {
  const { result, lights, engine, brief } = trial;
  const asked = circuitsAsked(job.vehicle, lampIds);
  const circuits = job.vehicle.circuits.filter(
    (circuit) => asked.includes(circuit.id) && (circuit.side === null || circuit.side === trial.side),
  );
  const [fromVolts, toVolts] = trialSupply(trial, job.vehicle.systemVolts);
  // Of a twin lamp nobody said which of its circuits did it.
  return circuits.slice(0, 1).map((circuit) =>
    signed<Trial>(
      job,
      {
        kind: 'trial',
        circuitId: seenOn(job.vehicle, circuit).id,
        on: { lights, brake: false, engine, ...(brief ? { brief } : {}) },
        supply: { fromVolts, toVolts },
        fitted: fittedNow(job, [circuit.id], 'leds'),
        result,
      },
      { id, at, device: null },
    ),
  );
}

/** The least and the most the supply can have been in a trial, V: measured, or what it is with the engine off or running. */
export function trialSupply({ engine, supplyVolts }: QuickTrial, systemVolts: SystemVolts): [number, number] {
  return supplyVolts === null ? likelySupply(systemVolts, engine) : [supplyVolts, supplyVolts];
}

function titleOf({ lamps, sides }: QuickQuestion, at: string): string {
  return `${at.slice(0, 10)} ${quickLampName(lamps).toLowerCase()}${sides === 'both' ? '' : ` ${sides}`}`;
}

/** The circuits a quick check answers for: those of its lamps. */
export function circuitsAsked(vehicle: Vehicle, lampIds: readonly string[]): string[] {
  return [...new Set(lampIds.flatMap((id) => circuitsOf(vehicle, id).map((circuit) => circuit.id)))];
}
