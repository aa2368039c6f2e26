/** A day in the browser's own language, its month in letters: 25 Nov 2026. A number for a month is read two ways. */
export function shortDate(at: string | Date, locale?: string): string {
  return new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'short', year: 'numeric' }).format(
    new Date(at),
  );
}

/** The same with the time of day, to the minute. */
export function shortMoment(at: string | Date, locale?: string): string {
  return new Intl.DateTimeFormat(locale, {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  }).format(new Date(at));
}

/** Today by the clock here, `2026-11-25`. */
export function today(): string {
  const now = new Date();
  const two = (value: number) => String(value).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}
