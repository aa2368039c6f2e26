import type { VehicleCure } from '../cures.ts';
import { bleedResistor } from './bleedResistor.ts';
import { controllerSetting } from './controllerSetting.ts';
import type { CureKind, CureWork } from './cureKind.ts';
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

/** The work of some cures: what is done once for all of a kind stands there once. */
export function worksOf(cures: readonly VehicleCure[]): CureWork[] {
  return cures.flatMap((cure, index) => {
    const { work } = cureKind(cure);
    const first = cures.findIndex(({ kind }) => kind === cure.kind) === index;
    return work.each || first ? [work] : [];
  });
}

/** Joints that some cures make in the loom, a count. */
export function jointsOfCures(cures: readonly VehicleCure[]): number {
  return worksOf(cures).reduce((sum, { joints }) => sum + joints, 0);
}
