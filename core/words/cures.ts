import { mapRelay } from '../devices/relayMapping.ts';
import { capital, ohms } from '../formatting/format.ts';
import type { VehicleCure } from '../model/cures.ts';
import type { Shelf } from '../model/part.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** What a step of a cure says. */
export interface CureStepWords {
  place: string;
  title: string;
  text: string;
  cautions: readonly string[];
  /** things of it to tick off one by one */
  ticks?: readonly { id: string; label: string }[];
}

/** What there is to say of one kind of cure. */
interface CureWords<C> {
  /** in a few words */
  short(cure: C, code: (partId: string) => string): string;
  /** why its part is on the pick list */
  why(cure: C, vehicle: Vehicle): string;
  step(cure: C, vehicle: Vehicle, shelf: Shelf): CureStepWords;
}

type Words = { readonly [K in VehicleCure['kind']]: CureWords<Extract<VehicleCure, { kind: K }>> };

const WORDS: Words = {
  'flasher-relay': {
    short: ({ partId }, code) => code(partId),
    why: (_, { flasher }) => `in place of the ${flasher.name}`,
    step: ({ partId }, { flasher }, shelf) => {
      const part = shelf.find(({ id }) => id === partId);
      const { adapterLines } = part?.kind === 'flasher' ? mapRelay(flasher, part) : { adapterLines: [] };
      return {
        place: 'Flasher',
        title: `Swap the ${flasher.name} for ${part?.code ?? partId}`,
        text: [
          'Compare terminals by their letters, never by their place: supply to supply, lamps to lamps. Reuse the rubber mount, and see that the cover closes. Some click once more after switching off: that is no fault.',
          ...adapterLines.map((line) => `${capital(line)}.`.replace(/\.\.$/, '.')),
        ].join(' '),
        cautions: [
          'Supply and lamp terminals exchanged keep it from flashing. It no longer warns of a dead lamp.',
        ],
      };
    },
  },
  'pilot-diodes': {
    short: () => 'two diodes for the pilot',
    why: () => 'pilot lamp',
    step: () => ({
      place: 'Behind the dash',
      title: 'Two diodes to the pilot lamp',
      text: 'Take the pilot off both turn wires. A diode from the left wire and one from the right, their banded ends joined to the pilot; the pilot’s other end to earth.',
      cautions: ['Diodes with the pilot left between the sides change nothing.'],
    }),
  },
  'bleed-resistor': {
    short: ({ piece }) => `bleed resistor ${ohms(piece.ohms)}`,
    why: () => 'sensed brake wire',
    step: ({ piece }) => ({
      place: 'At the lamp',
      title: `Bleed resistor ${ohms(piece.ohms)} from the sensed wire to earth`,
      text: 'Prove the wire with the meter: battery volts with the pedal down. Mount it clear of plastic.',
      cautions: ['It gets warm while the pedal is held down.'],
    }),
  },
  'controller-setting': {
    short: () => 'set to LED',
    why: () => 'controller setting',
    step: ({ circuitId, before }, { circuits }) => ({
      place: 'Diagnostic socket',
      title: `Set ${circuits.find(({ id }) => id === circuitId)?.name.toLowerCase() ?? circuitId} to LED`,
      text: `Write down the old value (${before}) first. Turn the key off and on after it, read it back, then clear the stored codes.`,
      cautions: ['A setting that is not read back may not have been taken.'],
      ticks: [
        { id: 'before', label: `old value written down: ${before}` },
        { id: 'keyCycled', label: 'key off and on again' },
        { id: 'readBack', label: 'read back: it says LED' },
        { id: 'codesCleared', label: 'stored codes cleared' },
      ],
    }),
  },
  decoder: {
    short: ({ partId }, code) => code(partId),
    why: () => 'before the LED',
    step: ({ partId }, _, shelf) => ({
      place: 'At the lamp',
      title: `Plug ${shelf.find(({ id }) => id === partId)?.code ?? partId} in before the LED`,
      text: 'Mind its plus and minus. Tie it up where water does not stand.',
      cautions: [],
    }),
  },
};

/** What is said of a cure's kind. */
export function wordsOfCure<C extends VehicleCure>({ kind }: C): CureWords<C> {
  // The table is closed over the kinds: the entry of this one takes this one.
  return WORDS[kind] as unknown as CureWords<C>;
}
