import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** What is told of a lamp in one tap, the commonest first. */
export const LAMP_WORDS: Record<string, string> = {
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

const FLASH_WORDS: Record<string, string> = {
  fast: 'flashes fast',
  slow: 'flashes slowly',
  none: 'does not flash',
};

/** `rear left dark`, `flashes fast`, `message: stop`: one deviation as it is said. */
export function deviationWords(vehicle: Vehicle, key: string): string {
  const [first = '', second = ''] = key.split(' ');
  if (first === 'flash') return FLASH_WORDS[second] ?? second;
  if (first === 'blown') return `${vehicle.fuses.find(({ id }) => id === second)?.name ?? second} blows`;
  const circuit = vehicle.circuits.find(({ id }) => id === second);
  const about = circuit?.name.toLowerCase() ?? second;
  if (first === 'message') return `message: ${about}`;
  if (first === 'odd') return circuit?.excite ? 'battery light odd' : 'cruise or gear lever odd';
  const lamp = vehicle.lamps.find(({ id }) => id === first);
  if (second === 'wrong') return `${lamp?.name.toLowerCase() ?? first} lit, and should not be`;
  return `${lamp?.name.toLowerCase() ?? first} ${LAMP_WORDS[second] ?? second}`;
}

/** Several of them in a row, so many at most. */
export function deviationsWords(vehicle: Vehicle, keys: readonly string[], most = 4): string {
  const said = keys.slice(0, most).map((key) => deviationWords(vehicle, key));
  const more = keys.length - said.length;
  return [...said, ...(more > 0 ? [`${more} more`] : [])].join(', ');
}
