import { capital } from '../formatting/format.ts';
import { length } from '../formatting/units.ts';
import type { Fastening, Hazard, Opening } from '../model/vehicle/opening.ts';

const many = (count: number, one: string) =>
  `${count} ${one}${count === 1 ? '' : one.endsWith('s') ? 'es' : 's'}`;

const longer = (lengthMm: number | undefined) => (lengthMm === undefined ? '' : `, ${length(lengthMm)} long`);

/** `4 cross-head screws, 35 mm long, with washers: corners of the lens`: one thing that holds, in words. */
export function fasteningWords(held: Fastening): string {
  switch (held.kind) {
    case 'fastener':
      return `${held.count} ${held.size} ${held.what}${held.count === 1 ? '' : 's'}${longer(held.lengthMm)}${held.washer ? ', with washers' : ''}${held.where ? `: ${held.where}` : ''}`;
    case 'clip':
      return `${many(held.count, 'clip')} at the ${held.edge} edge`.replace(
        'at the all round edge',
        'all round',
      );
    case 'guide-pin':
      return `${many(held.count, 'guide pin')}`;
    case 'plug':
      return `${many(held.count, 'plug')}${held.where ? `, ${held.where}` : ''}`;
    case 'piece':
      return held.what;
  }
}

/** What to do with it when opening. */
export function undoWords(held: Fastening): string {
  const what = capital(fasteningWords(held));
  switch (held.kind) {
    case 'fastener':
      return held.count > 1 ? `${what}. Ease each a little before taking any out.` : `${what}.`;
    case 'clip':
      return `${what}: pry from there with plastic, pull ${held.pull}.`;
    case 'guide-pin':
      return `${what}: pull ${held.pull === 'straight' ? 'straight' : `straight ${held.pull}`}, do not lever.`;
    case 'plug':
      return `${what}: ${held.catch === 'nobody has looked' ? 'look at its catch first' : held.catch}.`;
    case 'piece':
      return `${what}: ${held.how}.`;
  }
}

/** What is ticked when it is closed again: `3 T20 screws`. */
export function closingWords(held: Fastening): string {
  const words = fasteningWords(held);
  if (held.kind === 'clip') return `${words} home`;
  if (held.kind === 'plug') return `${words} in, catch clicked`;
  return held.kind === 'piece' ? `${words} on` : words;
}

/** What is counted on a panel: how many fasteners it has, and which differ. */
export function countWords({ undo }: Opening): string {
  const held = undo.filter((each) => each.kind === 'fastener');
  if (held.length === 0) return '';
  const total = held.reduce((sum, each) => sum + each.count, 0);
  const lengths = held.flatMap(({ lengthMm, count, where }) =>
    lengthMm === undefined ? [] : [`${count} of ${length(lengthMm)}${where ? ` (${where})` : ''}`],
  );
  return `${total} ${total === 1 ? 'fastener' : 'fasteners'}${lengths.length > 0 ? `, ${lengths.join(', ')}` : ''}`;
}

/** What can hurt there, and what to do about it. */
export const HAZARD_WORDS: Record<Hazard, string> = {
  'curtain-airbag':
    'A curtain airbag may be behind it: battery off, then wait as long as the vehicle’s maker says, and probe nothing there.',
  'high-voltage': 'High voltage: qualified people only, and nobody touches an orange cable.',
  'sharp-edge': 'Sharp edges of sheet metal: gloves.',
  glass: 'Glass near: no levering against it.',
  'under-vehicle': 'Under the vehicle: on stands or a ramp, never on a jack alone.',
};

export const HAZARD_NAMES: Record<Hazard, string> = {
  'curtain-airbag': 'curtain airbag',
  'high-voltage': 'high voltage',
  'sharp-edge': 'sharp edges',
  glass: 'glass near',
  'under-vehicle': 'under the vehicle',
};

/** What one may have to buy when it breaks or is lost: `clip, rear edge`. */
export function losable({ undo }: Opening): string[] {
  return undo.flatMap((held) => {
    if (held.kind === 'fastener')
      return [`${held.what}, ${held.size}${held.lengthMm ? `, ${length(held.lengthMm)}` : ''}`];
    return held.kind === 'clip' ? [`clip of the ${held.edge} edge`] : [];
  });
}
