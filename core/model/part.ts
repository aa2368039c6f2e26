import { z } from 'zod';
import { BaseId } from './bulb.ts';
import { Fraction, Id, Line, Ohms, Volts, Watts } from './fields.ts';
import { KitSheet } from './kit.ts';
import { CircuitKind } from './vehicle/circuit.ts';
import { NON_WATCHING, Terminals } from './vehicle/flasher.ts';

/** What is looked at when a part comes in, before anything is opened; whatever is left out nobody has written down. */
export const PartLook = z.strictObject({
  plug: Line.optional(),
  pins: z.int().min(1).max(60).optional(),
  tabs: Line.optional(),
  /** how deep its grommet sits, mm */
  grommetMm: z.number().min(0).max(100).optional(),
  wayUp: Line.optional(),
  /** what a relay or box is held by */
  mount: Line.optional(),
  /** how the screw of an adjustable relay stands as delivered */
  screw: Line.optional(),
});
export type PartLook = z.infer<typeof PartLook>;

const ShelfEntry = {
  id: Id,
  /** the code printed on the packet */
  code: Line,
  name: Line,
  /** one piece, in the shop's currency */
  price: z.number().min(0).max(100000),
  /** pieces on the shelf, as the movements of its stock come to */
  stock: z.int().min(0).max(100000),
  /** sold in packs alone: pieces in one, and what one costs */
  pack: z
    .strictObject({ pieces: z.int().min(2).max(10000), price: z.number().min(0).max(1000000) })
    .optional(),
  seller: Line.optional(),
  /** what the seller calls it */
  orderCode: Line.optional(),
  /** counted from the day a piece is fitted */
  warrantyMonths: z.int().min(0).max(240).optional(),
  /** what ends the warranty early: a wrong screw, a cut lead */
  warrantyVoid: Line.optional(),
  look: PartLook.optional(),
};

/** What stands between the feed and the LED string. */
export const Ballast = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('series-resistor'), forwardVolts: Volts }),
  z.strictObject({ kind: z.literal('constant-current'), forwardVolts: Volts }),
  z.strictObject({ kind: z.literal('converter'), startVolts: Volts }),
]);
export type Ballast = z.infer<typeof Ballast>;

/** How a twin-level bulb joins its bright and its dim input to one string; a datum of the part, or unknown. */
export const TwinLevels = z.strictObject({
  topology: z.enum(['own-resistors', 'shared-regulator', 'shared-converter', 'unknown']),
  /** what it draws from the dim feed alone, at the printed volts */
  dimWatts: Watts,
});
export type TwinLevels = z.infer<typeof TwinLevels>;

/** White while parked, handed over to amber while turning. */
export const Switchback = z.strictObject({
  parkColour: z.enum(['white', 'warm']),
  parkWatts: Watts,
  parkLumens: z.number().positive().max(20000),
  /** how long after the last flash the park light stays off, s */
  holdSeconds: z.number().min(0).max(5),
});

/** A sequential lamp: its segments come on one after another. */
export const Sweep = z.strictObject({
  seconds: z.number().min(0.02).max(2),
  segments: z.int().min(2).max(12),
});

/** What nobody knows of an LED: it is judged as everything it may be. */
export const OpenLed = z.strictObject({
  /** ballasts it may have beside the listed one */
  ballasts: z
    .array(z.enum(['series-resistor', 'constant-current', 'converter']))
    .max(2)
    .optional(),
  /** least and most it may draw at the printed volts; as listed where left out */
  watts: z.tuple([Watts, Watts]).optional(),
  /** loads it may have built in, beside none, which come on top of its watts, ohms */
  loads: z.array(Ohms).max(4).optional(),
});
export type OpenLed = z.infer<typeof OpenLed>;

export const LedPart = z.strictObject({
  ...ShelfEntry,
  kind: z.literal('led'),
  /** sockets it goes into */
  bases: z.array(BaseId).min(1).max(6),
  colour: z.enum(['amber', 'red', 'white', 'warm']),
  /** colour temperature of a white one, where the seller prints it, K */
  kelvin: z.number().min(2500).max(8000).optional(),
  /** what the seller prints: watts at volts */
  watts: Watts,
  atVolts: Volts,
  supplyRange: z.tuple([Volts, Volts]),
  polarity: z.enum(['either', 'one-way']),
  ballast: Ballast,
  /** resistor inside the bulb across its input, if the seller built one in */
  builtInLoadOhms: Ohms.optional(),
  /** left out where all of it is known */
  open: OpenLed.optional(),
  /** a capacitor across the string's input, F */
  capacitorFarads: z.number().positive().max(1).optional(),
  twin: TwinLevels.optional(),
  switchback: Switchback.optional(),
  sweep: Sweep.optional(),
  /** of a twin plastic wedge: the socket wiring it is made for */
  socketWiring: z.enum(['standard', 'ck']).optional(),
  /** extra pulses before it stays on, so many (some stop LEDs) */
  strobes: z.int().min(1).max(20).optional(),
  lumens: z.number().positive().max(20000),
  /** where the light goes: all round as a filament's does, forward only, or from one flank as a festoon's */
  beam: z.enum(['all-round', 'forward', 'one-side']).optional(),
  lengthMm: z.number().positive().max(200),
  diameterMm: z.number().positive().max(100),
  /** how it sheds its heat: a solid body, a braided tail, a fan, or nothing to speak of */
  cooling: z.enum(['body', 'braid', 'fan', 'none']).optional(),
  /** sealed against water */
  sealed: z.boolean().optional(),
});
export type LedPart = z.infer<typeof LedPart>;

