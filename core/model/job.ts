import { z } from 'zod';
import { LoadResistorCure, VehicleCure } from './cures.ts';
import { Evidence } from './evidence.ts';
import { DateOrEmpty, Id, Line, Moment, Note } from './fields.ts';
import { MOST_CIRCUITS, MOST_LAMPS } from './limits.ts';
import { LONGEST_PAUSE } from './longestPause.ts';
import { LaterItem, Repair } from './past.ts';
import { JobMovement } from './pieces.ts';
import { Recheck } from './recheck.ts';
import { Vehicle } from './vehicle/vehicle.ts';

export const LampCondition = z.enum(['works', 'dead', 'dim', 'wrong-colour']);
export type LampCondition = z.infer<typeof LampCondition>;

/** What a conversion is for. */
export const Aim = z.enum(['look', 'light', 'power', 'repair', 'rule']);
export type Aim = z.infer<typeof Aim>;

/** What became of one step of the work. */
export const StepRecord = z.strictObject({
  doneAt: Moment.nullable(),
  note: Note,
  /** when it was begun, and how long of the time since nobody worked on it, s */
  startedAt: Moment.optional(),
  pausedSeconds: z.number().min(0).max(LONGEST_PAUSE).optional(),
  /** paused since then */
  pausedAt: Moment.optional(),
  /** what of it was ticked off */
  ticks: z.array(Line).max(400).optional(),
  /** what it waits for; the rest of the work goes on */
  waitingFor: Line.optional(),
  /** something was wrong with it: evidence for whoever looks for the fault */
  trouble: Note.optional(),
});
export type StepRecord = z.infer<typeof StepRecord>;

/** How an installer works: where the trade disagrees, each way is supported. */
export const WorkHabits = z.strictObject({
  /** one side whole and compared with the other while that is stock, or both together */
  sides: z.enum(['one-first', 'both']),
  /** a lamp is seen lit before its panel is closed, or all are after the work */
  testing: z.enum(['before-closing', 'after']),
  joints: z.enum(['crimps', 'taps-inside']),
  /** battery off throughout, or only near airbags, drilling and controllers */
  battery: z.enum(['where-needed', 'throughout']),
  relay: z.enum(['first', 'last']),
  /** somebody sits in the seat and works the switches */
  helper: z.boolean(),
});
export type WorkHabits = z.infer<typeof WorkHabits>;

/** How a one-way LED went in, so that its twin across goes in the same way. */
export const PolarityRecord = z.strictObject({
  by: z.enum(['live', 'battery', 'probe']),
  /** `mark up`, `plus at the tab` */
  way: Line,
});
export type PolarityRecord = z.infer<typeof PolarityRecord>;

/** A screw or clip that broke or went missing at the vehicle: it is bought. */
export const LostPiece = z.strictObject({
  id: Id,
  at: Moment,
  what: Line,
  count: z.int().min(1).max(60),
  /** of which step */
  stepId: Id,
});
export type LostPiece = z.infer<typeof LostPiece>;

/** Where one light of a capsule sits. */
const LightSeat = {
  /** planes seen from behind, clockwise from upright, degrees */
  filamentDegrees: z.number().min(-180).max(180).optional(),
  ledDegrees: z.number().min(-180).max(180).optional(),
  /** from the seat to the middle of the light, mm */
  filamentDepthMm: z.number().min(0).max(120).optional(),
  ledDepthMm: z.number().min(0).max(120).optional(),
};
export const CapsuleLight = z.strictObject(LightSeat);
export type CapsuleLight = z.infer<typeof CapsuleLight>;

/** A headlamp or fog capsule as measured for its LED; whatever is left out was not measured. */
export const CapsuleRecord = z.strictObject({
  /** its only light, or of two the main beam */
  ...LightSeat,
  /** of two lights the dipped beam */
  low: CapsuleLight.optional(),
  /** middle of the lamp above the ground, and lamp to wall, m */
  heightM: z.number().min(0.2).max(4).optional(),
  wallM: z.number().min(1).max(50).optional(),
  /** what was seen to be so */
  checked: z.array(z.enum(['tabs', 'driver', 'cover', 'aim'])).max(4),
});
export type CapsuleRecord = z.infer<typeof CapsuleRecord>;

/** Something that was tried against a trouble: kept, so that nobody tries it twice. */
export const Attempt = z.strictObject({
  id: Id,
  at: Moment,
  what: Line,
  outcome: z.enum(['cured', 'no-change', 'worse', 'accepted']),
});
export type Attempt = z.infer<typeof Attempt>;

/** A kit on the job: what was said of its questions, the rest being read off the vehicle or open. */
export const JobKit = z.strictObject({
  partId: Id,
  /** answer by question; a year in digits */
  answers: z.record(Id, Line),
  /** questions nobody here can answer: not asked again */
  skipped: z.array(Id).max(24).optional(),
  /** the variant whose parts were put into the plan */
  takenId: Id.optional(),
});
export type JobKit = z.infer<typeof JobKit>;

