import { filamentWatts, signalFilament } from '../catalogue/bulbs.ts';
import type { Bulb } from '../model/bulb.ts';
import type { SystemVolts } from '../model/fields.ts';
import type { LedPart } from '../model/part.ts';
import type { QuickLed } from './question.ts';

export type GenericLed = Exclude<QuickLed, { kind: 'part' }>;

/** What LEDs in the place of a bulb of some size draw, and what loads some have inside, at 12 V (common practice). */
interface TypicalLeds {
  /** of the bulb's bright filament, W */
  fromWatts: number;
  /** what is sold for it draws from so much to so much where nothing is printed, W */
  watts: readonly [number, number];
  likely: number;
  loadsOhms: readonly number[];
}

const TYPICAL: readonly TypicalLeds[] = [
  // In the place of a capsule; the loads of their decoders.
  { fromWatts: 35, watts: [8, 45], likely: 20, loadsOhms: [6, 10, 15] },
  { fromWatts: 18, watts: [1.5, 8], likely: 3, loadsOhms: [10, 25, 50] },
  { fromWatts: 10, watts: [1, 5], likely: 2.5, loadsOhms: [15, 30, 60] },
  { fromWatts: 0, watts: [0.3, 2], likely: 1, loadsOhms: [50, 100, 250] },
];
/** The dim level of a twin bulb, as a share of the bright one (common practice: a fifth to a tenth). */
const DIM_SHARE = 0.15;

const NAMES: Record<GenericLed['kind'], string> = {
  plain: 'Plain LED',
  regulated: 'Regulated LED',
  load: 'LED with a load built in',
  unknown: 'LED, nothing known',
};

/** `Plain LED`: what is known of an LED, in words. */
export function genericLedName(kind: GenericLed['kind']): string {
  return NAMES[kind];
}

/**
 * An LED of which no more is known than a kind and perhaps its watts, as a part that is judged as everything it may be.
 *
 * @param bulb what it takes the place of
 */
export function genericLed(
  led: GenericLed,
  bulb: Bulb,
  systemVolts: SystemVolts,
  colour: LedPart['colour'],
): LedPart {
  const atVolts = 12.8 * (systemVolts / 12);
  const bright = filamentWatts(signalFilament(bulb));
  const typical = TYPICAL.find(({ fromWatts }) => bright >= fromWatts) ?? (TYPICAL.at(-1) as TypicalLeds);
  const loads = typical.loadsOhms.map((ohms) => ohms * (systemVolts / 12) ** 2);
  const [load, ...otherLoads] = loads as [number, ...number[]];
  const loadWatts = led.kind === 'load' ? atVolts ** 2 / load : 0;
  const likely = led.watts ?? typical.likely;
  const regulated = led.kind === 'regulated';
  // A twin bulb's resistors need more volts to work with than a single one's.
  const twin = bulb.filaments.length > 1;
  return {
    id: `generic-${led.kind}`,
    kind: 'led',
    code: NAMES[led.kind],
    name: `${NAMES[led.kind]} for ${bulb.names[0]}`,
    price: 0,
    stock: 0,
    bases: [bulb.base],
    colour,
    watts: likely + loadWatts,
    atVolts,
    supplyRange: [10 * (systemVolts / 12), 16 * (systemVolts / 12)],
    polarity: 'either',
    ballast: regulated
      ? { kind: 'constant-current', forwardVolts: atVolts * (twin ? 0.4 : 0.5) }
      : { kind: 'series-resistor', forwardVolts: atVolts * (twin ? 0.4 : 0.72) },
    ...(led.kind === 'load' ? { builtInLoadOhms: load } : {}),
    ...(twin ? { twin: { topology: 'unknown' as const, dimWatts: Math.max(0.1, likely * DIM_SHARE) } } : {}),
    open: {
      ballasts: regulated ? ['converter'] : ['constant-current', 'converter'],
      ...(led.watts === null
        ? { watts: [typical.watts[0] + loadWatts, typical.watts[1] + loadWatts] as [number, number] }
        : {}),
      ...(led.kind === 'load' ? { loads: otherLoads } : {}),
      ...(led.kind === 'unknown' ? { loads } : {}),
    },
    lumens: 200,
    lengthMm: 45,
    diameterMm: 19,
  };
}
