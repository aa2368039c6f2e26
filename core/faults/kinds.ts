import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Strike } from '../simulation/strike.ts';
import { circuitIdsOf, type FaultKindOf } from './faultKind.ts';
import { badEarth } from './kinds/badEarth.ts';
import { bulbOut } from './kinds/bulbOut.ts';
import { corrodedCarrier } from './kinds/corrodedCarrier.ts';
import { exchanged } from './kinds/exchanged.ts';
import { excite } from './kinds/excite.ts';
import { filamentOpen } from './kinds/filamentOpen.ts';
import { fuseOut } from './kinds/fuseOut.ts';
import { fuseWrong } from './kinds/fuseWrong.ts';
import { halfTurned } from './kinds/halfTurned.ts';
import { leakage } from './kinds/leakage.ts';
import { ledShorted } from './kinds/ledShorted.ts';
import { noDecoder } from './kinds/noDecoder.ts';
import { poorContact } from './kinds/poorContact.ts';
import { poorEarth } from './kinds/poorEarth.ts';
import { pulsed } from './kinds/pulsed.ts';
import { relayStuck } from './kinds/relayStuck.ts';
import { resistorValue } from './kinds/resistorValue.ts';
import { reversed } from './kinds/reversed.ts';
import { screwOff } from './kinds/screwOff.ts';
import { sensed } from './kinds/sensed.ts';
import { settingLost } from './kinds/settingLost.ts';
import { shortToEarth } from './kinds/shortToEarth.ts';
import { sidesBridged } from './kinds/sidesBridged.ts';
import { sweepCut } from './kinds/sweepCut.ts';
import { tapOnOtherFeed } from './kinds/tapOnOtherFeed.ts';
import { tapOpen } from './kinds/tapOpen.ts';
import { tested } from './kinds/tested.ts';
import { wantsLoad } from './kinds/wantsLoad.ts';
import { wet } from './kinds/wet.ts';
import { wrongWedge } from './kinds/wrongWedge.ts';

/**
 * Every kind of fault there is, in the order they are listed in. A kind is one file; its words are in `words/faults.ts`.
 *
 * Priors are common practice: how often installers meet each kind, with polarity, contact and load first. They are relative
 * and shared by all places a kind may be at: the order matters, not the last digit.
 */
export const FAULT_KINDS = {
  'bulb-out': bulbOut,
  'poor-earth': poorEarth,
  'poor-contact': poorContact,
  reversed,
  'half-turned': halfTurned,
  'wrong-wedge': wrongWedge,
  'led-shorted': ledShorted,
  'filament-open': filamentOpen,
  exchanged,
  'corroded-carrier': corrodedCarrier,
  'tap-open': tapOpen,
  'tap-on-other-feed': tapOnOtherFeed,
  'resistor-value': resistorValue,
  'bad-earth': badEarth,
  'short-to-earth': shortToEarth,
  leakage,
  'fuse-out': fuseOut,
  'fuse-wrong': fuseWrong,
  'sides-bridged': sidesBridged,
  'relay-stuck': relayStuck,
  'screw-off': screwOff,
  'setting-lost': settingLost,
  'no-decoder': noDecoder,
  pulsed,
  tested,
  sensed,
  excite,
  sweep: sweepCut,
  wet,
  'wants-load': wantsLoad,
};

export type FaultKind = keyof typeof FAULT_KINDS;

type FaultOf<K> = K extends FaultKindOf<infer F> ? F : never;
/** Something wrong with a vehicle, with its place, and its size where it has one. */
export type Fault = FaultOf<(typeof FAULT_KINDS)[FaultKind]>;

/** What there is to know of a fault’s kind. */
export function kindOf<F extends Fault>({ kind }: F): FaultKindOf<F> {
  // A kind is listed under the name its faults bear (a test says so); the type checker cannot follow that.
  return FAULT_KINDS[kind] as unknown as FaultKindOf<F>;
}

/** How faults are put into a vehicle’s circuit; one that no circuit feels changes nothing. */
export function strikesOf(vehicle: Vehicle, faults: readonly Fault[]): Strike[] {
  return faults.flatMap((fault) => kindOf(fault).strike?.(fault, vehicle) ?? []);
}

/** Circuits whose lamps, currents or feeds a fault changes by itself. */
export function circuitsTouched(vehicle: Vehicle, fault: Fault): readonly string[] {
  const kind = kindOf(fault);
  return kind.circuitIds?.(fault, vehicle) ?? circuitIdsOf(vehicle, kind.lampIds(fault, vehicle));
}

/** The name a fault goes by on the command line and on the record: `reversed:rear-left`. */
export function faultId(fault: Fault): string {
  const where = kindOf(fault).where(fault);
  return where ? `${fault.kind}:${where}` : fault.kind;
}

/** The place one looks for a fault at: a bulb in its socket, its contacts, a resistor, a fuse, a wire, the relay. */
export function placeOf(fault: Fault): string {
  return kindOf(fault).place?.(fault) ?? faultId(fault);
}

/** Whether a circuit feels it, so that it can be played. */
export function isFelt(fault: Fault): boolean {
  return kindOf(fault).strike !== undefined;
}
