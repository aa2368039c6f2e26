/**
 * How quantities are written, in the interface, the command line and the arithmetic alike, so that one
 * figure never appears with two roundings. Digits follow what the inputs deserve: ratings and wiring
 * are known to about one part in a hundred.
 */

/** `3.36 A`; below 0.1 A in milliamps. */
export function amps(value: number): string {
  return Math.abs(value) < 0.0995 && value !== 0 ? `${Math.round(value * 1000)} mA` : `${value.toFixed(2)} A`;
}

/** `11.8 V` */
export function volts(value: number): string {
  return `${value.toFixed(1)} V`;
}

/** `6 Ω`, `3.51 Ω`, `25 Ω`: three significant digits, no trailing zeros. */
export function ohms(value: number): string {
  return `${Number(value.toPrecision(3))} Ω`;
}

/** `34.6 W`, whole watts from 100 up. */
export function watts(value: number): string {
  return Math.abs(value) >= 99.95 ? `${Math.round(value)} W` : `${Number(value.toFixed(1))} W`;
}

/** `4700 µF`, `0.22 F` */
export function farads(value: number): string {
  return value < 0.1 ? `${Math.round(value * 1e6)} µF` : `${Number(value.toPrecision(2))} F`;
}

/** `88 a minute` */
export function perMinute(value: number): string {
  return `${Math.round(value)} a minute`;
}

/** `11.8, 12.6 and 14.4 V` */
export function voltsList(values: readonly number[]): string {
  const written = values.map((value) => value.toFixed(1));
  const last = written.at(-1);
  if (last === undefined) return '';
  return written.length === 1 ? `${last} V` : `${written.slice(0, -1).join(', ')} and ${last} V`;
}

/** A share as `42 %`. */
export function percent(share: number): string {
  return `${Math.round(100 * share)} %`;
}

/** The same text with a capital to begin with. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** `front, rear and repeater` */
export function inARow(words: readonly string[]): string {
  return words.length < 2 ? words.join() : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;
}
