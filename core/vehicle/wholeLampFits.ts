import { inARow } from '../formatting/format.ts';
import type { WholeLampPart } from '../model/part.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { lampsFilledBy, sectionFor } from '../simulation/wholeLamp.ts';
import { functionsOf, workName } from './lampWork.ts';
import { type LedFit, rangeObstacles } from './ledFits.ts';

/**
 * Whether a whole lamp can take the place of one of the vehicle's lamps, and why not. A housing is made for a model, its
 * years and its trim: where nobody has written down which, it does not fit until somebody has looked.
 */
export function wholeLampFit(vehicle: Vehicle, lamp: Lamp, part: WholeLampPart): LedFit {
  const obstacles: string[] = [];
  const section = sectionFor(vehicle, lamp, part);
  if (part.end !== lamp.end) obstacles.push(`It is a ${part.end} lamp; this one is at the ${lamp.end}.`);
  if (!section)
    obstacles.push(
      `It has no ${functionsOf(vehicle, lamp.id) || 'such'} section: it does ${part.sections.map((each) => workName(each.does)).join(', ')}.`,
    );
  if (part.market !== 'any' && part.market !== vehicle.region)
    obstacles.push(
      `It is made for ${part.market === 'US' ? 'North America' : 'UN markets'}: plug, pins and colours differ.`,
    );
  obstacles.push(...rangeObstacles(vehicle, part.supplyRange));
  if (part.replaces === 'factory-led' && !lamp.works)
    obstacles.push('It takes the place of a factory LED lamp; this one has a bulb: plug and supply differ.');
  if (part.replaces === 'filament' && lamp.works)
    obstacles.push(
      'It takes the place of a lamp with bulbs; this one has LEDs from the works: plug and supply differ.',
    );
  const { otherwise, unknown } = madeFor(vehicle, part);
  obstacles.push(...otherwise);
  return {
    fits: obstacles.length + unknown.length === 0,
    obstacles,
    cautions: cautionsOf(vehicle, lamp, part),
    checks: unknown,
  };
}

const alike = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/** What of model, years and trim speaks against it, and what nobody has written down. */
function madeFor(vehicle: Vehicle, part: WholeLampPart): { otherwise: string[]; unknown: string[] } {
  const { models = [], fromYear, toYear, trim } = part;
  const otherwise: string[] = [];
  const unknown: string[] = [];
  if (models.length === 0)
    unknown.push(
      'Which models it fits is not written down: compare outline, screw holes and plug with the old lamp.',
    );
  else if (vehicle.model.trim() === '')
    unknown.push(`It is made for ${inARow(models)}; this vehicle has no model yet: name it under Change.`);
  else if (!models.some((model) => alike(model, vehicle.model)))
    otherwise.push(`It is made for ${inARow(models)}; this is a ${vehicle.model}.`);
  if (fromYear !== undefined && vehicle.year < fromYear)
    otherwise.push(`It is made for years from ${fromYear}; this vehicle is of ${vehicle.year}.`);
  if (toYear !== undefined && vehicle.year > toYear)
    otherwise.push(`It is made for years up to ${toYear}; this vehicle is of ${vehicle.year}.`);
  if (models.length > 0 && fromYear === undefined && toYear === undefined)
    unknown.push('For which years is not written down: lamps change with a facelift under the same name.');
  if (trim) unknown.push(`It is made for ${trim}: look whether this one is.`);
  return { otherwise, unknown };
}

function cautionsOf(vehicle: Vehicle, lamp: Lamp, part: WholeLampPart): string[] {
  const cautions = lampsFilledBy(vehicle, lamp, part).flatMap((each) => {
    const light = sectionFor(vehicle, each, part)?.light;
    if (light?.kind !== 'socket') return [];
    const work = functionsOf(vehicle, each.id) || 'this';
    return [
      light.base === each.base
        ? `Its ${work} section has a socket: the old bulb moves over, and draws what it always drew.`
        : `Its ${work} section has a ${light.base} socket; the old ${each.base} bulb does not go in. Order one that does.`,
    ];
  });
  if (part.movesOver.length > 0) cautions.push(`Moves over from the old lamp: ${part.movesOver.join(', ')}.`);
  if (lamp.module) cautions.push(`The ${lamp.module} in the old lamp must move into this one.`);
  cautions.push(`Plug: ${part.connector}. Compare the pins before anything is cut.`);
  return cautions;
}

/** The part as one that fits a vehicle: its model and year are among what it is made for, its trim was looked at. */
export function noteModel(part: WholeLampPart, { model, year }: Vehicle): WholeLampPart {
  const { models = [], fromYear = year, toYear = year, trim: _, ...rest } = part;
  return {
    ...rest,
    models: models.some((each) => alike(each, model)) ? models : [...models, model.trim()],
    fromYear: Math.min(fromYear, year),
    toYear: Math.max(toYear, year),
  };
}
