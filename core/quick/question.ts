import { z } from 'zod';
import { TrialResult } from '../model/evidence.ts';
import { Id, SystemVolts, Volts, Watts } from '../model/fields.ts';
import { FlasherKind } from '../model/vehicle/flasher.ts';
import { VehicleKind } from '../model/vehicle/vehicle.ts';

/** Lamps a quick check can be about: a function at an end of the vehicle. */
export const QuickLamps = z.enum([
  'rear-turn',
  'front-turn',
  'all-turn',
  'repeater',
  'stop-tail',
  'third-brake',
  'reverse',
  'rear-fog',
  'position',
  'plate',
  'marker',
  'daytime-running',
  'cornering',
  'front-fog',
  'dipped-beam',
  'main-beam',
  'work',
  'beacon',
  'interior',
  'map',
  'boot',
  'load-area',
]);
export type QuickLamps = z.infer<typeof QuickLamps>;

/** What is known of the LED in the hand. */
export const QuickLed = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('part'), partId: Id }),
  z.strictObject({
    kind: z.enum(['plain', 'regulated', 'load', 'unknown']),
    /** printed on it; null where nothing is */
    watts: Watts.nullable(),
    /** a range printed on it, or volts it is for; null where nothing is */
    forVolts: SystemVolts.nullable(),
  }),
]);
export type QuickLed = z.infer<typeof QuickLed>;

/** One LED, or all of them, switched on and looked at. */
export const QuickTrial = z.strictObject({
  result: TrialResult,
  lights: z.boolean(),
  engine: z.boolean(),
  /** shorter than ten flashes, on a controller ten seconds */
  brief: z.literal(true).optional(),
  side: z.enum(['left', 'right']),
  /** measured, V; null where it was not, and is what it is with the engine on or off */
  supplyVolts: Volts.nullable(),
});
export type QuickTrial = z.infer<typeof QuickTrial>;

/** All that a quick check was told. What is null nobody knows, and it is judged as everything it may be. */
export const QuickQuestion = z.strictObject({
  vehicle: VehicleKind,
  lamps: QuickLamps,
  sides: z.enum(['both', 'left', 'right']),
  /** catalogue id; null: not known */
  bulb: Id.nullable(),
  /** the number was read off the bulb, not only its class seen */
  bulbRead: z.boolean(),
  led: QuickLed,
  systemVolts: SystemVolts.nullable(),
  year: z.int().min(1920).max(2100).nullable(),
  region: z.enum(['UN', 'US']).nullable(),
  flasher: FlasherKind.nullable(),
  /** what was heard under the dash with hazard on */
  heard: z.enum(['click', 'silence']).nullable(),
  trials: z.array(QuickTrial).max(40),
});
export type QuickQuestion = z.infer<typeof QuickQuestion>;

/** A question with nothing said but which lamps. */
export function quickQuestion(lamps: QuickLamps): QuickQuestion {
  return {
    vehicle: 'car',
    lamps,
    sides: 'both',
    bulb: null,
    bulbRead: false,
    led: { kind: 'unknown', watts: null, forVolts: null },
    systemVolts: null,
    year: null,
    region: null,
    flasher: null,
    heard: null,
    trials: [],
  };
}

const LAMP_WORDS: Record<QuickLamps, string> = {
  'rear-turn': 'Rear turn',
  'front-turn': 'Front turn',
  'all-turn': 'Front and rear turn',
  repeater: 'Side repeaters',
  'stop-tail': 'Stop and tail',
  'third-brake': 'Third brake',
  reverse: 'Reverse',
  'rear-fog': 'Rear fog',
  position: 'Position',
  plate: 'Number plate',
  marker: 'Side and end markers',
  'daytime-running': 'Daytime running',
  cornering: 'Cornering',
  'front-fog': 'Front fog',
  'dipped-beam': 'Dipped beam',
  'main-beam': 'Main beam',
  work: 'Work lamps',
  beacon: 'Beacon',
  interior: 'Interior, on the doors',
  map: 'Map lamps',
  boot: 'Boot',
  'load-area': 'Load area',
};

/** `Rear turn`: the lamps of a question as people say them. */
export function quickLampName(lamps: QuickLamps): string {
  return LAMP_WORDS[lamps];
}

/** Whether a question is about lamps that flash. */
export function isAboutTurns(lamps: QuickLamps): boolean {
  return lamps === 'rear-turn' || lamps === 'front-turn' || lamps === 'all-turn' || lamps === 'repeater';
}

const SINGLE: readonly QuickLamps[] = ['third-brake', 'rear-fog', 'beacon', 'interior', 'boot', 'load-area'];

/** Whether some lamps are shaped beams: what an LED does to the beam no current tells. */
export function isBeam(lamps: QuickLamps): boolean {
  return lamps === 'front-fog' || lamps === 'dipped-beam' || lamps === 'main-beam' || lamps === 'cornering';
}

/** Whether a vehicle mostly has one of some lamps, so that there is no side to say. */
export function isSingle(lamps: QuickLamps): boolean {
  return SINGLE.includes(lamps);
}
