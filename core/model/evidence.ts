import { z } from 'zod';
import { CLUES } from './clues.ts';
import { Configuration, ResistorNetwork, TurnFunction, VehicleCure } from './cures.ts';
import { Quantity, record, told } from './evidenceRecord.ts';
import { Fraction, Id, Line, Moment, Volts } from './fields.ts';
import { LAMP_WORDS } from './lampWords.ts';
import { MOST_CIRCUITS, MOST_LAMPS } from './limits.ts';
import { CameBack, HeatReading, LightRatio, LightReading, SettingStep } from './measuredEvidence.ts';
import { TRIAL_RESULTS } from './trialResults.ts';

export { Method } from './evidenceRecord.ts';
export {
  BeforeAfter,
  HeatReading,
  LightRatio,
  LightReading,
  SettingStep,
} from './measuredEvidence.ts';

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
  vehicleCures: z.array(VehicleCure).max(MOST_LAMPS).optional(),
  /** lamps whose bulb was out */
  out: z.array(Id).max(16),
});

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
  circuits: z.array(Id).max(MOST_CIRCUITS),
  found: z.array(Deviation).max(MOST_LAMPS),
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
