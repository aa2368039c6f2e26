import { z } from 'zod';
import { BaseId } from '../bulb.ts';
import { Fraction, Id, Line, WireRun } from '../fields.ts';

export const Side = z.enum(['left', 'right']);
export type Side = z.infer<typeof Side>;

/**
 * Where a load resistor could go near a lamp; `none` rules resistors out for that lamp, `unknown` says that nobody has
 * looked whether there is metal.
 */
export const ResistorMount = z.enum(['chassis', 'bracket', 'panel', 'recess', 'none', 'unknown']);
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

export const Lens = z.enum(['clear', 'amber', 'red', 'smoked', 'green-film']);
export type Lens = z.infer<typeof Lens>;

/** What was measured behind and around a lamp; whatever is left out is not known yet. */
export const LampRoom = z.strictObject({
  /** free depth for a bulb from its seat, and free width, mm */
  lengthMm: z.number().positive().max(1000).optional(),
  diameterMm: z.number().positive().max(500).optional(),
  /** to the nearest bare metal a resistor could be screwed to, mm */
  metalWithinMm: z.number().min(0).max(5000).optional(),
});
export type LampRoom = z.infer<typeof LampRoom>;

/** An LED a lamp left the works with. Whatever is null nobody has looked at or measured. */
export const WorksLed = z.strictObject({
  /** sealed into its lamp, so that only the lamp as a whole can be changed; false where a bulb comes out */
  sealed: z.boolean().nullable(),
  /** drawn by what is lit brightest, at the volts of the bulb standard, A */
  amps: z.number().positive().max(10).nullable(),
  /** drawn by its dim function alone; left out of a lamp that has none, A */
  dimAmps: z.number().positive().max(10).nullable().optional(),
  /** it tells its controller of a failure over a wire of its own */
  faultLine: z.boolean().nullable(),
});
export type WorksLed = z.infer<typeof WorksLed>;

/** A lamp the vehicle did not have, and gets with this job: its LED is its own, and as it is now there is nothing there. */
export const AddedLamp = z.strictObject({
  /** on the feed of its function as it is, or on a relay of its own with a fuse of its own, worked by that feed */
  feed: z.enum(['existing', 'relay']),
  /** a new hole for its wire, to be primed and closed with a grommet */
  drilled: z.boolean(),
  /** what it costs, in the shop's currency; nobody knows where left out */
  price: z.number().min(0).max(100_000).optional(),
});
export type AddedLamp = z.infer<typeof AddedLamp>;

/** One bulb socket with its lens. A twin bulb is one lamp with two filaments, fed by two circuits. */
export const Lamp = z.strictObject({
  id: Id,
  name: Line,
  side: z.enum(['left', 'right', 'centre']),
  end: z.enum(['front', 'side', 'rear', 'inside', 'dash']),
  /** a repeater is a small side lamp; main lamps are the ones a watcher must miss when they fail */
  role: z.enum(['main', 'repeater']),
  /** centre of the lens on the plan: across from the left flank, along from the nose, both 0 to 1 */
  plan: z.strictObject({ across: Fraction, along: Fraction }),
  lens: Lens,
  base: BaseId,
  /** how a twin plastic wedge socket is wired: earths on opposite corners, or on one side (CK) */
  socketWiring: z.enum(['standard', 'ck']).optional(),
  room: LampRoom.optional(),
  /** whether a mirror or the lens itself shapes the beam */
  optics: z.enum(['reflector', 'lens']).optional(),
  /** an electronic module that lives in this lamp, a blind-spot sensor for one, and must move with it */
  module: Line.optional(),
  /** catalogue id of the bulb the vehicle left the works with, or would have: where it has an LED, this stands for nothing */
  stockBulb: Id,
  /** it left the works with an LED, and no bulb */
  works: WorksLed.optional(),
  added: AddedLamp.optional(),
  /** from the lamp connector back to its feeds, and to the earth point */
  lead: WireRun,
  earth: WireRun,
  /** the earth point it shares with others; body metal where left out */
  earthPoint: Id.optional(),
  /**
   * the circuit whose feed its other contact hangs on, where that is not on earth: a side marker between the turn and the
   * position feed returns through the filaments of whichever is off
   */
  returnsTo: Id.optional(),
  resistorMount: ResistorMount,
  access: Access,
});
export type Lamp = z.infer<typeof Lamp>;

/** Which filament of a lamp: the only or bright one, or the dim one of a twin bulb. */
export const LampInput = z.enum(['main', 'dim']);
export type LampInput = z.infer<typeof LampInput>;
