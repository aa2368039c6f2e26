import { z } from 'zod';
import { BleedResistorCure, bleedResistor } from './cureKinds/bleedResistor.ts';
import { ControllerSettingCure, controllerSetting } from './cureKinds/controllerSetting.ts';
import type { CureKind } from './cureKinds/cureKind.ts';
import { DecoderCure, decoder } from './cureKinds/decoder.ts';
import { FlasherRelayCure, flasherRelay } from './cureKinds/flasherRelay.ts';
import { PilotDiodesCure, pilotDiodes } from './cureKinds/pilotDiodes.ts';
import { ResistorPiece } from './cureParts.ts';
import { Id, Line } from './fields.ts';
import { LampInput } from './vehicle/lamp.ts';

/** The three states a vehicle is compared in. */
export const Configuration = z.enum(['stock', 'leds', 'cured']);
export type Configuration = z.infer<typeof Configuration>;

/** What is switched on in a proving run of the turn circuits. */
export const TurnFunction = z.enum(['turn-left', 'turn-right', 'hazard']);
export type TurnFunction = z.infer<typeof TurnFunction>;

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
  FlasherRelayCure,
  PilotDiodesCure,
  BleedResistorCure,
  ControllerSettingCure,
  DecoderCure,
]);
export type VehicleCure = z.infer<typeof VehicleCure>;

type Kinds = { readonly [K in VehicleCure['kind']]: CureKind<Extract<VehicleCure, { kind: K }>> };

/** Every kind of cure that is not a load on a lamp: adding one is its file, a line above and here, and its words. */
export const CURE_KINDS: Kinds = {
  'flasher-relay': flasherRelay,
  'pilot-diodes': pilotDiodes,
  'bleed-resistor': bleedResistor,
  'controller-setting': controllerSetting,
  decoder,
};

/** What there is to know of a cure's kind. */
export function cureKind<C extends VehicleCure>({ kind }: C): CureKind<C> {
  // The table is closed over the kinds: the entry of this one takes this one.
  return CURE_KINDS[kind] as unknown as CureKind<C>;
}
