import { bulbById } from '../catalogue/bulbs.ts';
import type { Bulb } from '../model/bulb.ts';
import { isAboutTurns, type QuickLamps } from './question.ts';

const TURN = ['P21W', 'PY21W', '3156', 'W21W', '1157', '3157', 'W16W', 'W5W'];
const SMALL = ['W5W', 'R5W', 'T4W', 'C5W'];

const CHOICES: Partial<Record<QuickLamps, readonly string[]>> = {
  repeater: ['W5W', 'T4W', '194'],
  'stop-tail': ['P21-5W', '3157', 'W21-5W', '1157'],
  'third-brake': ['W16W', 'P21W', 'W5W', 'C5W', '921'],
  reverse: ['P21W', '3156', 'W16W', 'W21W', '921'],
  'rear-fog': ['P21W', 'W21W', 'W16W'],
  position: SMALL,
  plate: ['C5W', 'W5W', 'R5W', '194'],
  interior: ['C5W', 'W5W', '578', 'T4W', 'R5W'],
};

/** The bulbs mostly met in some lamps (common practice), to be told by their glass and contacts. */
export function bulbChoices(lamps: QuickLamps): Bulb[] {
  const ids = isAboutTurns(lamps) && lamps !== 'repeater' ? TURN : (CHOICES[lamps] ?? SMALL);
  const bases = new Set<string>();
  return ids.flatMap((id) => {
    const bulb = bulbById(id);
    if (!bulb || bases.has(`${bulb.base} ${bulb.names[0]}`)) return [];
    bases.add(`${bulb.base} ${bulb.names[0]}`);
    return [bulb];
  });
}
