import type { VehicleCure } from '../../model/cures.ts';
import type { LedPart, Part, WholeLampPart } from '../../model/part.ts';
import type { PastItem, Repair } from '../../model/past.ts';
import type { Lamp, Side } from '../../model/vehicle/lamp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import type { MovedBulb } from '../../simulation/bulbsMoved.ts';
import type { LightSwitch } from '../../vehicle/lampWork.ts';
import type { LooseResistor } from '../../wiring/looseResistors.ts';
import type { PinMap } from '../../wiring/wholeLampPins.ts';
import type { OpenedWith } from '../access/openings.ts';

/** A lamp and what is switched on to see it. */
export interface LitBy {
  lamp: Lamp;
  switches: readonly LightSwitch[];
}

/** What of a cure comes after the lamps, and decides how they flash. */
export type LaterCure = 'flasher-relay' | 'controller-setting';

/** What is known of which way round an LED goes in. */
export interface WayRound {
  led: LedPart;
  /** the lamp across from it, and which way round that one went in */
  across: { lamp: Lamp; way: string } | null;
}

/** What one step is about, as data: `words/work/` says it. A kind of step is one shape here and its words there. */
export type StepAbout =
  | { of: 'receive'; parts: readonly Part[]; vehicle: Pick<Vehicle, 'region' | 'facts'> }
  | { of: 'prepare'; highVoltage: boolean }
  | { of: 'in-the-way' | 'in-the-way-back'; what: string }
  | { of: 'switch-on'; switches: readonly LightSwitch[] }
  | { of: 'switch-off' | 'battery-off' | 'battery-on' | 'keep-stock' }
  | { of: 'compare'; side: Side; both: boolean; later: LaterCure | null }
  | { of: 'hazard-run'; hazardSwitch: boolean; resistors: boolean }
  | { of: 'long-run'; switches: readonly LightSwitch[]; resistors: boolean }
  | { of: 'open'; opened: OpenedWith; worked: readonly Lamp[]; past: readonly PastItem[] }
  | { of: 'close'; opened: OpenedWith; worked: readonly Lamp[] }
  | {
      of: 'test';
      worked: readonly LitBy[];
      /** neighbours of one base, easily exchanged: each is seen lit by its own switch */
      alike: readonly LitBy[];
      /** lit in its socket a one-way LED is the right way round: those of which nobody has written that down */
      wayRound: readonly Lamp[];
      turns: boolean;
      resistors: boolean;
    }
  | { of: 'swap'; lamp: Lamp; stock: string; wayRound: WayRound; alike: readonly Lamp[] }
  | { of: 'renew'; lamp: Lamp; stock: string }
  | {
      of: 'add';
      lamp: Lamp;
      /** what feeds it, or works its relay */
      feed: string;
      /** of a relay's own fuse, A; null where the fuse that is there stays */
      fuseAmps: number | null;
      drilled: boolean;
    }
  | { of: 'repair'; lamp: Lamp; repair: Repair }
  | { of: 'whole'; lamp: Lamp; part: WholeLampPart; pins: PinMap; bulbs: readonly MovedBulb[] }
  | { of: 'mount'; lamp: Lamp; loose: LooseResistor }
  | { of: 'tap'; lamp: Lamp; loose: LooseResistor; tapsInside: boolean }
  | { of: 'harness'; lamp: Lamp; loose: LooseResistor; code: string | null }
  | { of: 'cure'; cure: VehicleCure }
  | {
      of: 'kit';
      partId: string;
      code: string;
      variant: string;
      used: readonly string[];
      capped: readonly string[];
      links: readonly { from: string; to: string }[];
      modules: readonly string[];
      stays: readonly { what: string; count: number }[];
    };

/** What steps of one kind are about. */
export type About<K extends StepAbout['of']> = Extract<StepAbout, { of: K }>;
