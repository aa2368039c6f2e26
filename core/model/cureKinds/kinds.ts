import type { VehicleCure } from '../cures.ts';
import { bleedResistor } from './bleedResistor.ts';
import { controllerSetting } from './controllerSetting.ts';
import type { CureKind } from './cureKind.ts';
import { decoder } from './decoder.ts';
import { flasherRelay } from './flasherRelay.ts';
import { pilotDiodes } from './pilotDiodes.ts';

type Kinds = { readonly [K in VehicleCure['kind']]: CureKind<Extract<VehicleCure, { kind: K }>> };

/** Every kind of cure that is not a load on a lamp: one is its file, its shape in `cures.ts`, a line here and its words. */
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