/** A part that came wrong: it goes back, and what it was for waits. */
export const WrongPart = z.strictObject({ partId: Id, at: Moment, note: Line });
export type WrongPart = z.infer<typeof WrongPart>;

/** What the ledger counts with beside the parts. */
export const LedgerFigures = z.strictObject({
  /** an hour of work, in the shop's currency */
  hourPrice: z.number().min(0).max(10_000).optional(),
  /** of the vehicle's battery, as printed, Ah */
  batteryAh: z.number().min(1).max(1000).optional(),
});
export type LedgerFigures = z.infer<typeof LedgerFigures>;

/** What is looked at afresh on each of several equal vehicles, since it differs from one to the next (common practice). */
export const LIKE_LOOKS = ['dead', 'bulbs', 'sides', 'equipment', 'flasher'] as const;
export type LikeLook = (typeof LIKE_LOOKS)[number];

/** A job begun as another's equal. */
export const LikeRecord = z.strictObject({
  jobId: Id,
  at: Moment,
  /** when that one was last changed, as this one took it over: what it changed since is offered */
  taken: Moment,
  looked: z.array(z.enum(LIKE_LOOKS)).max(LIKE_LOOKS.length),
});
export type LikeRecord = z.infer<typeof LikeRecord>;

export const Job = z.strictObject({
  id: Id,
  title: Line,
  createdAt: Moment,
  vehicle: Vehicle,
  /** it was begun as another's equal: whose, and what of this vehicle was looked at since */
  like: LikeRecord.optional(),
  /** which lamps it converts and what for; all of the vehicle where left out */
  scope: z.strictObject({ lampIds: z.array(Id).max(MOST_LAMPS), aim: Aim.nullable() }).optional(),
  /** what an earlier version took for granted and nobody had looked at, until somebody has read what that changes */
  reopened: z
    .strictObject({
      /** circuits whose controller can be told of LEDs */
      settings: z.array(Id).max(MOST_CIRCUITS),
      /** lamps with no metal to screw a resistor to */
      mounts: z.array(Id).max(MOST_LAMPS),
      /** that nothing reads the brake wire */
      brakeSense: z.boolean(),
      /** that one output drives all turn lamps of a side */
      outputs: z.literal(true).optional(),
    })
    .optional(),
  lookOver: z.strictObject({
    lamps: z.record(
      Id,
      z.strictObject({
        condition: LampCondition,
        note: Note,
        /** a new filament bulb on the pick list; where left out, only a dead one is replaced */
        replace: z.boolean().optional(),
      }),
    ),
    warnings: Note,
    /** functions that were switched on and looked at: a twin lamp works twice */
    worked: z.array(Id).max(MOST_CIRCUITS).optional(),
    /** what the dash said while a function was worked, by function */
    messages: z.record(Id, Line).optional(),
  }),
  /** catalogue id of the bulb actually found in each lamp */
  identified: z.record(Id, Id),
  /** shelf id of the LED for each lamp; null keeps the filament bulb on purpose */
  chosen: z.record(Id, Id.nullable()),
  /** cure by circuit id; null means "none needed" was decided */
  cures: z.record(Id, LoadResistorCure.nullable()),
  /** cures of the flasher, the pilot, a sensed wire or an output */
  vehicleCures: z.array(VehicleCure).max(MOST_LAMPS),
  /** headlamp and fog capsules, by lamp */
  capsules: z.record(Id, CapsuleRecord).optional(),
  fit: z.record(Id, StepRecord),
  habits: WorkHabits.optional(),
  polarity: z.record(Id, PolarityRecord).optional(),
  lost: z.array(LostPiece).max(200).optional(),
  /** repaired with the conversion */
  repairs: z.array(Repair).max(60).optional(),
  /** left on purpose, and wished for another time */
  later: z.array(LaterItem).max(60).optional(),
  /** the work was broken off here, everything made safe */
  leftOff: z.strictObject({ at: Moment, stepId: Id, note: Note }).optional(),
  /** whatever was seen of its vehicle: the bands of its watchers learn from it, and the work is proved by it */
  evidence: z.array(Evidence).max(12_000),
  attempts: z.array(Attempt).max(2000).optional(),
  /** pieces of the shelf it has reserved, fitted and given back */
  pieces: z.array(JobMovement).max(4000).optional(),
  kits: z.array(JobKit).max(6).optional(),
  wrongParts: z.array(WrongPart).max(200).optional(),
  ledger: LedgerFigures.optional(),
  /** what is looked at again later */
  rechecks: z.array(Recheck).max(60).optional(),
  handOver: z.strictObject({
    stockBulbsKeptAt: Line,
    warrantyUntil: DateOrEmpty,
    note: Note,
    filedAt: Moment.nullable(),
  }),
});
export type Job = z.infer<typeof Job>;
