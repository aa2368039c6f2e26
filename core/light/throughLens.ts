import { signalFilament } from '../catalogue/bulbs.ts';
import type { Bulb } from '../model/bulb.ts';
import type { LedPart } from '../model/part.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { glassTransmission, type LensFamily, lensTransmission } from './lenses.ts';
import { amberLed, filament, redLed, whiteLed } from './sources.ts';
import {
  behind,
  type Chromaticity,
  chromaticity,
  lumensOf,
  type Spectrum,
  tristimulus,
  withLumens,
} from './spectrum.ts';
import { swatch } from './swatch.ts';
import { type ZoneColour, zoneOf } from './zones.ts';

/** What comes out of a lens. */
export interface SeenLight {
  /** before and after the lens, lm */
  sourceLumens: number;
  lumens: number;
  /** share of the source's light that the lens lets through */
  kept: number;
  at: Chromaticity;
  /** the zone of the region's rules it lies in; null outside all */
  zone: ZoneColour | null;
  /** nearest colour on a screen, `#rrggbb` */
  colour: string;
}

export interface ThroughLens {
  lens: LensFamily;
  filament: SeenLight;
  led: SeenLight;
  /** the LED's light after the lens over the filament's after the lens: above 1 it is the brighter lamp */
  ratio: number;
}

/** Correlated colour temperature taken where a seller prints none, K (typical). */
const USUAL_KELVIN = { white: 6000, warm: 3000 } as const;

/** The spectrum of an LED part, by its colour and, for whites, its colour temperature. */
export function ledSpectrum({ colour, kelvin }: Pick<LedPart, 'colour' | 'kelvin'>): Spectrum {
  switch (colour) {
    case 'red':
      return redLed();
    case 'amber':
      return amberLed();
    default:
      return whiteLed(kelvin ?? USUAL_KELVIN[colour]);
  }
}

/** Light of a source of so many lumens behind a lens. */
export function seen(
  spectrum: Spectrum,
  lumens: number,
  lens: LensFamily,
  region: Vehicle['region'],
): SeenLight {
  const source = withLumens(spectrum, lumens);
  const out = behind(source, lensTransmission(lens));
  const XYZ = tristimulus(out);
  const after = lumensOf(out);
  const at = chromaticity(XYZ);
  return {
    sourceLumens: lumens,
    lumens: after,
    kept: after / lumens,
    at,
    zone: zoneOf(region, at),
    colour: swatch(XYZ),
  };
}

/**
 * An LED against the bulb it replaces, both after the lens: what counts is the light that comes out, not the share
 * that is kept.
 *
 * @param bulb its printed lumens are those of its glass, so amber glass is in them already
 */
export function throughLens(
  region: Vehicle['region'],
  lamp: Pick<Lamp, 'lens'>,
  bulb: Bulb,
  part: LedPart,
): ThroughLens {
  const stock = filamentSeen(region, lamp, bulb);
  const led = ledSeen(region, lamp, part);
  return { lens: lamp.lens, filament: stock, led, ratio: led.lumens / stock.lumens };
}

/** A filament bulb behind the lens of a lamp. */
export function filamentSeen(region: Vehicle['region'], { lens }: Pick<Lamp, 'lens'>, bulb: Bulb): SeenLight {
  const glass = bulb.glass === 'clear' ? filament() : behind(filament(), glassTransmission(bulb.glass));
  return seen(glass, signalFilament(bulb).lumens, lens, region);
}

/** An LED behind the lens of a lamp. */
export function ledSeen(
  region: Vehicle['region'],
  { lens }: Pick<Lamp, 'lens'>,
  part: Pick<LedPart, 'colour' | 'kelvin' | 'lumens'>,
): SeenLight {
  return seen(ledSpectrum(part), part.lumens, lens, region);
}

/** Lumens a watt beyond which a printed figure cannot be so, lm/W: the best white LEDs of the laboratory (typical). */
const MOST_LUMENS_PER_WATT = 200;

/** What physics says against a seller's figures; null where it has no objection. */
export function impossibleClaim({
  lumens,
  watts,
  colour,
}: Pick<LedPart, 'lumens' | 'watts' | 'colour'>): string | null {
  const perWatt = lumens / watts;
  const most = colour === 'red' || colour === 'amber' ? MOST_LUMENS_PER_WATT * 0.75 : MOST_LUMENS_PER_WATT;
  if (perWatt <= most) return null;
  return `${Math.round(lumens)} lm from ${watts} W would be ${Math.round(perWatt)} lm a watt; no ${colour} LED gives more than about ${Math.round(most)}.`;
}
