import { z } from 'zod';
import { Amps, Fraction, Id, Line, Ohms, Volts } from '../fields.ts';
import { MOST_CIRCUITS } from '../limits.ts';

/** How a watcher's threshold follows its supply. Unknown on a real vehicle; known on a simulated one. */
export const ThresholdLaw = z.enum(['fixed', 'proportional', 'filament']);
export type ThresholdLaw = z.infer<typeof ThresholdLaw>;

/** The true threshold of a SIMULATED vehicle: the traces obey it, the verdict never looks at it. */
export const SimulatedThreshold = z.strictObject({
  amps: Amps,
  atVolts: Volts,
  law: ThresholdLaw,
  /** nobody knows it: taken from the middle of what it can be, and taken anew when the lamps change */
  assumed: z.boolean().optional(),
});
export type SimulatedThreshold = z.infer<typeof SimulatedThreshold>;

export const RelayFunction = z.enum(['supply', 'lamps', 'earth', 'pilot']);
export type RelayFunction = z.infer<typeof RelayFunction>;

/** Terminal markings (DIN 72552 or letters) by function. */
export const Terminals = z.strictObject({
  supply: Line,
  lamps: Line,
  earth: Line.optional(),
  pilot: Line.optional(),
  /** what its blades are for, as they stand round the socket, clockwise seen from the blades; left out where nobody has compared */
  order: z.array(RelayFunction).min(2).max(4).optional(),
});

const Rate = z.number().min(20).max(200);
const OnFraction = z.number().min(0.1).max(0.9);

/** An electronic relay that watches the current of the lamps it feeds. */
export const WatchingRelay = z.strictObject({
  id: Id,
  kind: z.literal('watching-relay'),
  name: Line,
  fuseId: Id,
  terminals: Terminals,
  /** flashes a minute with every lamp lit */
  normalRate: Rate,
  /** share of each period the lamps are on */
  onFraction: OnFraction,
  /** how many times faster it runs when it misses a lamp */
  fastMultiplier: z.number().min(1.1).max(4),
  /** current it may carry, hazard included */
  ratedAmps: Amps,
  contactOhms: Ohms,
  /** whether the repeaters' current passes the watcher; null where nobody knows yet */
  watchesRepeaters: z.boolean().nullable(),
  simulatedThreshold: SimulatedThreshold.optional(),
});
export type WatchingRelay = z.infer<typeof WatchingRelay>;

/** What stands on an electronic relay that does not watch; a shelf part carries the same figures. */
export const NON_WATCHING = {
  /** flashes a minute at the ends of its adjuster; one rate where it has none */
  slowestRate: Rate,
  fastestRate: Rate,
  onFraction: OnFraction,
  /** below this it does not start */
  minAmps: z.number().min(0).max(50),
  ratedAmps: Amps,
  contactOhms: Ohms,
  needsEarth: z.boolean(),
  /** direction of the small screw, and how long a change takes to show */
  adjuster: z
    .strictObject({
      fasterWhen: z.enum(['clockwise', 'anticlockwise']),
      settleSeconds: z.number().min(0).max(60),
      /** what it does with its screw turned right off: flash at its slowest, or still fast; left out where nobody has tried */
      turnedOff: z.enum(['slowest', 'still-fast']).optional(),
    })
    .optional(),
} as const;

export const NonWatchingRelay = z.strictObject({
  id: Id,
  kind: z.literal('non-watching-relay'),
  name: Line,
  fuseId: Id,
  terminals: Terminals,
  ...NON_WATCHING,
  /** where its screw stands, 0 slowest to 1 fastest */
  position: Fraction,
});
export type NonWatchingRelay = z.infer<typeof NonWatchingRelay>;

/** A bimetal in series with the lamps, warmed by their current. */
export const ThermalFlasher = z.strictObject({
  id: Id,
  kind: z.literal('thermal'),
  name: Line,
  fuseId: Id,
  terminals: Terminals,
  /** printed on it: current of all lamps lit */
  ratedAmps: Amps,
  /** with its own lamps, flashes a minute */
  normalRate: Rate,
  onFraction: OnFraction,
  contactOhms: Ohms,
  /** what it does with too little load; makers differ */
  underloaded: z.enum(['slow-or-on', 'fast']),
});
export type ThermalFlasher = z.infer<typeof ThermalFlasher>;

