import type { Lamp } from '../../model/vehicle/lamp.ts';
import { lampsByPanel } from '../../model/vehicle/lookUp.ts';
import type { Opening } from '../../model/vehicle/opening.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import type { UsualOpening } from './usualOpenings.ts';

/** One thing that is opened, with the lamps behind it. */
export interface OpenedWith {
  opening: Opening;
  lamps: readonly Lamp[];
  /** somebody has written down what holds it; else the lamps' own words are all there is */
  structured: boolean;
  /** how it is reached, in the words of whoever wrote it */
  texts: readonly string[];
}

/**
 * Everything of a vehicle that is opened for a lamp: as it was written down, and where nobody has, as its lamps say in
 * words. Trim that is only in the way has no lamps.
 */
export function openingsOf(vehicle: Vehicle): OpenedWith[] {
  const written = vehicle.openings ?? [];
  return [
    ...[...lampsByPanel(vehicle.lamps)].map(([id, lamps]): OpenedWith => {
      const known = written.find((each) => each.id === id && each.of === 'lamps');
      const texts = [...new Set(lamps.map(({ access }) => access.how).filter(Boolean))];
      return { opening: known ?? inWords(id, lamps), lamps, structured: known !== undefined, texts };
    }),
    ...written
      .filter(({ of }) => of !== 'lamps')
      .map((opening) => ({ opening, lamps: [], structured: true, texts: [] })),
  ];
}

/** How the flasher is reached, where somebody has written that down. */
export function flasherOpening(vehicle: Vehicle): Opening | undefined {
  return vehicle.openings?.find(({ of }) => of === 'flasher');
}

/** An opening nobody has written down, from what its lamps say. */
function inWords(id: string, lamps: readonly Lamp[]): Opening {
  const [first] = lamps;
  return {
    id,
    name: first?.name ?? id,
    of: 'lamps',
    where: '',
    undo: [],
    needs: [],
    tools: [...new Set(lamps.flatMap(({ access }) => access.tools))].slice(0, 12),
    minutes: [
      Math.max(...lamps.map(({ access }) => access.minutes[0])),
      Math.max(...lamps.map(({ access }) => access.minutes[1])),
    ],
    differs: '',
    hazards: [],
  };
}

/** An opening filled in from a usual one: whoever looks at it corrects it. */
export function openingFrom(usual: UsualOpening, id: string, name: string): Opening {
  return {
    id,
    name,
    of: usual.of,
    where: '',
    undo: usual.undo.map((each) => ({ ...each })),
    needs: [],
    tools: [...usual.tools],
    minutes: [usual.minutes[0], usual.minutes[1]],
    differs: '',
    hazards: [...(usual.hazards ?? [])],
    usual: usual.id,
  };
}

/**
 * Everything that must be open before one opening is, and itself, in the order they are opened.
 *
 * @param id of an opening
 */
export function openedFirst(vehicle: Vehicle, id: string): Opening[] {
  const all = openingsOf(vehicle).map(({ opening }) => opening);
  const order: Opening[] = [];
  const visit = (each: string, above: readonly string[]) => {
    const opening = all.find((one) => one.id === each);
    // Two that need each other cannot both come first: the circle is left where it closes.
    if (!opening || order.includes(opening) || above.includes(each)) return;
    for (const need of opening.needs) visit(need, [...above, each]);
    order.push(opening);
  };
  visit(id, []);
  return order;
}

/** What does not hang together among openings, each with what to do. */
export function openingProblems({ openings = [], lamps }: Vehicle): string[] {
  const ids = openings.map(({ id }) => id);
  const groups = new Set(lamps.map(({ access }) => access.group));
  return openings.flatMap((opening) => {
    const where = `vehicle.openings ${opening.id}`;
    const problems = opening.needs
      .filter((id) => !ids.includes(id) && !groups.has(id))
      .map((id) => `${where} needs "${id}", which is not there. Take it out or add that opening.`);
    if (
      ids.indexOf(opening.id) !== ids.lastIndexOf(opening.id) &&
      ids.indexOf(opening.id) === openings.indexOf(opening)
    )
      problems.push(`There is more than one opening "${opening.id}".`);
    if (opening.of === 'lamps' && !groups.has(opening.id))
      problems.push(`${where} has no lamp behind it. Give it the group of a lamp's access, or make it trim.`);
    if (opening.minutes[0] > opening.minutes[1])
      problems.push(`${where}: its time runs backwards. Put the shorter time first.`);
    if (inCircle(openings, opening.id))
      problems.push(`${where} needs itself, by way of what it needs. One of them comes first.`);
    return problems;
  });
}

function inCircle(openings: readonly Opening[], id: string): boolean {
  const needs = (each: string) => openings.find((one) => one.id === each)?.needs ?? [];
  const seen = new Set<string>();
  const queue = [...needs(id)];
  for (let next = queue.pop(); next !== undefined; next = queue.pop()) {
    if (next === id) return true;
    if (seen.has(next)) continue;
    seen.add(next);
    queue.push(...needs(next));
  }
  return false;
}
