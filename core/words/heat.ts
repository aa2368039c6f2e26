import { temperature } from '../formatting/units.ts';
import type { BuiltInHeat } from '../heat/builtInLoad.ts';
import { ELEMENT_LIMIT_CELSIUS } from '../heat/resistorHeat.ts';
import { type HeatVerdict, INSULATION_CELSIUS } from '../heat/useCases.ts';

/** How hot a resistor gets in one use and what that means, in a sentence. */
export function heatWords({
  state,
  useCase,
  ambientCelsius,
  peakCaseCelsius,
  peakElementCelsius,
}: Omit<HeatVerdict, 'curve'>): string {
  const after = `After ${useCase.name} at ${temperature(ambientCelsius)} its`;
  const hot = `${after} case is estimated at ${temperature(peakCaseCelsius)}`;
  switch (state) {
    case 'condemned':
      return `${after} element is estimated at ${temperature(peakElementCelsius)}, over the ${temperature(ELEMENT_LIMIT_CELSIUS)} where its printed watts have come to nothing.`;
    case 'keep-clear':
      return `${hot}, more than the ${temperature(INSULATION_CELSIUS)} that common wire insulation bears: no wire and no plastic may touch it.`;
    case 'burns':
      return `${hot}: it burns skin within a second.`;
    case 'cool':
      return `${hot}.`;
  }
}

const OF_BODY: Record<BuiltInHeat['state'], string> = {
  overheats: ', more than its chips bear.',
  suffers: ': its light and its life suffer.',
  cool: '.',
};

/** How hot an LED with a load inside gets in one use, in a sentence. */
export function builtInHeatWords({ code, useCase, ambientCelsius, peakCelsius, state }: BuiltInHeat): string {
  return `After ${useCase.name} at ${temperature(ambientCelsius)} the body of ${code} is near ${temperature(peakCelsius)} inside the lamp (estimate)${OF_BODY[state]}`;
}
