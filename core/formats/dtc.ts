/** What stands before the digits of a stored fault code: powertrain, chassis, body, network. */
const SYSTEMS = ['P', 'C', 'B', 'U'] as const;

/** Failure types that bear on lamp circuits (ISO 15031-6 and SAE J2012, from memory: verify). */
const FAILURE_TYPES: Readonly<Record<number, string>> = {
  17: 'short to earth',
  18: 'short to battery',
  19: 'open circuit',
  21: 'short to battery or open',
  24: 'current below threshold',
  25: 'current above threshold',
  27: 'resistance above threshold',
};

/**
 * A stored fault code as people write it, from its two bytes: the upper two bits are the system, the next two the
 * first digit, the rest hexadecimal (ISO 15031-6, from memory).
 *
 * @throws RangeError for what is no byte
 */
export function codeFromBytes(high: number, low: number): string {
  for (const byte of [high, low])
    if (!Number.isInteger(byte) || byte < 0 || byte > 255) throw new RangeError(`${byte} is no byte`);
  const digits = (((high & 0x3f) << 8) | low).toString(16).toUpperCase().padStart(4, '0');
  return `${SYSTEMS[high >> 6]}${digits}`;
}

/** What a failure-type byte says; undefined for one that does not bear on lamp circuits. */
export function failureType(byte: number): string | undefined {
  return FAILURE_TYPES[byte];
}

/** A code with its failure type in words: `B1A12-18, current below threshold`. */
export function codeInWords(code: string): string {
  const type = /-([0-9A-F]{2})$/.exec(code)?.[1];
  const words = type === undefined ? undefined : failureType(Number.parseInt(type, 16));
  return words ? `${code}, ${words}` : code;
}

/**
 * The three bytes of a code as people write it: its two, and the failure type, 0 where it has none (ISO 15031-6 and
 * ISO 14229, from memory).
 *
 * @throws RangeError for what is no code
 */
export function bytesOfCode(code: string): [number, number, number] {
  const parts = /^([PCBU])([0-3])([0-9A-F]{3})(?:-([0-9A-F]{2}))?$/.exec(code);
  if (!parts) throw new RangeError(`"${code}" is no fault code`);
  const [, system = '', first = '0', rest = '0', type = '00'] = parts;
  const word =
    (SYSTEMS.indexOf(system as (typeof SYSTEMS)[number]) << 14) |
    (Number(first) << 12) |
    Number.parseInt(rest, 16);
  return [word >> 8, word & 0xff, Number.parseInt(type, 16)];
}
