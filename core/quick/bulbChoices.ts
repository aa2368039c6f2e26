import { baseRecord } from '../catalogue/bases.ts';
import { bulbById } from '../catalogue/bulbs.ts';
import { isCapsule } from '../catalogue/nearBulbs.ts';
import type { Bulb } from '../model/bulb.ts';
import { isAboutTurns, isBeam, type QuickLamps, quickLampName } from './question.ts';

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
  marker: ['W5W', 'R5W', '194', 'T4W', 'C5W'],
  'daytime-running': ['P21W', 'W21W', '3156', 'P21-5W', 'W21-5W', 'P13W', 'PS19W', 'PW24W', 'PSX24W'],
  cornering: ['H11', 'H7', 'H8', 'P21W', '3156'],
  'front-fog': ['H11', 'H8', 'H16', 'H3', 'H1', 'HB4', 'H7', 'PSX24W', 'PS24W', 'H27W-1'],
  'dipped-beam': ['H7', 'H4', 'H1', 'H11', 'HB4'],
  'main-beam': ['H7', 'H4', 'H1', 'H9', 'HB3'],
  work: ['H3', 'H1', 'P21W'],
  beacon: ['H1', 'H3', 'P21W'],
  interior: ['C5W', 'W5W', '578', 'T4W', 'R5W'],
  map: SMALL,
  boot: SMALL,
  'load-area': ['C5W', 'P21W', '578', 'R5W'],
};

/**
 * Whether some lamps can be made for a bulb at all: capsules are for beams, and for lamps of plant, and no beam is made
 * by a signal bulb but a cornering lamp's (common practice).
 */
export function mayTake(lamps: QuickLamps, bulb: Bulb): boolean {
  if (lamps === 'cornering' || lamps === 'work' || lamps === 'beacon') return true;
  if (lamps === 'front-fog' && baseRecord(bulb.base).fogToo) return true;
  return isBeam(lamps) === isCapsule(bulb);
}

/** Why a bulb is none of some lamps, and what to do. */
export function notForThem(lamps: QuickLamps, bulb: Bulb): string {
  const [name] = bulb.names;
  return isCapsule(bulb)
    ? `${name} is a capsule of headlamps and fog lamps: no signal lamp takes it. Read the number on the bulb of these lamps, P21W or 1156.`
    : `${name} is a signal bulb: ${quickLampName(lamps).toLowerCase()} lamps take a capsule. Read the number on its foot, H7 or 9006.`;
}

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
