import { amps, ohms, volts, watts } from '../../../core/formatting/format.ts';
import { length, lengthFigure } from '../../../core/formatting/units.ts';
import type { Part } from '../../../core/model/part.ts';
import { workName } from '../../../core/vehicle/lampWork.ts';

/** What is printed on a part, in a line. */
export function figures(part: Part): string {
  switch (part.kind) {
    case 'led':
      return `${part.bases.join(', ')} · ${watts(part.watts)} at ${volts(part.atVolts)} · ${part.lumens} lm · ${lengthFigure(part.lengthMm)} × ${length(part.diameterMm)}`;
    case 'whole-lamp':
      return part.sections
        .map(
          ({ does, light }) =>
            `${workName(does)} ${light.kind === 'panel' ? watts(light.watts) : light.base}`,
        )
        .join(' · ');
    case 'resistor':
      return `${ohms(part.ohms)} ${watts(part.watts)}, ${Math.round(part.tolerance * 100)} %`;
    case 'harness':
      return `${part.bases.join(', ')} · ${ohms(part.ohms)} ${watts(part.watts)}${part.dimOhms ? `, ${ohms(part.dimOhms)} on the dim feed` : ''}`;
    case 'flasher':
      return `${part.systemVolts} V · from ${amps(part.minAmps)} to ${amps(part.ratedAmps)}`;
    case 'decoder':
      return part.capacitorFarads ? `${Math.round(part.capacitorFarads * 1e6)} µF` : 'no capacitor';
    case 'consumable':
      return '';
    case 'kit':
      return `${part.sheet.variants.length} variants, ${part.sheet.items.length} kinds of part, ${part.sheet.plugs.length} plugs`;
  }
}
