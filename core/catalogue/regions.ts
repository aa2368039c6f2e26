import { commonPractice, fromMemory } from '../formatting/source.ts';
import type { Source } from '../model/source.ts';
import type { CircuitKind } from '../model/vehicle/circuit.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

export type Region = Vehicle['region'];
export type RuleColour = 'amber' | 'red' | 'white' | 'warm';

const R48 = fromMemory('UN Regulation 48');
const R37 = fromMemory('UN Regulations 37 and 128');
const F108 = fromMemory('FMVSS 108');
const PRACTICE = commonPractice('common practice');

/** Which colours a lamp of one function may show in one region; the first is the usual one. */
export interface ColourRule {
  region: Region;
  does: CircuitKind;
  /** where it holds for one end of the vehicle only */
  end?: Lamp['end'];
  colours: readonly RuleColour[];
  source: Source;
}

const rule = (
  region: Region,
  does: CircuitKind,
  colours: readonly RuleColour[],
  end?: Lamp['end'],
): ColourRule => ({
  region,
  does,
  colours,
  source: region === 'UN' ? R48 : F108,
  ...(end ? { end } : {}),
});

/** The same in both regions: nobody asks for another stop colour. */
const EVERYWHERE = (['UN', 'US'] as const).flatMap((region): ColourRule[] => [
  rule(region, 'stop', ['red']),
  rule(region, 'third-brake', ['red']),
  rule(region, 'tail', ['red'], 'rear'),
  rule(region, 'plate', ['white', 'warm']),
  rule(region, 'reverse', ['white']),
  rule(region, 'rear-fog', ['red']),
  rule(region, 'dipped-beam', ['white']),
  rule(region, 'main-beam', ['white']),
  rule(region, 'marker', ['red'], 'rear'),
  rule(region, 'daytime-running', ['white']),
  rule(region, 'cornering', ['white', 'warm']),
  { region, does: 'work', colours: ['white', 'warm'], source: PRACTICE },
  { region, does: 'beacon', colours: ['amber'], source: PRACTICE },
  { region, does: 'interior', colours: ['warm', 'white'], source: PRACTICE },
  { region, does: 'dash', colours: ['white', 'warm', 'amber', 'red'], source: PRACTICE },
  { region, does: 'charge', colours: ['red', 'white', 'amber', 'warm'], source: PRACTICE },
]);

/** Colours by function. The narrower rule (with an end) goes before the wider. */
export const COLOUR_RULES: readonly ColourRule[] = [
  rule('UN', 'turn', ['amber']),
  rule('US', 'turn', ['amber', 'red'], 'rear'),
  rule('US', 'turn', ['amber']),
  ...EVERYWHERE,
  rule('UN', 'tail', ['white', 'warm']),
  rule('US', 'tail', ['white', 'warm', 'amber']),
  rule('UN', 'marker', ['amber'], 'side'),
  rule('UN', 'marker', ['white', 'amber']),
  rule('US', 'marker', ['amber']),
  rule('UN', 'front-fog', ['white', 'amber']),
  rule('US', 'front-fog', ['white', 'amber']),
];

/**
 * The rule on colour for a function at one end of the vehicle.
 *
 * @throws RangeError when the table has none: every function has one for every region
 */
export function colourRule(region: Region, does: CircuitKind, end: Lamp['end']): ColourRule {
  const found = COLOUR_RULES.find(
    (each) => each.region === region && each.does === does && (each.end === undefined || each.end === end),
  );
  if (!found) throw new RangeError(`no colour rule for ${does} in ${region}`);
  return found;
}

/** What else a region has to say, as a caution and never as advice. */
export interface RegionRule {
  region: Region;
  topic: 'flash rate' | 'outage warning' | 'retrofit bulbs' | 'whole lamps' | 'headlamp aim' | 'extra lamps';
  text: string;
  source: Source;
}

export const REGION_RULES: readonly RegionRule[] = [
  {
    region: 'UN',
    topic: 'flash rate',
    text: 'Turn signals flash 90 ± 30 times a minute, the first light within a second of the switch.',
    source: R48,
  },
  {
    region: 'US',
    topic: 'flash rate',
    text: 'Turn signals flash 60 to 120 times a minute and are on for 30 to 75 % of the time.',
    source: fromMemory('FMVSS 108 with SAE J590 and J1690'),
  },
  {
    region: 'UN',
    topic: 'outage warning',
    text: 'The driver must be told when a turn lamp fails. A relay that does not watch takes that away.',
    source: R48,
  },
  {
    region: 'US',
    topic: 'outage warning',
    text: 'A failed turn lamp must show on the dash, on most vehicles. A relay that does not watch takes that away.',
    source: F108,
  },
  {
    region: 'UN',
    topic: 'retrofit bulbs',
    text: 'A lamp is approved with the light source in its approval. LED bulbs in lamps approved for filaments are mostly not allowed on the road, even where they work; some countries allow listed ones.',
    source: R37,
  },
  {
    region: 'US',
    topic: 'retrofit bulbs',
    text: 'Lamps must perform as certified. LED bulbs in them are sold for off-road use; state law and inspection decide.',
    source: F108,
  },
  {
    region: 'UN',
    topic: 'whole lamps',
    text: 'A whole lamp with the approval mark for its functions is the legal route.',
    source: R48,
  },
  {
    region: 'US',
    topic: 'whole lamps',
    text: 'A whole lamp marked as meeting the standard for its functions is the legal route.',
    source: F108,
  },
  {
    region: 'UN',
    topic: 'headlamp aim',
    text: 'Dipped beam is set down by 1.0 to 1.5 % by its height; the figure is on a plate by the lamp.',
    source: R48,
  },
  {
    region: 'US',
    topic: 'headlamp aim',
    text: 'Visually aimed lamps have their cut-off level with the lamp’s middle, or a little below; state inspection decides.',
    source: fromMemory('SAE J599'),
  },
  {
    region: 'UN',
    topic: 'extra lamps',
    text: 'Lamps that are not on the list of those required or allowed must not be fitted.',
    source: R48,
  },
  {
    region: 'US',
    topic: 'extra lamps',
    text: 'Extra lamps must not make the required ones less effective.',
    source: F108,
  },
];

const REGION_NAMES: Record<Region, string> = { UN: 'UN regulations', US: 'North America' };

/** A region as people say it. */
export function regionName(region: Region): string {
  return REGION_NAMES[region];
}

/** What a region says on one topic. */
export function regionRule(region: Region, topic: RegionRule['topic']): RegionRule | undefined {
  return REGION_RULES.find((each) => each.region === region && each.topic === topic);
}
