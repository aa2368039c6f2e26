import { jointsOfCures, worksOf } from '../../model/cureKinds/kinds.ts';
import type { ResistorNetwork } from '../../model/cures.ts';
import { jointsOf } from '../../model/joints.ts';
import type { CureOption } from './option.ts';

/** Work that resistors add, and an earth laid to a relay, minutes (common practice). */
const MINUTES = { resistor: [12, 25], harness: [6, 14], earth: [5, 15] } as const;

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
  { change }: CureOption,
  networks: readonly ResistorNetwork[],
  earthed = false,
): Effort {
  const works = worksOf(change?.vehicleCures ?? []);
  const cuts = jointsOf(networks) + jointsOfCures(change?.vehicleCures ?? []);
  const wired = networks.filter((network) => !network.plugged);
  const plugged = networks.filter((network) => network.plugged && network.input !== 'dim');
  const parts: (readonly [number, number])[] = [
    ...wired.map(() => MINUTES.resistor),
    ...plugged.map(() => MINUTES.harness),
    ...(earthed ? [MINUTES.earth] : []),
    ...works.map(({ minutes }) => minutes),
  ];
  const metal = wired.length + plugged.length;
  const places = [
    ...works.map(({ opens }) => opens),
    ...(metal > 0 ? [`${metal} lamp places with metal`] : []),
  ];
  return {
    cuts,
    reversible: cuts === 0,
    access: told(places).join(', ') || 'the lamps alone',
    minutes: [parts.reduce((sum, [least]) => sum + least, 0), parts.reduce((sum, [, most]) => sum + most, 0)],
    needs: told([
      ...works.map(({ needs }) => needs),
      ...(earthed ? ['bare body metal near it for its earth'] : []),
      ...(metal > 0 ? ['bare metal within reach'] : []),
      ...(plugged.length > 0 ? ['standard sockets'] : []),
    ]),
  };
}

function told(names: readonly (string | null)[]): string[] {
  return [...new Set(names)].flatMap((name) => (name === null ? [] : [name]));
}
