import { leastAt } from '../numerics/rootFinding.ts';
import { bell, chromaticity, planckian, type Spectrum, tristimulus } from './spectrum.ts';

/** Spectra of what shines in lamps. LED shapes are typical of their kind: peak and width, not one maker's curve. */

/** Peaks and widths at half height, nm (typical). */
const RED = { peak: 630, width: 18 };
const AMBER = { peak: 592, width: 16 };
const BLUE_PUMP = { peak: 452, width: 22 };
const PHOSPHOR = { peak: 565, width: 120 };
const WARM_PHOSPHOR = { peak: 600, width: 130 };

/** Light of a red LED (typical). */
export function redLed(): Spectrum {
  return bell(RED.peak, RED.width);
}

/** Light of an amber LED (typical). */
export function amberLed(): Spectrum {
  return bell(AMBER.peak, AMBER.width);
}

/** Between these a single mixture of pump and phosphors gives every white, K. */
export const WHITE_KELVIN = { coolest: 8000, warmest: 2500 } as const;

/**
 * A white LED: a blue pump under a broad phosphor, mixed so that its colour stands as near to the black body of its
 * temperature as the mixture can. The warmer it is, the redder its phosphor.
 *
 * @throws RangeError outside `WHITE_KELVIN`
 */
export function whiteLed(kelvin: number): Spectrum {
  const { coolest, warmest } = WHITE_KELVIN;
  if (!(kelvin >= warmest && kelvin <= coolest))
    throw new RangeError(`a white LED has from ${warmest} to ${coolest} K, not ${kelvin}`);
  const warmth = Math.min(1, Math.max(0, (6000 - kelvin) / 3200));
  const phosphor = mix(
    bell(PHOSPHOR.peak, PHOSPHOR.width),
    bell(WARM_PHOSPHOR.peak, WARM_PHOSPHOR.width),
    warmth,
  );
  const pump = bell(BLUE_PUMP.peak, BLUE_PUMP.width);
  const target = chromaticity(tristimulus(planckian(kelvin)));
  const off = (share: number) => {
    const { x, y } = chromaticity(tristimulus(mix(phosphor, pump, share)));
    return (x - target.x) ** 2 + (y - target.y) ** 2;
  };
  return mix(phosphor, pump, leastAt(off, 0.001, 0.9));
}

/** Colour temperature of a signal bulb's filament at its rated volts, K (typical). */
const FILAMENT_KELVIN = 2750;

/** A filament; through amber glass it is `glassTransmission` of it. */
export function filament(kelvin = FILAMENT_KELVIN): Spectrum {
  return planckian(kelvin);
}

function mix(a: Spectrum, b: Spectrum, share: number): Spectrum {
  return a.map((power, index) => (1 - share) * power + share * (b[index] ?? 0));
}
