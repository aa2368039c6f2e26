import { z } from 'zod';
import { CLUES } from './clues.ts';
import { Configuration, ResistorNetwork, TurnFunction, VehicleCure } from './cures.ts';
import { Fraction, Id, Line, Moment, Note, Volts } from './fields.ts';
import { LAMP_WORDS } from './lampWords.ts';
import { TRIAL_RESULTS } from './trialResults.ts';

/** What was on when something was seen. */
export const Conditions = z.strictObject({
  lights: z.boolean(),
  brake: z.boolean(),
  /** null: nobody said */
  engine: z.boolean().nullable(),
  /** shorter than ten flashes, on a controller ten seconds: what stayed normal may not have stayed so */
  brief: z.literal(true).optional(),
});
export type Conditions = z.infer<typeof Conditions>;

/** What was fitted when something was seen. */
const Fitted = z.strictObject({
  /** the one of the three it was, where it was one of them */
  configuration: Configuration.nullable(),
  /** what was in each lamp it is about: a shelf id, or null for its filament bulb */
  lamps: z.record(Id, Id.nullable()),
  networks: z.array(ResistorNetwork).max(12),
  /** relay, setting, decoder and what else was fitted beside them */
  vehicleCures: z.array(VehicleCure).max(60).optional(),
  /** lamps whose bulb was out */
  out: z.array(Id).max(16),
});

/** What was measured, with its unit and how far it may be off. */
const Quantity = <U extends string, V extends z.ZodNumber>(unit: U, value: V) =>
  z.strictObject({
    value,
    unit: z.literal(unit),
    /** half-width of the 95 % interval, in the same unit; null where nobody knows */
    uncertainty: z.number().min(0).max(1e8).nullable(),
  });

/**
 * How it came on record: looked at, told by whoever drives, counted in taps, a figure typed in, a meter, a fused probe; by the
 * clicks of a relay, by a camera, a pair of photographs, a scope or logger, or through a diagnostic adapter.
 */
export const Method = z.enum([
  'seen',
  'told',
  'tapped',
  'typed',
  'meter',
  'probe',
  'heard',
  'filmed',
  'photographed',
  'logged',
  'adapter',
]);
export type Method = z.infer<typeof Method>;

/**
 * What every record says of itself. A record is never changed: what corrects it names it, what takes it back is a record
 * too, so that two copies of a log can be laid together.
 */
const record = {
  /** unique across devices */
  id: Id,
  at: Moment,
  /** of which vehicle it tells: all its jobs read it */
  vehicleId: Id,
  /** what was done at the vehicle in one go */
  visit: Id,
  /** the device it was told on, and the how many of this job there: clocks are set, a counter is not; null: before there were any */
  device: z.strictObject({ id: Id, count: z.int().min(1) }).nullable(),
  /** who told it */
  by: Line.optional(),
};

const told = {
  ...record,
  method: Method,
  /** the record it stands in the place of */
  replaces: Id.optional(),
  note: Note.optional(),
};

const seen = {
  ...told,
  /** of a trailer: what it hung on */
  towedBy: Line.optional(),
  /** taken over from another job of the same model: whose, and in which state of knowledge */
  from: z.strictObject({ job: Line, at: Moment }).optional(),
  /** null where nobody wrote it down */
  on: Conditions.nullable(),
  /** measured, or from where to where it was; null where nobody knows */
  supply: z.strictObject({ fromVolts: Volts, toVolts: Volts }).nullable(),
  fitted: Fitted,
};

export const TrialResult = z.enum(TRIAL_RESULTS);
export type TrialResult = z.infer<typeof TrialResult>;

/**
 * How a cavity is measured: volts to earth on the mean or holding the peak, ohms to earth with all bulbs in or with those
 * of this plug out, or a fused probe on the loose lamp.
 */
export const PinTest = z.enum(['volts', 'peak', 'ohms-in', 'ohms-out', 'probe']);
export type PinTest = z.infer<typeof PinTest>;

/** Something fitted and switched on for a moment: what the lamps of a circuit, or their watcher, did. */
export const Trial = z.strictObject({
  ...seen,
  kind: z.literal('trial'),
  circuitId: Id,
  result: TrialResult,
});
export type Trial = z.infer<typeof Trial>;

