import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { nameOf } from '../wiring/connectors.ts';
import type { PinMap, PinRow } from '../wiring/wholeLampPins.ts';

/** What is to be done about a plug whose cavities differ from the old one's. */
export function pinChangeWords(vehicle: Vehicle, { rows, left }: PinMap): string[] {
  const said: string[] = [];
  const doubled = new Map<string, PinRow[]>();
  for (const row of rows) {
    const from = row.from.map(({ id }) => id);
    if (row.change === 'moved')
      said.push(`The ${row.does} wire moves from cavity ${from[0]} to ${row.cavity}.`);
    if (row.change === 'joined')
      said.push(`The wires of cavities ${from.join(' and ')} go into ${row.cavity} together (${row.does}).`);
    if (row.change === 'no-wire')
      said.push(`The old plug has no wire for ${row.does}, cavity ${row.cavity}.`);
    if (row.change === 'doubled') {
      const key = from.join();
      doubled.set(key, [...(doubled.get(key) ?? []), row]);
    }
  }
  for (const [from, to] of doubled)
    said.push(
      `The wire of cavity ${from.replaceAll(',', ' and ')} is doubled: it feeds ${to.map(({ cavity, does }) => `${cavity} (${does})`).join(' and ')}.`,
    );
  for (const { id, use } of left)
    if (use)
      said.push(`The ${nameOf(vehicle, use)} wire of cavity ${id} has no place in the new plug: cap it.`);
  return said;
}
