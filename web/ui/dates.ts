const DAY: Intl.DateTimeFormatOptions = { day: 'numeric', month: 'short', year: 'numeric' };

/** To make one takes far longer than to write with it, and a long table writes thousands. */
const writers = new Map<string, Intl.DateTimeFormat>();
function writer(key: string, make: () => Intl.DateTimeFormat): Intl.DateTimeFormat {
  const made = writers.get(key) ?? make();
  writers.set(key, made);
  return made;
}

/** A day in the browser's own language, its month in letters: 25 Nov 2026. A number for a month is read two ways. */
export function shortDate(at: string | Date, locale?: string): string {
  return writer(`day ${locale}`, () => new Intl.DateTimeFormat(locale, DAY)).format(new Date(at));
}

/** How the time of day is written: as the browser's language has it, or as somebody chose. */
export type Clock = 'system' | '12' | '24';
let clock: Clock = 'system';

/** Has times written in twelve or twenty-four hours from now on. */
export function setClock(next: Clock): void {
  clock = next;
}

/** The same with the time of day, to the minute. */
export function shortMoment(at: string | Date, locale?: string): string {
  return writer(`moment ${locale} ${clock}`, () => momentWriter(locale)).format(new Date(at));
}

function momentWriter(locale?: string): Intl.DateTimeFormat {
  return new Intl.DateTimeFormat(locale, {
    ...DAY,
    // 8:33 AM, but 08:33.
    hour: isOfTwelve(locale) ? 'numeric' : '2-digit',
    minute: '2-digit',
    ...(clock === 'system' ? {} : { hourCycle: clock === '12' ? ('h12' as const) : ('h23' as const) }),
  });
}

function isOfTwelve(locale?: string): boolean | undefined {
  if (clock !== 'system') return clock === '12';
  return new Intl.DateTimeFormat(locale, { hour: 'numeric' }).resolvedOptions().hour12;
}

/** Today by the clock here, `2026-11-25`. */
export function today(): string {
  const now = new Date();
  const two = (value: number) => String(value).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}
