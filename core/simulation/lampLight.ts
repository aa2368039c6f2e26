import { signalFilament } from '../catalogue/bulbs.ts';
import type { Circuit } from '../circuit/engine/circuit.ts';
import { ledConverterWatts, ledRatedAmps } from '../circuit/engine/ledElements.ts';
import { twinTopology } from '../circuit/engine/twinLedElements.ts';
import { Filament } from '../circuit/filament.ts';
import type { LedPart } from '../model/part.ts';
import type { Lamp, LampInput } from '../model/vehicle/lamp.ts';
import { circuitsFeeding, lampById } from '../model/vehicle/lookUp.ts';
import { ELEMENTS } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Fitment, SocketContent } from './fitment.ts';

/** A lamp with more than this share of its rated light is seen to glow in the dark. */
export const SEEN_GLOW = 2e-3;

export type LampColour = 'amber' | 'red' | 'white' | 'warm';

/** One thing in a lamp that gives light: a filament, a string. */
export interface Emitter {
  lampId: string;
  /** which feed its light belongs to */
  input: LampInput;
  colour: LampColour;
  /** luminous flux when rated, lm */
  lumens: number;
  /** light now, 1 when rated, before the share of time its feed is on is counted */
  read(circuit: Circuit): number;
  /** whether a pulsed feed makes it go dark in the pauses: true of an LED, not of a filament */
  followsPulses: boolean;
}

/**
 * Everything that gives light in a lamp. Light follows a filament's temperature, an LED string's current (its flux is in
 * proportion to it), and behind a converter the power that reaches the string: near its rating wherever it runs.
 */
export function emittersOf(lamp: Lamp, content: SocketContent, hasDim: boolean): Emitter[] {
  switch (content.kind) {
    case 'empty':
      return [];
    case 'filament': {
      const colour = throughLens(lamp, content.bulb.glass === 'clear' ? 'warm' : content.bulb.glass);
      const dim = hasDim ? content.bulb.filaments.find((each) => each.role === 'dim') : undefined;
      return [
        {
          lampId: lamp.id,
          input: 'main',
          colour,
          lumens: signalFilament(content.bulb).lumens,
          read: filamentMeter(ELEMENTS.bulb(lamp.id), new Filament(signalFilament(content.bulb))),
          followsPulses: false,
        },
        ...(dim
          ? [
              {
                lampId: lamp.id,
                input: 'dim' as const,
                colour,
                lumens: dim.lumens,
                read: filamentMeter(ELEMENTS.dimFilament(lamp.id), new Filament(dim)),
                followsPulses: false,
              },
            ]
          : []),
      ];
    }
    case 'led':
      return ledEmitters(lamp, content.part, hasDim);
  }
}

/** What of the LED in a lamp shines by one of its feeds; null where it has no LED, or none that does. */
export function ledEmitterAt(
  vehicle: Vehicle,
  { contents }: Pick<Fitment, 'contents'>,
  lampId: string,
  input: LampInput,
): Emitter | null {
  const content = contents.get(lampId);
  if (content?.kind !== 'led') return null;
  const hasDim = circuitsFeeding(vehicle, lampId, 'dim').length > 0;
  const emitters = emittersOf(lampById(vehicle, lampId), content, hasDim);
  return emitters.find((each) => each.input === input) ?? null;
}

function filamentMeter(element: string, filament: Filament): Emitter['read'] {
  return (circuit) => filament.lightAt(circuit.branch(element).filamentKelvin ?? Filament.ambientKelvin);
}

function ledEmitters(lamp: Lamp, part: LedPart, hasDim: boolean): Emitter[] {
  const bulb = ELEMENTS.bulb(lamp.id);
  const main: Omit<Emitter, 'read'> = {
    lampId: lamp.id,
    input: 'main',
    colour: throughLens(lamp, part.colour),
    lumens: part.lumens,
    followsPulses: true,
  };
  if (part.twin && hasDim) {
    const topology = twinTopology(part);
    const read =
      topology.kind === 'shared-converter'
        ? powerMeter(`${bulb}.converter`, topology.watts)
        : stringMeter(`${bulb}.led`, part.watts / part.atVolts);
    return [{ ...main, read }];
  }
  if (part.sweep) {
    const { segments } = part.sweep;
    const share: LedPart = { ...withoutLoad(part), watts: part.watts / segments };
    const meters = Array.from({ length: segments }, (_, index) => {
      const meter = lightMeter(share, ELEMENTS.segment(lamp.id, index));
      return (circuit: Circuit) => meter(circuit) / segments;
    });
    return [{ ...main, read: (circuit) => meters.reduce((sum, meter) => sum + meter(circuit), 0) }];
  }
  const emitters: Emitter[] = [{ ...main, read: lightMeter(part, bulb) }];
  if (part.switchback && hasDim) {
    const { parkColour, parkWatts, parkLumens } = part.switchback;
    emitters.push({
      lampId: lamp.id,
      input: 'dim',
      colour: throughLens(lamp, parkColour),
      lumens: parkLumens,
      followsPulses: true,
      read: lightMeter({ ...withoutLoad(part), watts: parkWatts }, ELEMENTS.dimFilament(lamp.id)),
    });
  }
  return emitters;
}

function withoutLoad({ builtInLoadOhms: _, ...part }: LedPart): LedPart {
  return part;
}

/** The light of a single-level LED, its built-in load counted out. */
function lightMeter(part: LedPart, id: string): Emitter['read'] {
  return part.ballast.kind === 'converter'
    ? powerMeter(`${id}.converter`, ledConverterWatts(part))
    : stringMeter(`${id}.led`, ledRatedAmps(part));
}

function powerMeter(element: string, ratedWatts: number): Emitter['read'] {
  return (circuit) => Math.max(0, circuit.watts(element)) / ratedWatts;
}

function stringMeter(element: string, ratedAmps: number): Emitter['read'] {
  // A reversed string passes picoamps the other way; that is dark, not less than dark.
  return (circuit) => Math.max(0, circuit.amps(element)) / ratedAmps;
}

/** What an eye sees: a coloured lens gives its own colour; a clear or smoked one, or a film, that of the source. */
function throughLens(lamp: Lamp, source: LampColour): LampColour {
  return lamp.lens === 'amber' || lamp.lens === 'red' ? lamp.lens : source;
}