/** How fast the turn lamps flashed. Never turned into a fact about the model by itself. */
export const RateReading = z.strictObject({
  ...seen,
  kind: z.literal('rate'),
  function: TurnFunction,
  /** null where none was taken */
  quantity: Quantity('/min', z.number().min(1).max(1000)).nullable(),
  /** looked at again: no flash went by between two taps */
  everyFlash: z.boolean().optional(),
  /** share of the time it was lit, where the recording shows it */
  onShare: Fraction.optional(),
  lampsLit: z.enum(['all', 'some', 'none', 'not-checked']),
});
export type RateReading = z.infer<typeof RateReading>;

/** What a circuit that is on steadily was seen to do after the work. */
export const SteadyProof = z.strictObject({
  ...seen,
  kind: z.literal('proof'),
  circuitId: Id,
  /** works: every lamp lights with its switch, is dark without, and nothing is said of it */
  result: z.enum(['works', 'not-all', 'glows', 'flickers', 'message']),
});
export type SteadyProof = z.infer<typeof SteadyProof>;

/** Something that was not as it should be where one function was worked, in one tap and the lamp or circuit it was of. */
export const Deviation = z.discriminatedUnion('what', [
  z.strictObject({
    what: z.enum(LAMP_WORDS),
    lampId: Id,
  }),
  z.strictObject({ what: z.enum(['fast', 'slow', 'none']) }),
  z.strictObject({ what: z.literal('blown'), fuseId: Id }),
  /** a dash message or code of a circuit; what else of the vehicle went odd with it: cruise, gear lever, charging */
  z.strictObject({ what: z.enum(['message', 'odd']), circuitId: Id }),
]);
export type Deviation = z.infer<typeof Deviation>;

/** One cell of the proving grid, worked and looked at: everything that was not as it should be, nothing where all was. */
export const CellLook = z.strictObject({
  ...seen,
  kind: z.literal('cell'),
  /** `turn-left`, `turn-left-lights`, `off` */
  cell: Id,
  /** circuits that were on in it */
  circuits: z.array(Id).max(60),
  found: z.array(Deviation).max(120),
  /** a message or code as it was read, or the words it was told in */
  words: Line.optional(),
  /** what owners say it is told by, see `proving/symptomList.ts` */
  symptom: Id.optional(),
});
export type CellLook = z.infer<typeof CellLook>;

/** A place looked at for a fault: the one that was found there, or null where nothing was wrong. */
export const PlaceLook = z.strictObject({
  ...told,
  kind: z.literal('place'),
  /** `bulb:rear-left`, `relay` */
  place: Line,
  found: Line.nullable(),
});
export type PlaceLook = z.infer<typeof PlaceLook>;

/** What was told beside what was seen: when it came, what makes it come and go. */
export const ClueTold = z.strictObject({
  ...told,
  kind: z.literal('clue'),
  clue: z.enum(CLUES),
  lampId: Id.nullable(),
});
export type ClueTold = z.infer<typeof ClueTold>;

/** How a search ended. What was seen before tells of what is no longer so, where it was mended. */
export const CauseClosed = z.strictObject({
  ...told,
  kind: z.literal('cause'),
  /** `reversed:rear-left`; null where none was found */
  fault: Line.nullable(),
  /** it in words, as they were then */
  words: Line,
  outcome: z.enum(['mended', 'accepted']),
  /** code of the LED it was found at, where it was at one */
  part: Line.optional(),
});
export type CauseClosed = z.infer<typeof CauseClosed>;

/** What a meter or probe showed at one cavity of a plug, everything of the vehicle else as it stands. */
export const PinReading = z.strictObject({
  ...told,
  kind: z.literal('pin'),
  connectorId: Id,
  cavity: Line,
  /** the circuit that was switched on, or null with everything off */
  circuitId: Id.nullable(),
  how: PinTest,
  /** the figure as it was read; volts on the mean or the peak, ohms to earth */
  quantity: z
    .discriminatedUnion('unit', [
      Quantity('V', z.number().min(-60).max(60)),
      Quantity('Ω', z.number().min(0).max(1e8)),
    ])
    .optional(),
  /** what it did, where there was no figure or none that stood still */
  seen: z.enum(['steady', 'bouncing', 'nothing', 'open', 'lit-bright', 'lit-dim', 'dark']),
  /** lights: the lamp that lit under the probe */
  lampId: Id.optional(),
});
export type PinReading = z.infer<typeof PinReading>;

/** Before or after the work. */
export const BeforeAfter = z.enum(['before', 'after']);
export type BeforeAfter = z.infer<typeof BeforeAfter>;

