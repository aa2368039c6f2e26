let currency = '';

/** Has sums written with a currency from now on: a word or sign of the shop's own choice, none while it has chosen none. */
export function setCurrency(next: string): void {
  currency = next.trim();
}

/** A price in the shop's currency. */
export function price(value: number | null): string {
  if (value === null) return 'not known';
  return currency === '' ? value.toFixed(2) : `${value.toFixed(2)} ${currency}`;
}

let taxPercent: number | null = null;

/** Has sums that are paid written with a tax on top from now on; null where prices have it in them. */
export function setTax(percent: number | null): void {
  taxPercent = percent;
}

/** What a sum comes to with the tax on top: `, 57.60 with 20 % tax`; nothing where there is none, or no sum. */
export function taxed(value: number | null): string {
  if (taxPercent === null || value === null) return '';
  return `, ${price(value * (1 + taxPercent / 100))} with ${taxPercent} % tax`;
}
