import { z } from 'zod';
import { DateOrEmpty, Fraction, Id, Line, Moment, Note, Ohms, Volts, Watts } from './fields.ts';
import { Vehicle } from './vehicle.ts';

/** The three states a vehicle is compared in. */
export const Stage = z.enum(['stock', 'leds', 'cured']);
export type Stage = z.infer<typeof Stage>;

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
  connection: z.enum(['parallel', 'series']),
  pieces: z.array(ResistorPiece).min(1).max(4),
});
export type ResistorNetwork = z.infer<typeof ResistorNetwork>;

export const LoadResistorCure = z.strictObject({
  kind: z.literal('load-resistor'),
  networks: z.array(ResistorNetwork).min(1).max(12),
});
export type LoadResistorCure = z.infer<typeof LoadResistorCure>;

/** Something seen on the vehicle. Never turned into a fact about the model by itself. */
export const Observation = z.strictObject({
  id: Id,
  at: Moment,
  stage: Stage,
  function: TurnFunction,
  condition: z.literal('lights-off'),
  ratePerMinute: z.number().min(1).max(1000).nullable(),
  /** half-width of the 95 % interval, flashes a minute; null where the rate was typed in */
  uncertainty: z.number().min(0).max(1000).nullable(),
  method: z.enum(['tapped', 'typed']),
  lampsLit: z.enum(['all', 'some', 'none', 'not-checked']),
  supplyVolts: Volts.nullable(),
  note: Note,
});
export type Observation = z.infer<typeof Observation>;

export const StepRecord = z.strictObject({ doneAt: Moment.nullable(), note: Note });
export type StepRecord = z.infer<typeof StepRecord>;

export const Job = z.strictObject({
  id: Id,
  title: Line,
  createdAt: Moment,
  vehicle: Vehicle,
  lookOver: z.strictObject({
    lamps: z.record(Id, z.strictObject({ condition: LampCondition, note: Note })),
    warnings: Note,
  }),
  /** catalogue id of the bulb actually found in each lamp */
  identified: z.record(Id, Id),
  /** shelf id of the LED for each lamp; null keeps the filament bulb on purpose */
  chosen: z.record(Id, Id.nullable()),
  /** cure by circuit id; null means "none needed" was decided */
  cures: z.record(Id, LoadResistorCure.nullable()),
  fit: z.record(Id, StepRecord),
  observations: z.array(Observation).max(2000),
  handOver: z.strictObject({
    stockBulbsKeptAt: Line,
    warrantyUntil: DateOrEmpty,
    note: Note,
    filedAt: Moment.nullable(),
  }),
});
export type Job = z.infer<typeof Job>;
