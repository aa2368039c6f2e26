import { bulbById } from '../../catalogue/bulbs.ts';
import { MOST_LAMPS } from '../../model/limits.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { lampIdsOf, turnCircuitsOn, turnSides } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { retuneAssumed } from './assumed.ts';
import { dropEmptyCircuits, type LampFunction, setLampFunctions } from './circuits.ts';
import { type LampTemplateId, stockBulbFor, TEMPLATES } from './lampTemplates.ts';
import { setReturn } from './returns.ts';
import { VehicleEditError } from './vehicleEditError.ts';

/**
 * Adds lamps of a usual kind: one, or one on each flank, fed by the circuits that do its work. A second lamp of one
 * function hangs on the same wire and fuse as the first, as added lamps do.
 *
 * @param vehicle changed in place
 * @param at centre of the left or only one on the plan, 0 to 1; its usual place where left out
 * @returns the ids of the new lamps
 * @throws VehicleEditError when the vehicle has no room for more
 */
export function addLamps(
  vehicle: Vehicle,
  templateId: LampTemplateId,
  where: Lamp['side'] | 'pair',
  at?: { across: number; along: number },
): string[] {
  const sides: readonly Lamp['side'][] = where === 'pair' ? ['left', 'right'] : [where];
  if (vehicle.lamps.length + sides.length > MOST_LAMPS)
    throw new VehicleEditError(`A vehicle holds at most ${MOST_LAMPS} lamps. Remove one first.`);
  const template = TEMPLATES[templateId];
  const taken = vehicle.lamps.map((lamp) => lamp.id);
  const idOf = (side: Lamp['side'], count: number) => {
    const name = count === 1 ? templateId : `${templateId}-${count}`;
    return side === 'centre' ? name : `${name}-${side}`;
  };
  // A pair keeps one number, so that its two halves are seen to belong together.
  let number = 1;
  while (sides.some((side) => taken.includes(idOf(side, number)))) number += 1;
  return sides.map((side) => {
    const id = idOf(side, number);
    const suffix = number > 1 ? ` ${number}` : '';
    const left = at ?? { across: template.at[0], along: crowded(vehicle, template.at, side) };
    const stockBulb = stockBulbFor(templateId, vehicle);
    const lamp: Lamp = {
      id,
      name: `${template.name}${suffix}${side === 'centre' ? '' : ` ${side}`}`,
      side,
      end: template.end,
      role: template.role,
      plan: {
        across:
          side === 'right' && where === 'pair'
            ? 1 - left.across
            : at
              ? left.across
              : acrossFor(side, left.across),
        along: left.along,
      },
      lens: lensFor(template.lens(vehicle), templateId, vehicle),
      base: bulbById(stockBulb)?.base ?? 'BA15s',
      stockBulb,
      lead: { lengthM: template.lead, areaMm2: template.areaMm2 },
      earth: { lengthM: 0.4, areaMm2: template.areaMm2 },
      // Nobody has looked whether there is metal.
      resistorMount: 'unknown',
      access: {
        // Behind one cover until somebody says otherwise: an end of a side, and a dash, are mostly opened once.
        group:
          template.end === 'dash'
            ? 'cluster'
            : side !== 'centre' && (template.end === 'front' || template.end === 'rear')
              ? `${template.end}-${side}`
              : id,
        how: 'Not looked at yet.',
        tools: [],
        // Nobody has written down how it opens: a twist of a holder, or a bumper.
        minutes: [0.8, 10],
      },
    };
    vehicle.lamps.push(lamp);
    setLampFunctions(vehicle, lamp, template.works);
    const back = vehicle.circuits.find(({ kind }) => kind === template.returnsTo);
    if (back) setReturn(vehicle, id, back.id);
    retuneAssumed(vehicle);
    return id;
  });
}

function acrossFor(side: Lamp['side'], across: number): number {
  if (side === 'centre') return 0.5;
  return side === 'right' ? 1 - across : across;
}

/** Further along where a lamp stands there already, so that both can be seen. */
function crowded(vehicle: Vehicle, [across, along]: LampTemplateAt, side: Lamp['side']): number {
  const x = acrossFor(side, across);
  const step = along > 0.5 ? -0.045 : 0.045;
  const free = (y: number) =>
    !vehicle.lamps.some(
      (lamp) => Math.abs(lamp.plan.across - x) < 0.06 && Math.abs(lamp.plan.along - y) < 0.03,
    );
  let y = along;
  while (!free(y) && y + step > 0.02 && y + step < 0.98) y += step;
  return y;
}
type LampTemplateAt = readonly [across: number, along: number];

