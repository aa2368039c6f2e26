import { z } from 'zod';
import { BaseId } from './bulb.ts';
import { Amps, Fraction, Id, Line, Ohms, SystemVolts, Volts, WireRun } from './fields.ts';

export const Side = z.enum(['left', 'right']);
export type Side = z.infer<typeof Side>;

/** Where a load resistor could go near a lamp; `none` rules resistors out for that lamp. */
export const ResistorMount = z.enum(['chassis', 'panel', 'none']);
export type ResistorMount = z.infer<typeof ResistorMount>;

/** How a lamp is reached. Lamps of one group share a panel, so it is opened once. */
export const Access = z.strictObject({
  group: Id,
  how: Line,
  tools: z.array(Line).max(12),
  /** shortest and longest time to open and close it, minutes */
  minutes: z.tuple([z.number().min(0).max(600), z.number().min(0).max(600)]),
});
export type Access = z.infer<typeof Access>;

export const Lamp = z.strictObject({
  id: Id,
  name: Line,
  side: Side,
  end: z.enum(['front', 'side', 'rear']),
  /** a repeater is a small side lamp; main lamps are the ones a relay must miss when they fail */
  role: z.enum(['main', 'repeater']),
  /** centre of the lens on the plan: across from the left flank, along from the nose, both 0 to 1 */
  plan: z.strictObject({ across: Fraction, along: Fraction }),
  lens: z.enum(['clear', 'amber']),
  base: BaseId,
  /** catalogue id of the bulb the vehicle left the works with */
  stockBulb: Id,
  /** from the lamp connector back to the side's feed, and to the earth point */
  lead: WireRun,
  earth: WireRun,
  resistorMount: ResistorMount,
  access: Access,
});
export type Lamp = z.infer<typeof Lamp>;

/** One side's turn feed. */
export const TurnCircuit = z.strictObject({
  id: Id,
  kind: z.literal('turn'),
  side: Side,
  lampIds: z.array(Id).min(1).max(12),
  /** from the turn switch to the first branch */
  feed: WireRun,
  /** the switch contact of this side */
  switchOhms: Ohms,
});
export type TurnCircuit = z.infer<typeof TurnCircuit>;

/** How a watcher's threshold follows its supply. Unknown on a real vehicle; known on a simulated one. */
export const ThresholdLaw = z.enum(['fixed', 'proportional', 'filament']);

/** An electronic relay that watches the current of the lamps it feeds. */
export const WatchingRelay = z.strictObject({
  id: Id,
  kind: z.literal('watching-relay'),
  name: Line,
  /** terminal markings (DIN 72552) by function */
  terminals: z.strictObject({ supply: Line, lamps: Line, earth: Line.optional(), pilot: Line.optional() }),
  /** flashes a minute with every lamp lit */
  normalRate: z.number().min(20).max(200),
  /** share of each period the lamps are on */
  onFraction: z.number().min(0.1).max(0.9),
  /** how many times faster it runs when it misses a lamp */
  fastMultiplier: z.number().min(1.1).max(4),
  /** current it may carry, hazard included */
  ratedAmps: Amps,
  contactOhms: Ohms,
  /** whether the repeaters' current passes the watcher */
  watchesRepeaters: z.boolean(),
  /** the true threshold of a SIMULATED vehicle: the rehearsal obeys it, the verdict never looks at it */
  simulatedThreshold: z.strictObject({ amps: Amps, atVolts: Volts, law: ThresholdLaw }).optional(),
});
export type WatchingRelay = z.infer<typeof WatchingRelay>;

export const Supply = z.strictObject({
  /** battery and its leads */
  internalOhms: z.number().min(0).max(1),
  fuse: z.strictObject({ name: Line, ratedAmps: Amps, ohms: z.number().min(0).max(1) }),
  /** from the fuse box to the flasher */
  wire: WireRun,
});
export type Supply = z.infer<typeof Supply>;

export const Vehicle = z.strictObject({
  id: Id,
  name: Line,
  /** records of the same model are compared with each other */
  model: Line,
  kind: z.enum(['van']),
  year: z.int().min(1920).max(2100),
  systemVolts: SystemVolts,
  /** which rules on colour and flash rate apply */
  region: z.enum(['UN', 'US']),
  supply: Supply,
  flasher: WatchingRelay,
  circuits: z.array(TurnCircuit).min(1).max(2),
  lamps: z.array(Lamp).min(1).max(24),
});
export type Vehicle = z.infer<typeof Vehicle>;
