import { type DeviationKey, deviationOf, type LampWord } from '../model/deviationKey.ts';
import type { Deviation } from '../model/evidence.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** What is told of a lamp in one tap, the commonest first. */
export const LAMP_DEVIATIONS: Record<LampWord, string> = {
  dark: 'dark',
  dim: 'dim',
  bright: 'too bright',
  wrong: 'wrong lamp lit',
  glows: 'glows',
  flickers: 'flickers',
  hot: 'resistor hot',
  cold: 'resistor cold',
  wet: 'wet inside',
  unfinished: 'sweep cut short',
};

const FLASH = { fast: 'flashes fast', slow: 'flashes slowly', none: 'does not flash' } as const;

/** `rear left dark`, `flashes fast`, `message: stop`: one deviation as it is said. */
export function deviationWords(vehicle: Vehicle, key: DeviationKey): string {
  const found = deviationOf(key);
  return found ? words(vehicle, found) : key;
}

function words(vehicle: Vehicle, found: Deviation): string {
  const named = (some: readonly { id: string; name: string }[], id: string) =>
    some.find((each) => each.id === id)?.name;
  switch (found.what) {
    case 'fast':
    case 'slow':
    case 'none':
      return FLASH[found.what];
    case 'blown':
      return `${named(vehicle.fuses, found.fuseId) ?? found.fuseId} blows`;
    case 'message':
      return `message: ${named(vehicle.circuits, found.circuitId)?.toLowerCase() ?? found.circuitId}`;
    case 'odd':
      return vehicle.circuits.find(({ id }) => id === found.circuitId)?.excite
        ? 'battery light odd'
        : 'cruise or gear lever odd';
    default: {
      const lamp = named(vehicle.lamps, found.lampId)?.toLowerCase() ?? found.lampId;
      return found.what === 'wrong'
        ? `${lamp} lit, and should not be`
        : `${lamp} ${LAMP_DEVIATIONS[found.what]}`;
    }
  }
}

/** Several of them in a row, so many at most. */
export function deviationsWords(vehicle: Vehicle, keys: readonly DeviationKey[], most = 4): string {
  const said = keys.slice(0, most).map((key) => deviationWords(vehicle, key));
  const more = keys.length - said.length;
  return [...said, ...(more > 0 ? [`${more} more`] : [])].join(', ');
}