/** One output of a lighting controller and how it watches. Typical figures unless measured. */
export const ControllerOutput = z.strictObject({
  circuitId: Id,
  onOhms: Ohms,
  /** above this it switches off, and tries again so many times */
  limitAmps: Amps,
  retries: z.int().min(0).max(20),
  /** it looks this long after switching on, when the inrush has passed, s */
  blankingSeconds: z.number().min(0.001).max(2),
  /** more than this, so long after switching on, and it switches off at once, blanking or not */
  inrush: z.strictObject({ amps: Amps, seconds: z.number().min(1e-5).max(0.5) }).optional(),
  /** a pulsed output: to a dim level by duty, or to hold a lamp voltage */
  pwm: z
    .discriminatedUnion('to', [
      z.strictObject({ to: z.literal('dim'), hertz: z.number().min(20).max(2000), duty: Fraction }),
      z.strictObject({ to: z.literal('hold'), hertz: z.number().min(20).max(2000), holdVolts: Volts }),
    ])
    .optional(),
  /** somebody looked: it gives plain volts; without it and without `pwm` nobody knows */
  notPulsed: z.literal(true).optional(),
  /** how long it fades up and down, s */
  fadeSeconds: z.number().min(0).max(10).optional(),
  watch: z
    .strictObject({
      setting: z.enum(['filament', 'led']),
      /** whether a diagnostic adapter can set it to LED at all; null where nobody knows yet */
      canSetLed: z.boolean().nullable(),
      simulatedFilament: SimulatedThreshold,
      simulatedLed: SimulatedThreshold,
      reaction: z.enum(['double-rate', 'message', 'output-off']),
      message: Line,
      /** stored fault code, ISO 15031-6 / SAE J2012 form */
      code: z.string().regex(/^[PCBU][0-3][0-9A-F]{3}(-[0-9A-F]{2})?$/),
    })
    .optional(),
  /** short test pulses while the lamp is off */
  coldCheck: z
    .strictObject({
      everySeconds: z.number().min(0.1).max(60),
      pulseSeconds: z.number().min(1e-4).max(0.05),
    })
    .optional(),
  /** what it lets through while off, as ohms to the supply */
  leakOhms: Ohms.optional(),
  /** somebody looked: nothing; without it and without `leakOhms` nobody knows */
  leakFree: z.literal(true).optional(),
});
export type ControllerOutput = z.infer<typeof ControllerOutput>;

/** A body controller: it flashes, and it watches each output by itself. */
export const BodyController = z.strictObject({
  id: Id,
  kind: z.literal('controller'),
  name: Line,
  fuseId: Id,
  normalRate: Rate,
  onFraction: OnFraction,
  fastMultiplier: z.number().min(1.1).max(4),
  outputs: z.array(ControllerOutput).min(1).max(MOST_CIRCUITS),
});
export type BodyController = z.infer<typeof BodyController>;

export const Flasher = z.discriminatedUnion('kind', [
  WatchingRelay,
  NonWatchingRelay,
  ThermalFlasher,
  BodyController,
]);
export type Flasher = z.infer<typeof Flasher>;

export const FlasherKind = z.enum(['watching-relay', 'non-watching-relay', 'thermal', 'controller']);
export type FlasherKind = Flasher['kind'];

/** A module beside the relay that compares the current of steady circuits with what bulbs would draw. */
export const BulbCheckModule = z.strictObject({
  name: Line,
  /** it looks this long after a circuit comes on, s */
  blankingSeconds: z.number().min(0.001).max(5),
  watches: z.array(z.strictObject({ circuitId: Id, simulated: SimulatedThreshold, message: Line })).max(20),
});
export type BulbCheckModule = z.infer<typeof BulbCheckModule>;
