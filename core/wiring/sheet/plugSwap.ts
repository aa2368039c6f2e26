import type { WholeLampPart } from '../../model/part.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { nameOf } from '../connectors.ts';
import { colourLetters, isProved } from '../feedProof.ts';
import { type PinMap, type PinRow, pinMapOf } from '../wholeLampPins.ts';
import { proofWords, type SheetRow } from './rows.ts';
import type { SheetNode, SheetWire, WiringSheet } from './sheet.ts';

const CHANGE_WORDS: Record<PinRow['change'], string> = {
  same: 'stays where it is',
  moved: 'moves',
  joined: 'joined with another',
  doubled: 'doubled',
  capped: 'no wire: keep its dummy cap',
  'no-wire': 'the old plug has no wire for it',
  unknown: 'the old plug has not been looked at',
};

/**
 * The old plug of a lamp against the plug of the whole lamp that replaces it: each wire from its old cavity to its new one.
 *
 * @returns the sheet, and the map it was drawn from
 */
export function plugSwapSheet(
  vehicle: Vehicle,
  lamp: Lamp,
  part: WholeLampPart,
): { sheet: WiringSheet; map: PinMap } {
  const map = pinMapOf(vehicle, lamp, part);
  const oldCavities = map.old?.cavities ?? [];
  const wires: SheetWire[] = [];
  const capped = new Set(map.left.map(({ id }) => id));
  for (const row of map.rows)
    for (const from of row.from)
      wires.push({
        id: `${from.id}-${row.cavity}`,
        from: { node: 'old', port: `e${from.id}` },
        to: { node: 'new', port: `w${row.cavity}` },
        colour: from.colour ?? null,
        label: colourLetters(from.colour) || '?',
        kind: row.change === 'same' ? 'loom' : 'added',
      });
  const caps = oldCavities.filter(({ id }) => capped.has(id));
  for (const { id, colour } of caps)
    wires.push({
      id: `cap-${id}`,
      from: { node: 'old', port: `e${id}` },
      to: { node: `cap-${id}`, port: 'in' },
      colour: colour ?? null,
      label: colourLetters(colour) || '?',
      kind: 'added',
    });
  const nodes: SheetNode[] = [
    {
      id: 'old',
      kind: 'plug',
      title: 'Old plug',
      lines: [map.old?.housing ?? 'nobody has looked'],
      ports: oldCavities.map(({ id, use }) => ({
        id: `e${id}`,
        side: 'east',
        label: `${id} ${use ? nameOf(vehicle, use) : '?'}`,
      })),
    },
    {
      id: 'new',
      kind: 'plug',
      title: `New: ${part.code}`,
      lines: [part.connector],
      ports: map.rows.map(({ cavity, does }) => ({
        id: `w${cavity}`,
        side: 'west',
        label: `${cavity} ${does}`,
      })),
    },
    ...caps.map(
      ({ id }): SheetNode => ({
        id: `cap-${id}`,
        kind: 'cap',
        title: 'cap it',
        lines: [],
        ports: [{ id: 'in', side: 'west', label: '' }],
      }),
    ),
  ];
  const rows = map.rows.map((row): SheetRow => {
    const [first] = row.from;
    return {
      cavity: row.cavity,
      colour: first?.colour ?? null,
      letters: row.from.map(({ colour }) => colourLetters(colour) || '?').join(' + '),
      areaMm2: first?.areaMm2 ?? null,
      does: row.does,
      proof: first ? proofWords(first) : '',
      proved: row.from.length > 0 && row.from.every(isProved),
      joint: CHANGE_WORDS[row.change],
      fuse: row.from.length > 0 ? `from old cavity ${row.from.map(({ id }) => id).join(' and ')}` : '',
      hint: '',
    };
  });
  return {
    sheet: {
      connectorId: map.old?.id ?? `plug-${lamp.access.group}`,
      title: `${lamp.name}: old plug to ${part.code}`,
      nodes,
      wires,
      rows,
      notes: [],
    },
    map,
  };
}
