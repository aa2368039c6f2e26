import { baseRecord } from '../catalogue/bases.ts';
import { inARow, ohms } from '../formatting/format.ts';
import { length } from '../formatting/units.ts';
import type { Part, PartLook } from '../model/part.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { plugsOf } from '../wiring/wholeLampPins.ts';
import type { Tick } from './work/stepWords.ts';

/** What is looked for on the lens of a whole lamp (from memory: UN Regulation 148 with the mark of 1958; FMVSS 108 with SAE J759). */
const MARKS: Record<Vehicle['region'], string> = {
  UN: 'approval mark on the lens, an E in a circle with the letters of its functions',
  US: 'DOT and the letters of its functions on the lens',
};

/**
 * What is looked at of one part before anything is opened, each to be ticked: what its record says of plug, pins, tabs,
 * grommet and way up, and what its kind asks for (lights on a battery, terminals, height, screw, ohms, what is in the box).
 */
export function receivingTicks(part: Part, { region, facts }: Pick<Vehicle, 'region' | 'facts'>): Tick[] {
  const tick = (of: string, label: string): Tick => ({
    id: `${of} ${part.id}`,
    label: `${part.code}: ${label}`,
  });
  return [...ofKind(part, tick, region, facts?.relayRoomMm), ...ofLook(part.look, tick)];
}

type Make = (of: string, label: string) => Tick;

function ofLook(look: PartLook | undefined, tick: Make): Tick[] {
  if (!look) return [];
  const { plug, pins, tabs, grommetMm, wayUp, mount, screw } = look;
  return [
    ...(plug ? [tick('plug', `plug as the old one: ${plug}`)] : []),
    ...(pins ? [tick('pins', `${pins} pins, none bent`)] : []),
    ...(tabs ? [tick('tabs', `tabs: ${tabs}`)] : []),
    ...(grommetMm !== undefined
      ? [tick('grommet', `grommet ${length(grommetMm)} deep, as the old one`)]
      : []),
    ...(wayUp ? [tick('way-up', `which way up: ${wayUp}`)] : []),
    ...(mount ? [tick('mount', `held by: ${mount}`)] : []),
    ...(screw ? [tick('screw', `screw as delivered: ${screw}`)] : []),
  ];
}

function ofKind(part: Part, tick: Make, region: Vehicle['region'], roomMm: number | undefined): Tick[] {
  switch (part.kind) {
    case 'led':
      return [
        {
          // What earlier plans called it.
          id: part.id,
          label:
            part.polarity === 'one-way'
              ? `${part.code} lights on 9 V, plus marked`
              : `${part.code} lights on 9 V`,
        },
        tick(
          'base',
          `cap and pins as the old bulb’s: ${part.bases.map((base) => baseRecord(base).name).join(' or ')}`,
        ),
      ];
    case 'whole-lamp':
      return [
        tick('mark', MARKS[region]),
        tick('connector', `plug against the old one: ${part.connector}`),
        ...(plugsOf(part).length > 1
          ? [tick('plugs', `plugs ${inARow(plugsOf(part))} told apart and tagged`)]
          : []),
        tick('lights', 'each function lights on a battery'),
      ];
    case 'flasher': {
      const { supply, lamps, earth, pilot } = part.terminals;
      const letters = [supply, lamps, earth, pilot].filter((each) => each !== undefined);
      return [
        tick('letters', `terminals ${inARow(letters)}, against those of the old one`),
        tick(
          'height',
          roomMm === undefined
            ? `${length(part.heightMm)} high: does its cover close?`
            : `${length(part.heightMm)} high, ${length(roomMm)} of room`,
        ),
        ...(part.adjuster && !part.look?.screw
          ? [tick('screw', 'how its screw stands is written down')]
          : []),
      ];
    }
    case 'resistor':
    case 'harness':
      return [tick('ohms', `measures ${ohms(part.ohms)}, leads whole`)];
    case 'decoder':
      return [tick('leads', 'plugs and leads whole')];
    case 'kit':
      return part.sheet.items.map(({ id, what, count }) =>
        tick(`box ${id}`, `${count} × ${what} in the box`),
      );
    case 'consumable':
      return [];
  }
}

/** What a step waits for while a part that came wrong is on its way back. */
export function waitsForAnother({ code }: Pick<Part, 'code'>): string {
  return `another ${code}, the first came wrong`;
}