/** What one function of a whole lamp has: LEDs of its own, or a socket the old bulb moves into. */
export const WholeLampSection = z.strictObject({
  does: CircuitKind,
  light: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('panel'),
      colour: z.enum(['amber', 'red', 'white', 'warm']),
      watts: Watts,
      atVolts: Volts,
      lumens: z.number().positive().max(20000),
      ballast: Ballast,
      builtInLoadOhms: Ohms.optional(),
      /** a panel that is tail lamp too, dimly */
      twin: TwinLevels.optional(),
      sweep: Sweep.optional(),
    }),
    z.strictObject({ kind: z.literal('socket'), base: BaseId }),
  ]),
});
export type WholeLampSection = z.infer<typeof WholeLampSection>;

/** A lamp with its housing: it takes the place of several bulbs, and is the sum of its functions. */
export const WholeLampPart = z.strictObject({
  ...ShelfEntry,
  kind: z.literal('whole-lamp'),
  end: z.enum(['front', 'side', 'rear', 'inside']),
  supplyRange: z.tuple([Volts, Volts]),
  /** markets its plug and its approval are for */
  market: z.enum(['UN', 'US', 'any']),
  /** models it is made for, years of them, trim; whatever is left out nobody has written down */
  models: z.array(Line).max(40).optional(),
  fromYear: z.int().min(1920).max(2100).optional(),
  toYear: z.int().min(1920).max(2100).optional(),
  trim: Line.optional(),
  /** what it takes the place of: plug and supply differ */
  replaces: z.enum(['filament', 'factory-led', 'any']).optional(),
  sections: z.array(WholeLampSection).min(1).max(8),
  connector: Line,
  /** what each cavity of its plug is for, and its wire's colour where it has one; of several plugs `A:1` is cavity 1 of plug A */
  pinMap: z.array(z.strictObject({ cavity: Line, does: Line, colour: Line.optional() })).max(32),
  /** bulbs, covers, clips, modules that move over from the old lamp */
  movesOver: z.array(Line).max(12),
});
export type WholeLampPart = z.infer<typeof WholeLampPart>;

export const ResistorPart = z.strictObject({
  ...ShelfEntry,
  kind: z.literal('resistor'),
  ohms: Ohms,
  /** printed watts: true only on a metal heat sink */
  watts: Watts,
  tolerance: Fraction,
  /** free length of its leads, mm */
  leadsMm: z.number().positive().max(5000).optional(),
});
export type ResistorPart = z.infer<typeof ResistorPart>;

/** A load resistor on a plug that goes between socket and bulb: no wire is cut. */
export const HarnessPart = z.strictObject({
  ...ShelfEntry,
  kind: z.literal('harness'),
  /** sockets it plugs into; of twin wedge sockets only those of standard wiring */
  bases: z.array(BaseId).min(1).max(6),
  ohms: Ohms,
  watts: Watts,
  tolerance: Fraction,
  /** a second resistor of the same size across the dim feed, where it has one */
  dimOhms: Ohms.optional(),
  /** from the plug to the resistor, mm */
  leadsMm: z.number().positive().max(5000).optional(),
});
export type HarnessPart = z.infer<typeof HarnessPart>;

/** An electronic flasher relay that does not watch. */
export const FlasherPart = z.strictObject({
  ...ShelfEntry,
  kind: z.literal('flasher'),
  systemVolts: z.union([z.literal(6), z.literal(12), z.literal(24)]),
  terminals: Terminals,
  ...NON_WATCHING,
  heightMm: z.number().positive().max(200),
});
export type FlasherPart = z.infer<typeof FlasherPart>;

/** A box between controller output and LED: a diode, a capacitor behind it, and a load before it. */
export const DecoderPart = z.strictObject({
  ...ShelfEntry,
  kind: z.literal('decoder'),
  capacitorFarads: z.number().positive().max(1).optional(),
  loadOhms: Ohms.optional(),
});
export type DecoderPart = z.infer<typeof DecoderPart>;

/** What a thing that is used up is for. */
export const ConsumableUse = z.enum([
  'feed-joint',
  'earth-ring',
  'mounting-screw',
  'edge-paint',
  'diode',
  'shrink',
  'contact-grease',
  'tape',
  'tie',
  'dummy-cap',
  'cleaner',
  'lens-glue',
  'label',
  'fuse',
  'wire',
  'grommet',
]);
export type ConsumableUse = z.infer<typeof ConsumableUse>;

export const ConsumablePart = z.strictObject({
  ...ShelfEntry,
  kind: z.literal('consumable'),
  use: ConsumableUse,
});
export type ConsumablePart = z.infer<typeof ConsumablePart>;

/** A box of parts for several vehicles, with the sheet that says which vehicle gets what. */
export const KitPart = z.strictObject({ ...ShelfEntry, kind: z.literal('kit'), sheet: KitSheet });
export type KitPart = z.infer<typeof KitPart>;

export const Part = z.discriminatedUnion('kind', [
  LedPart,
  WholeLampPart,
  ResistorPart,
  HarnessPart,
  FlasherPart,
  DecoderPart,
  ConsumablePart,
  KitPart,
]);
export type Part = z.infer<typeof Part>;

export type Shelf = readonly Part[];
