import type { LoadResistorCure, ResistorNetwork } from '../model/cures.ts';
import type { Job, JobKit } from '../model/job.ts';
import type { KitItem, KitSheet, KitUse, KitVariant } from '../model/kit.ts';
import type { KitPart, Shelf, WholeLampPart } from '../model/part.ts';
import { scopeLamps } from '../model/scope.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { circuitsOf } from '../model/vehicle/lookUp.ts';
import { lampsFilledBy } from '../simulation/wholeLamp.ts';

/** A kit of a job whose variant was put into the plan. */
export interface TakenKit {
  use: JobKit;
  part: KitPart;
  variant: KitVariant;
}

/** The kits of a job that are in its plan. */
export function takenKits({ kits = [] }: Pick<Job, 'kits'>, shelf: Shelf): TakenKit[] {
  return kits.flatMap((use) => {
    const part = shelf.find((each): each is KitPart => each.kind === 'kit' && each.id === use.partId);
    const variant = part?.sheet.variants.find(({ id }) => id === use.takenId);
    return part && variant ? [{ use, part, variant }] : [];
  });
}

/** What a variant leaves in the box. */
export function leftInBox(
  { items }: Pick<KitSheet, 'items'>,
  variant: KitVariant,
): { item: KitItem; count: number }[] {
  return items.flatMap((item) => {
    const used = variant.uses
      .filter(({ itemId }) => itemId === item.id)
      .reduce((sum, { count }) => sum + count, 0);
    return item.count > used ? [{ item, count: item.count - used }] : [];
  });
}

/** What a variant changes in a job's plan. */
export interface KitChange {
  /** resistors by circuit, in the place of what was planned there */
  cures: Readonly<Record<string, LoadResistorCure>>;
  /** LEDs and whole lamps by lamp */
  chosen: Readonly<Record<string, string>>;
  /** what the sheet prescribes and this vehicle has no place for, or has more places than pieces */
  misfits: readonly { item: KitItem; pieces: number; places: number }[];
}

/**
 * What a variant comes to on one vehicle: each of its resistors across a lamp of the function the sheet names, its lamps
 * where such lamps are.
 */
export function kitChange(job: Job, shelf: Shelf, part: KitPart, variant: KitVariant): KitChange {
  const cures: Record<string, LoadResistorCure> = {};
  const chosen: Record<string, string> = {};
  const misfits: { item: KitItem; pieces: number; places: number }[] = [];
  for (const use of variant.uses) {
    const item = part.sheet.items.find(({ id }) => id === use.itemId);
    if (!item) continue;
    if (item.partId) Object.assign(chosen, lampsOf(job, shelf, item.partId, use));
    if (!item.resistor || !use.across) continue;
    const places = placesFor(job, use);
    if (places.length !== use.count) misfits.push({ item, pieces: use.count, places: places.length });
    for (const { lamp, circuit } of places.slice(0, use.count)) {
      const network: ResistorNetwork = {
        lampId: lamp.id,
        ...inputOf(circuit, lamp),
        connection: 'parallel',
        pieces: [{ partId: part.id, ...item.resistor }],
      };
      cures[circuit.id] = {
        kind: 'load-resistor',
        networks: [...(cures[circuit.id]?.networks ?? []), network],
      };
    }
  }
  return { cures, chosen, misfits };
}

const inputOf = (circuit: Circuit, lamp: Lamp): Pick<ResistorNetwork, 'input'> =>
  circuit.feeds.some(({ lampId, input }) => lampId === lamp.id && input === 'dim') ? { input: 'dim' } : {};

/** Lamps a resistor goes across, with the circuit it loads, left before right and from the nose back. */
function placesFor(job: Job, { across }: KitUse): { lamp: Lamp; circuit: Circuit }[] {
  if (!across) return [];
  return scopeLamps(job)
    .filter(({ end, role }) => (across.end === undefined ? role === 'main' : end === across.end))
    .flatMap((lamp) => {
      const circuit = circuitsOf(job.vehicle, lamp.id).find(({ kind }) => kind === across.does);
      return circuit ? [{ lamp, circuit }] : [];
    })
    .toSorted((a, b) => a.lamp.plan.along - b.lamp.plan.along || a.lamp.plan.across - b.lamp.plan.across);
}

/** The lamps a whole lamp or an LED of the kit goes into. */
function lampsOf(job: Job, shelf: Shelf, partId: string, use: KitUse): Record<string, string> {
  const part = shelf.find(({ id }) => id === partId);
  if (part?.kind === 'whole-lamp') return wholeLampsOf(job, part, use.count);
  if (part?.kind !== 'led') return {};
  const lamps = use.across ? placesFor(job, use).map(({ lamp }) => lamp) : [];
  return Object.fromEntries(
    lamps
      .filter(({ base }) => part.bases.includes(base))
      .slice(0, use.count)
      .map(({ id }) => [id, part.id]),
  );
}

function wholeLampsOf({ vehicle }: Job, part: WholeLampPart, count: number): Record<string, string> {
  const heads = (['left', 'right', 'centre'] as const).flatMap((side) => {
    const filled = vehicle.lamps
      .filter((lamp) => lamp.side === side && lamp.end === part.end)
      .map((lamp) => lampsFilledBy(vehicle, lamp, part))
      .toSorted((a, b) => b.length - a.length)[0];
    return filled && filled.length > 0 ? [filled] : [];
  });
  return Object.fromEntries(heads.slice(0, count).flatMap((lamps) => lamps.map(({ id }) => [id, part.id])));
}

/**
 * Puts a variant into a job's plan: its resistors, its lamps, and which variant it was, in the place of what another variant
 * of the kit had put there. What was planned at other circuits and lamps stays.
 *
 * @param job changed in place
 */
export function takeVariant(job: Job, part: KitPart, variant: KitVariant, change: KitChange): void {
  takeOut(job, part);
  Object.assign(job.cures, change.cures);
  Object.assign(job.chosen, change.chosen);
  const kits = job.kits ?? [];
  const there = kits.find(({ partId }) => partId === part.id);
  if (there) there.takenId = variant.id;
  job.kits = there ? kits : [...kits, { partId: part.id, answers: {}, takenId: variant.id }];
}

/**
 * Takes a kit off a job, its resistors and its lamps with it.
 *
 * @param job changed in place
 */
export function dropKit(job: Job, part: KitPart): void {
  takeOut(job, part);
  job.kits = (job.kits ?? []).filter((kit) => kit.partId !== part.id);
  if (job.kits.length === 0) delete job.kits;
}

/** What came out of a kit's box goes out of the plan: a lamp it was for is open again. */
function takeOut(job: Job, part: KitPart): void {
  for (const [circuitId, cure] of Object.entries(job.cures)) {
    const networks = (cure?.networks ?? []).filter(({ pieces }) =>
      pieces.every((piece) => piece.partId !== part.id),
    );
    if (!cure || networks.length === cure.networks.length) continue;
    if (networks.length === 0) delete job.cures[circuitId];
    else job.cures[circuitId] = { ...cure, networks };
  }
  const inBox = new Set(part.sheet.items.flatMap(({ partId }) => partId ?? []));
  if (job.kits?.some(({ partId, takenId }) => partId === part.id && takenId !== undefined))
    for (const [lampId, chosen] of Object.entries(job.chosen))
      if (chosen !== null && inBox.has(chosen)) delete job.chosen[lampId];
}
