import { LUX_PER_FOOT_CANDLE, unitOf, unitsNow } from '../formatting/units.ts';
import type { Measured, WithheldCandela, WithheldRatio } from './measuredLight.ts';
import { FIVE_WIDTHS } from './measuredLight.ts';

const CANDELA: Record<WithheldCandela, string> = {
  room: 'A room has no one lamp to give candela of.',
  'no-distance': 'Candela withheld: nobody taped from lens to meter.',
  'no-width': 'Candela withheld: nobody said how wide what shines is.',
  'too-near': `Candela withheld: nearer than ${FIVE_WIDTHS} lamp widths the inverse square does not hold.`,
  'no-ambient': 'Candela withheld: nobody read the spot with the lamp off.',
  'no-light': 'Candela withheld: no more light than with the lamp off.',
};
const RATIO: Record<WithheldRatio, string> = {
  'other-distance': 'No ratio: the two were read at different distances.',
  'no-ambient': 'No ratio: one of the two was not read with the lamp off as well.',
  'dark-before': 'No ratio: one of the two is no more than the surroundings.',
};

/** Sensible digits for a figure whose half-width is known. */
function rounded({ value, uncertainty }: Measured): string {
  const digits = Math.max(0, Math.min(3, 1 - Math.floor(Math.log10(Math.max(uncertainty, 1e-9)))));
  return `${value.toFixed(digits)} ± ${uncertainty.toFixed(digits)}`;
}

/** `210 ± 14 cd`, or why it is withheld. */
export function candelaWords(candela: Measured | { withheld: WithheldCandela }): string {
  return 'withheld' in candela ? CANDELA[candela.withheld] : `${rounded(candela)} cd`;
}

/** `9.4 ± 0.7 times`, or why there is none. */
export function ratioWords(ratio: Measured | { withheld: WithheldRatio }): string {
  return 'withheld' in ratio ? RATIO[ratio.withheld] : `${rounded(ratio)} times`;
}

/** `66 ± 4 lx` */
export function luxWords(lux: Measured): string {
  const share = unitsNow().light === 'lx' ? 1 : LUX_PER_FOOT_CANDLE;
  return `${rounded({ value: lux.value / share, uncertainty: lux.uncertainty / share })} ${unitOf('light')}`;
}
