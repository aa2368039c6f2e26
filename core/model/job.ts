import { z } from 'zod';
import { DateOrEmpty, Fraction, Id, Line, Moment, Note, Ohms, Volts, Watts } from './fields.ts';
import { LampInput } from './vehicle/lamp.ts';
import { Vehicle } from './vehicle/vehicle.ts';

/** The three states a vehicle is compared in. */
export const Configuration = z.enum(['stock', 'leds', 'cured']);
export type Configuration = z.infer<typeof Configuration>;

/** What is switched on in a proving run of the turn circuits. */
export const TurnFunction = z.enum(['turn-left', 'turn-right', 'hazard']);
export type TurnFunction = z.infer<typeof TurnFunction>;

export const LampCondition = z.enum(['works', 'dead', 'dim', 'wrong-colour']);
export type LampCondition = z.infer<typeof LampCondition>;

/** One resistor as fitted: a shelf part by id, or a value still to be ordered. */
export const ResistorPiece = z.strictObject({
  partId: Id.nullable(),
  ohms: Ohms,
  watts: Watts,
  tolerance: Fraction,
});
export type ResistorPiece = z.infer<typeof ResistorPiece>;

/** Resistors across one lamp's feed and earth. */
export const ResistorNetwork = z.strictObject({
  lampId: Id,
  /** the feed it lies across: the bright or only one where left out */
  input: LampInput.optional(),
  /** on a plug between socket and bulb: no wire is cut, no joint made */
  plugged: z.boolean().optional(),
  /** what it is screwed to, where several share it; those of one opening and kind share it where left out */
  mount: Line.optional(),
  connection: z.enum(['parallel', 'series']),
  pieces: z.array(ResistorPiece).min(1).max(4),
});
export type ResistorNetwork = z.infer<typeof ResistorNetwork>;

export const LoadResistorCure = z.strictObject({
  kind: z.literal('load-resistor'),
  networks: z.array(ResistorNetwork).min(1).max(12),
});
export type LoadResistorCure = z.infer<typeof LoadResistorCure>;

/** A cure that is not a load on a lamp. */
export const VehicleCure = z.discriminatedUnion('kind', [
  /** another flasher in the place of the stock one */
  z.strictObject({ kind: z.literal('flasher-relay'), partId: Id, position: Fraction }),
  /** a diode from each side to the pilot lamp, whose other end goes to earth */
  z.strictObject({ kind: z.literal('pilot-diodes') }),
  /** a resistor from a sensed wire to earth */
  z.strictObject({ kind: z.literal('bleed-resistor'), circuitId: Id, piece: ResistorPiece }),
  /** the controller told that LEDs are fitted; `before` is how to go back */
  z.strictObject({
    kind: z.literal('controller-setting'),
    circuitId: Id,
    setting: z.literal('led'),
    before: z.literal('filament'),
    /** what the tool calls it, and the old value as it was read */
    name: Line.optional(),
    tool: Line.optional(),
    keyCycled: z.boolean().optional(),
    /** read back from the controller as LED after that */
    readBack: z.boolean().optional(),
    codesCleared: z.boolean().optional(),
  }),
  z.strictObject({ kind: z.literal('decoder'), lampId: Id, partId: Id }),
]);
export type VehicleCure = z.infer<typeof VehicleCure>;

/** Something seen on the vehicle. Never turned into a fact about the model by itself. */
export const Observation = z.strictObject({
  id: Id,
  at: Moment,
  configuration: Configuration,
  function: TurnFunction,
  /** whether the lights were on */
  lights: z.boolean(),
  ratePerMinute: z.number().min(1).max(1000).nullable(),
  /** half-width of the 95 % interval, flashes a minute; null where the rate was typed in */
  uncertainty: z.number().min(0).max(1000).nullable(),
  method: z.enum(['tapped', 'typed']),
  /** looked at again: no flash went by between two taps */
  everyFlash: z.boolean().optional(),
  lampsLit: z.enum(['all', 'some', 'none', 'not-checked']),
  supplyVolts: Volts.nullable(),
  note: Note,
});
export type Observation = z.infer<typeof Observation>;