/** Amber glass goes behind a clear lens and clear glass behind an amber one. */
function lensFor(lens: Lamp['lens'], templateId: LampTemplateId, vehicle: Vehicle): Lamp['lens'] {
  const amberGlass = bulbById(stockBulbFor(templateId, vehicle))?.glass === 'amber';
  if (templateId === 'front-turn') return amberGlass ? 'clear' : 'amber';
  return lens;
}

/**
 * Takes a lamp off, with its feeds and whatever hung on it.
 *
 * @param vehicle changed in place
 * @throws VehicleEditError for the last main turn lamp: without one nothing flashes, and nothing can be judged
 */
export function removeLamp(vehicle: Vehicle, lampId: string): void {
  const left = vehicle.lamps.filter((lamp) => lamp.id !== lampId);
  refuseWithoutTurn(vehicle, left, (circuitLamps) => circuitLamps.filter((id) => id !== lampId));
  vehicle.lamps = left;
  for (const circuit of vehicle.circuits)
    circuit.feeds = circuit.feeds.filter((feed) => feed.lampId !== lampId);
  dropEmptyCircuits(vehicle);
  if (vehicle.pilot?.lampId === lampId) delete vehicle.pilot;
  retuneAssumed(vehicle);
}

/**
 * Gives a lamp other work.
 *
 * @param vehicle changed in place
 * @throws VehicleEditError when a side would be left without a main turn lamp, or a lamp without work
 */
export function changeWork(vehicle: Vehicle, lampId: string, functions: readonly LampFunction[]): void {
  const lamp = vehicle.lamps.find((each) => each.id === lampId);
  if (!lamp) throw new VehicleEditError(`The vehicle has no lamp "${lampId}" any more.`);
  if (functions.length === 0 && vehicle.pilot?.lampId !== lampId)
    throw new VehicleEditError(
      `${lamp.name} needs something to do. Choose another function first, or remove the lamp.`,
    );
  if (!functions.some((each) => each.kind === 'turn'))
    refuseWithoutTurn(vehicle, vehicle.lamps, (ids) => ids.filter((id) => id !== lampId));
  setLampFunctions(vehicle, lamp, functions);
  retuneAssumed(vehicle);
}

/**
 * A lamp's base and with it the bulb it takes.
 *
 * @param vehicle changed in place
 * @throws VehicleEditError when the catalogue has no such bulb
 */
export function changeStockBulb(vehicle: Vehicle, lampId: string, bulbId: string): void {
  const bulb = bulbById(bulbId);
  const lamp = vehicle.lamps.find((each) => each.id === lampId);
  if (!bulb || !lamp)
    throw new VehicleEditError(`Bulb "${bulbId}" is not in the catalogue. Choose one from the list.`);
  lamp.stockBulb = bulbId;
  lamp.base = bulb.base;
  retuneAssumed(vehicle);
}

/**
 * Whether a lamp counts as main or as repeater.
 *
 * @param vehicle changed in place
 * @throws VehicleEditError when a side would be left without a main turn lamp
 */
export function changeRole(vehicle: Vehicle, lampId: string, role: Lamp['role']): void {
  const lamp = vehicle.lamps.find((each) => each.id === lampId);
  if (!lamp) throw new VehicleEditError(`The vehicle has no lamp "${lampId}" any more.`);
  if (role === 'repeater') {
    const others = vehicle.lamps.filter((each) => each.id !== lampId);
    for (const side of turnSides(vehicle)) {
      const ids = turnCircuitsOn(vehicle, side).flatMap(lampIdsOf);
      if (ids.includes(lampId) && !others.some((each) => each.role === 'main' && ids.includes(each.id)))
        throw lastMain(side);
    }
  }
  lamp.role = role;
  retuneAssumed(vehicle);
}

function lastMain(side: string): VehicleEditError {
  return new VehicleEditError(
    `That is the last main lamp of the ${side} turn circuit; its verdict rests on it. Add another turn lamp on that side first.`,
  );
}

function refuseWithoutTurn(
  vehicle: Vehicle,
  lamps: readonly Lamp[],
  kept: (ids: string[]) => string[],
): void {
  for (const side of turnSides(vehicle)) {
    const before = turnCircuitsOn(vehicle, side).flatMap(lampIdsOf);
    const after = kept(before);
    if (after.length === before.length) continue;
    const others = turnSides(vehicle).length > 1 && after.length === 0;
    const main = lamps.some((lamp) => lamp.role === 'main' && after.includes(lamp.id));
    if (!main && !others) throw lastMain(side);
  }
}
