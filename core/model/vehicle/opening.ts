import { z } from 'zod';
import { Fraction, Id, Line } from '../fields.ts';

/** Which way something is pulled off, seen from the driver's seat of a vehicle looked at from above. */
export const PULLS = ['straight', 'forwards', 'rearwards', 'up', 'down', 'inwards', 'outwards'] as const;
export const FASTENERS = ['screw', 'bolt', 'nut', 'push rivet'] as const;
export const EDGES = ['top', 'bottom', 'front', 'rear', 'inner', 'outer', 'all round'] as const;
export const CATCHES = [
  'press the tab',
  'lift the lock, then press',
  'slide the lock',
  'squeeze both sides',
  'twist',
  'pull, no catch',
  'nobody has looked',
] as const;

const Count = z.int().min(1).max(60);

/** One thing that holds a panel or a lamp, in the order it is undone. */
export const Fastening = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('fastener'),
    what: z.enum(FASTENERS),
    /** `cross-head`, `T20`, `10 mm`: what turns it */
    size: Line,
    count: Count,
    lengthMm: z.number().positive().max(300).optional(),
    washer: z.boolean().optional(),
    where: Line,
  }),
  z.strictObject({ kind: z.literal('clip'), count: Count, edge: z.enum(EDGES), pull: z.enum(PULLS) }),
  /** a pin in a sleeve: pulled along itself, never levered */
  z.strictObject({ kind: z.literal('guide-pin'), count: Count, pull: z.enum(PULLS) }),
  z.strictObject({ kind: z.literal('plug'), count: Count, catch: z.enum(CATCHES), where: Line }),
  /** something that comes off whole: a dust cover, a holder that twists out */
  z.strictObject({ kind: z.literal('piece'), what: Line, how: Line }),
]);
export type Fastening = z.infer<typeof Fastening>;

/** What can hurt whoever opens it. */
export const Hazard = z.enum(['curtain-airbag', 'high-voltage', 'sharp-edge', 'glass', 'under-vehicle']);
export type Hazard = z.infer<typeof Hazard>;

/**
 * One thing that is opened: a lamp or panel behind which lamps sit (its id is the group of their access), a trim or cover
 * that must come off before, or where the flasher is.
 */
export const Opening = z.strictObject({
  id: Id,
  name: Line,
  of: z.enum(['lamps', 'trim', 'flasher']),
  /** where it is, in words: `behind the fuse box` */
  where: Line,
  /** where one stands for it, on the plan; of lamps the lamps say it */
  plan: z.strictObject({ across: Fraction, along: Fraction }).optional(),
  undo: z.array(Fastening).max(24),
  /** openings that must be open first */
  needs: z.array(Id).max(6),
  tools: z.array(Line).max(12),
  /** shortest and longest time to open and close it, minutes */
  minutes: z.tuple([z.number().min(0).max(600), z.number().min(0).max(600)]),
  /** what is not the same on the other side */
  differs: Line,
  hazards: z.array(Hazard).max(5),
  /** after the battery is off, the wait that the MAKER states before a curtain airbag is worked near; never a default */
  airbagWaitMinutes: z.number().min(0).max(120).optional(),
  /** the usual set it was filled in from: what is timed on one of its kind tells of the next */
  usual: Id.optional(),
  /** somebody has looked since, and put right what differed */
  corrected: z.literal(true).optional(),
});
export type Opening = z.infer<typeof Opening>;
