import { z } from 'zod';
import { Fraction, Id, Line, Ohms, Watts } from './fields.ts';
import { LampInput } from './vehicle/lamp.ts';

/** The three states a vehicle is compared in. */
export const Configuration = z.enum(['stock', 'leds', 'cured']);
export type Configuration = z.infer<typeof Configuration>;

/** What is switched on in a proving run of the turn circuits. */
export const TurnFunction = z.enum(['turn-left', 'turn-right', 'hazard']);
export type TurnFunction = z.infer<typeof TurnFunction>;

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

/** Another flasher in the place of the stock one. */
export const FlasherRelayCure = z.strictObject({
  kind: z.literal('flasher-relay'),
  partId: Id,
  position: Fraction,
});
export type FlasherRelayCure = z.infer<typeof FlasherRelayCure>;

/** A diode from each side to the pilot lamp, whose other end goes to earth. */
export const PilotDiodesCure = z.strictObject({ kind: z.literal('pilot-diodes') });
export type PilotDiodesCure = z.infer<typeof PilotDiodesCure>;

/** A resistor from a sensed wire to earth. */
export const BleedResistorCure = z.strictObject({
  kind: z.literal('bleed-resistor'),
  circuitId: Id,
  piece: ResistorPiece,
});
export type BleedResistorCure = z.infer<typeof BleedResistorCure>;

/** The controller told that LEDs are fitted; `before` is how to go back. */
export const ControllerSettingCure = z.strictObject({
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
});
export type ControllerSettingCure = z.infer<typeof ControllerSettingCure>;

/** A block plugged in before one lamp's LED. */
export const DecoderCure = z.strictObject({ kind: z.literal('decoder'), lampId: Id, partId: Id });
export type DecoderCure = z.infer<typeof DecoderCure>;

/** A cure that is not a load on a lamp. */
export const VehicleCure = z.discriminatedUnion('kind', [
  FlasherRelayCure,
  PilotDiodesCure,
  BleedResistorCure,
  ControllerSettingCure,
  DecoderCure,
]);
export type VehicleCure = z.infer<typeof VehicleCure>;
