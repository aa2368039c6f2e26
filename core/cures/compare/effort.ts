import { jointsOf } from '../../inventory/consumables.ts';
import type { ResistorNetwork } from '../../model/cures.ts';
import type { CureOption } from './option.ts';

/** Work a cure adds, minutes (common practice). */
const MINUTES = {
  resistor: [12, 25],
  harness: [6, 14],
  relay: [5, 20],
  earth: [5, 15],
  setting: [10, 20],
  decoder: [4, 8],
  diodes: [15, 30],
  bleed: [10, 20],
} as const;

/** Joints two diodes need: a lead on each side's wire, and the pilot's other end to earth. */
const DIODE_JOINTS = 3;

/** Joints a bleed resistor needs: on the sensed wire, and to earth. */
const BLEED_JOINTS = 2;

/** What a cure costs beside money. */
export interface Effort {
  /** joints made in the loom */
  cuts: number;
  reversible: boolean;
  /** what is opened beside what the LEDs open anyway */
  access: string;
  minutes: readonly [number, number];
  /** what must be there for it: a tool, a place, a part of the vehicle */
  needs: readonly string[];
}

/**
 * @param networks the resistors it puts across turn lamps
 * @param earthed whether its relay needs an earth wire laid to it
 */
export function effortOf(
  { kinds, change }: CureOption,
  networks: readonly ResistorNetwork[],
  earthed = false,
): Effort {
  const cuts =
    jointsOf(networks) +
    (kinds.includes('pilot-diodes') ? DIODE_JOINTS : 0) +
    (kinds.includes('bleed-resistor') ? BLEED_JOINTS : 0);
  const wired = networks.filter((network) => !network.plugged);
  const plugged = networks.filter((network) => network.plugged && network.input !== 'dim');
  const decoders = (change?.vehicleCures ?? []).filter((cure) => cure.kind === 'decoder');
  const parts: (readonly [number, number])[] = [
    ...wired.map(() => MINUTES.resistor),
    ...plugged.map(() => MINUTES.harness),
    ...decoders.map(() => MINUTES.decoder),
    ...(kinds.includes('flasher-relay') ? [MINUTES.relay] : []),
    ...(earthed ? [MINUTES.earth] : []),
    ...(kinds.includes('controller-setting') ? [MINUTES.setting] : []),
    ...(kinds.includes('pilot-diodes') ? [MINUTES.diodes] : []),
    ...(kinds.includes('bleed-resistor') ? [MINUTES.bleed] : []),
  ];
  const metal = wired.length + plugged.length;
  const places = [
    ...(kinds.includes('flasher-relay') ? ['where the relay is'] : []),
    ...(kinds.includes('controller-setting') ? ['diagnostic plug'] : []),
    ...(kinds.includes('pilot-diodes') ? ['dash'] : []),
    ...(metal > 0 ? [`${metal} lamp places with metal`] : []),
  ];
  return {
    cuts,
    reversible: cuts === 0,
    access: places.join(', ') || 'the lamps alone',
    minutes: [parts.reduce((sum, [least]) => sum + least, 0), parts.reduce((sum, [, most]) => sum + most, 0)],
    needs: [
      ...(kinds.includes('flasher-relay') ? ['a relay of its own to change'] : []),
      ...(earthed ? ['bare body metal near it for its earth'] : []),
      ...(kinds.includes('controller-setting') ? ['a diagnostic adapter that has the setting'] : []),
      ...(metal > 0 ? ['bare metal within reach'] : []),
      ...(plugged.length > 0 ? ['standard sockets'] : []),
      ...(kinds.includes('pilot-diodes') ? ['the pilot’s wires'] : []),
      ...(decoders.length > 0 ? ['room behind the lamps'] : []),
    ],
  };
}