/** What a circuit that is on steadily was seen to do after the work. */
export const CircuitProof = z.strictObject({
  id: Id,
  at: Moment,
  circuitId: Id,
  /** works: every lamp lights with its switch, is dark without, and nothing is said of it */
  result: z.enum(['works', 'not-all', 'glows', 'flickers', 'message']),
  /** who saw it */
  by: Line.optional(),
});
export type CircuitProof = z.infer<typeof CircuitProof>;

/** What a conversion is for. */
export const Aim = z.enum(['look', 'light', 'power', 'repair', 'rule']);
export type Aim = z.infer<typeof Aim>;

export const StepRecord = z.strictObject({ doneAt: Moment.nullable(), note: Note });
export type StepRecord = z.infer<typeof StepRecord>;

/** A headlamp or fog capsule as measured for its LED; whatever is left out was not measured. */
export const CapsuleRecord = z.strictObject({
  /** planes seen from behind, clockwise from upright, degrees */
  filamentDegrees: z.number().min(-180).max(180).optional(),
  ledDegrees: z.number().min(-180).max(180).optional(),
  /** from the seat to the middle of the light, mm */
  filamentDepthMm: z.number().min(0).max(120).optional(),
  ledDepthMm: z.number().min(0).max(120).optional(),
  /** middle of the lamp above the ground, and lamp to wall, m */
  heightM: z.number().min(0.2).max(4).optional(),
  wallM: z.number().min(1).max(50).optional(),
  /** what was seen to be so */
  checked: z.array(z.enum(['tabs', 'driver', 'cover', 'aim'])).max(4),
});
export type CapsuleRecord = z.infer<typeof CapsuleRecord>;

/** What a watcher did with what was fitted: it narrows where its threshold can be. */
export const Finding = z.strictObject({
  id: Id,
  at: Moment,
  circuitId: Id,
  /** what was in each lamp of the circuit: a shelf id, or null for its filament bulb */
  fitted: z.record(Id, Id.nullable()),
  networks: z.array(ResistorNetwork).max(12),
  /** lamps whose bulb was out */
  out: z.array(Id).max(16),
  lights: z.boolean(),
  supplyVolts: Volts,
  /** where it was not measured: it was somewhere from `supplyVolts` to this, V */
  supplyToVolts: Volts.optional(),
  result: z.enum(['normal', 'fast', 'slow', 'message']),
  /** who saw it */
  by: Line.optional(),
  /** taken over from another job of the same model: whose, and in which state of knowledge */
  from: z.strictObject({ job: Line, at: Moment }).optional(),
});
export type Finding = z.infer<typeof Finding>;

/** Something that was tried against a trouble: kept, so that nobody tries it twice. */
export const Attempt = z.strictObject({
  id: Id,
  at: Moment,
  what: Line,
  outcome: z.enum(['cured', 'no-change', 'worse', 'accepted']),
});
export type Attempt = z.infer<typeof Attempt>;

export const Job = z.strictObject({
  id: Id,
  title: Line,
  createdAt: Moment,
  vehicle: Vehicle,
  /** which lamps it converts and what for; all of the vehicle where left out */
  scope: z.strictObject({ lampIds: z.array(Id).max(60), aim: Aim.nullable() }).optional(),
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
    worked: z.array(Id).max(40).optional(),
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
  vehicleCures: z.array(VehicleCure).max(60),
  /** headlamp and fog capsules, by lamp */
  capsules: z.record(Id, CapsuleRecord).optional(),
  fit: z.record(Id, StepRecord),
  observations: z.array(Observation).max(2000),
  circuitProofs: z.array(CircuitProof).max(2000).optional(),
  attempts: z.array(Attempt).max(2000).optional(),
  /** what the watcher was seen to do; its band learns from them */
  findings: z.array(Finding).max(2000).optional(),
  handOver: z.strictObject({
    stockBulbsKeptAt: Line,
    warrantyUntil: DateOrEmpty,
    note: Note,
    filedAt: Moment.nullable(),
  }),
});
export type Job = z.infer<typeof Job>;
