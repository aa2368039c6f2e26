import { type EarthWord, setEarthWord } from '../../core/formatting/regionWords.ts';
import { METRIC, readUnits, setUnits, type Units } from '../../core/formatting/units.ts';
import { keptValues } from '../store/kept.ts';
import { SETTINGS_COPY } from '../workers/named.ts';
import { type Clock, setClock } from './dates.ts';
import { setCurrency, setTax } from './money.ts';

/** How things are written for whoever works here. */
export interface Settings {
  units: Units;
  earth: EarthWord;
  clock: Clock;
  /** a word or sign behind sums */
  currency: string;
  /** on top of the prices on the shelf, percent; null where they have it in them */
  taxPercent: number | null;
  /** the relay's click is heard from the start */
  sound: boolean;
}

export const USUAL_SETTINGS: Settings = {
  units: METRIC,
  earth: 'by-market',
  clock: 'system',
  currency: '',
  taxPercent: null,
  sound: false,
};

const KEY = 'settings';

/** Reads settings that were kept; of what is not one the usual stands. */
export function readSettings(raw: unknown): Settings {
  const kept = (typeof raw === 'object' && raw !== null ? raw : {}) as Partial<
    Record<keyof Settings, unknown>
  >;
  const { earth, clock, currency, taxPercent, sound } = kept;
  return {
    units: readUnits(kept.units),
    earth: earth === 'earth' || earth === 'ground' ? earth : 'by-market',
    clock: clock === '12' || clock === '24' ? clock : 'system',
    currency: typeof currency === 'string' ? currency.slice(0, 8) : '',
    taxPercent: typeof taxPercent === 'number' && taxPercent >= 0 && taxPercent <= 100 ? taxPercent : null,
    sound: sound === true,
  };
}

let now: Settings = USUAL_SETTINGS;

/** The settings things are written by now. */
export function settingsNow(): Settings {
  return now;
}

/** Has everything written by the settings of this browser, before anything is. */
export function beginWithSettings(): void {
  now = readSettings(parsed(localStorage.getItem(SETTINGS_COPY)));
  setUnits(now.units);
  setEarthWord(now.earth);
  setClock(now.clock);
  setCurrency(now.currency);
  setTax(now.taxPercent);
  // What a backup brought stands from the next page on.
  keptValues.loaded().then(() => {
    const kept = keptValues.text(KEY);
    if (kept !== undefined && kept !== localStorage.getItem(SETTINGS_COPY))
      localStorage.setItem(SETTINGS_COPY, kept);
  });
}

/** Keeps settings. Whatever is on the screen is in the words of before: the page is to be loaded again. */
export function keepSettings(next: Settings): void {
  localStorage.setItem(SETTINGS_COPY, JSON.stringify(next));
  keptValues.put(KEY, next);
}

function parsed(text: string | null): unknown {
  try {
    return JSON.parse(text ?? 'null');
  } catch {
    return null;
  }
}
