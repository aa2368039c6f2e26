/** A price of the demo shop. Its currency is the shop's own; none is assumed. */
export function price(value: number | null): string {
  return value === null ? 'not known' : value.toFixed(2);
}