/** Light at one spot, as a lux meter showed it. */
export const LightReading = z.strictObject({
  ...told,
  kind: z.literal('light'),
  /** the lamp it is of; null of a room that several light */
  lampId: Id.nullable(),
  /** where the meter was: readings at one spot are compared */
  spot: Line,
  when: BeforeAfter,
  /** shelf id of the LED that was in, null its filament bulb; left out of a room */
  partId: Id.nullable().optional(),
  /** as it was read, the surroundings' light in it */
  quantity: Quantity('lx', z.number().min(0).max(1e6)),
  /** with the lamp off, at the same spot; null where nobody read it */
  ambientLux: z.number().min(0).max(1e6).nullable(),
  /** from the lamp's lens to the meter */
  metres: z.number().min(0.01).max(100).nullable(),
  /** across what shines */
  lampMillimetres: z.number().min(1).max(2000).nullable(),
});
export type LightReading = z.infer<typeof LightReading>;

/** How much brighter after than before, by two photographs with the exposure locked. */
export const LightRatio = z.strictObject({
  ...told,
  kind: z.literal('light-ratio'),
  lampId: Id,
  spot: Line,
  quantity: Quantity('×', z.number().min(0).max(1e4)),
});
export type LightRatio = z.infer<typeof LightRatio>;

/** How hot something was, measured. */
export const HeatReading = z.strictObject({
  ...told,
  kind: z.literal('heat'),
  lampId: Id,
  what: z.enum(['resistor', 'housing']),
  /** what was on while it warmed: a circuit */
  circuitId: Id,
  /** since it was switched on */
  seconds: z.number().min(0).max(86_400),
  quantity: Quantity('°C', z.number().min(-60).max(400)),
  airCelsius: z.number().min(-60).max(80),
  /** of the supply meanwhile; null where nobody read them */
  volts: Volts.nullable(),
  /** of a resistor what was fitted then: another is not compared with it */
  network: ResistorNetwork.optional(),
});
export type HeatReading = z.infer<typeof HeatReading>;

/** One step of changing what a controller takes a lamp for. Together they are the trail back. */
export const SettingStep = z.strictObject({
  ...told,
  kind: z.literal('setting'),
  circuitId: Id,
  step: z.enum(['read', 'written', 'key-cycled', 'read-back', 'codes-cleared', 'put-back']),
  /** as it was read or written; nothing of a key or of codes */
  value: z.enum(['led', 'filament', 'other']).optional(),
  /** the tool's own words for it, or the codes */
  words: Line.optional(),
});
export type SettingStep = z.infer<typeof SettingStep>;

/** A part that came back, or what it did when it was looked at again. */
export const CameBack = z.strictObject({
  ...told,
  kind: z.literal('came-back'),
  lampId: Id.nullable(),
  partId: Id.nullable(),
  /** its code, as it was then */
  part: Line,
  /** when it went in; null where nobody knows */
  fittedAt: Moment.nullable(),
  words: Line,
});
export type CameBack = z.infer<typeof CameBack>;

/** Whatever was ever seen of a vehicle: what was on, what was fitted, what it did, who saw it and when. */
export const Observation = z.discriminatedUnion('kind', [
  Trial,
  RateReading,
  SteadyProof,
  CellLook,
  PinReading,
  PlaceLook,
  ClueTold,
  CauseClosed,
  LightReading,
  LightRatio,
  HeatReading,
  SettingStep,
  CameBack,
]);
export type Observation = z.infer<typeof Observation>;

/** That a record stands no longer, or stands again: how one is taken back, and how that is undone. The last word counts. */
export const Mark = z.strictObject({
  ...record,
  kind: z.literal('mark'),
  of: Id,
  stands: z.boolean(),
});
export type Mark = z.infer<typeof Mark>;

/** The log of a vehicle: what was seen, and what became of what was said. Nothing is ever taken out of it. */
export const Evidence = z.discriminatedUnion('kind', [...Observation.options, Mark]);
export type Evidence = z.infer<typeof Evidence>;

/** What was seen of lamps at work, with what was fitted then. */
export type LampEvidence = Trial | RateReading | SteadyProof | CellLook;

/** A trial that tells of a watcher: lamps that are dark or glow tell of none. */
export type WatcherTrial = Trial & { result: 'normal' | 'fast' | 'slow' | 'message' };
