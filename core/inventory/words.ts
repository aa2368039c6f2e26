import { KitSheet } from '../model/kit.ts';
import type { WholeLampPart } from '../model/part.ts';
import { pinsFromText, sectionsFromText, sectionsText } from './sectionText.ts';

/** How a value that is more than one word or figure is read from a cell, and written into one. */
export interface Words {
  /** throws nothing: what cannot be read is said */
  read(text: string): { value: unknown } | { problem: string };
  write(value: unknown): string;
  /** what the part has where the cell is empty; nothing where left out */
  none?: unknown;
}

/** Single words with a space, comma or semicolon between. */
export const WORDS: Words = {
  read: (text) => ({ value: text.split(/[\s,;]+/).filter(Boolean) }),
  write: (value) => (value as readonly string[]).join(' '),
};

/** Phrases with a semicolon between. */
export const PHRASES: Words = {
  read: (text) => ({
    value: text
      .split(';')
      .map((each) => each.trim())
      .filter(Boolean),
  }),
  write: (value) => (value as readonly string[]).join('; '),
  none: [],
};

/** The same, where none at all is not the same as nobody has written any down. */
export const KNOWN_PHRASES: Words = { read: PHRASES.read, write: PHRASES.write };

/** A figure that is one of a few. */
export const FIGURE: Words = {
  read: (text) => ({ value: Number(text) }),
  write: String,
};

/** Figures with a space between. */
export const FIGURES: Words = {
  read: (text) => ({
    value: text
      .split(/[\s;]+/)
      .filter(Boolean)
      .map((each) => Number(each.replace(',', '.'))),
  }),
  write: (value) => (value as readonly number[]).join(' '),
};

export const SECTIONS: Words = {
  read: (text) => {
    const read = sectionsFromText(text);
    return read.ok ? { value: read.sections } : { problem: read.problem };
  },
  write: (value) => sectionsText(value as WholeLampPart['sections']),
};

export const PINS: Words = {
  read: (text) => ({ value: pinsFromText(text) }),
  write: (value) =>
    (value as WholeLampPart['pinMap'])
      .map(({ cavity, does, colour }) => `${cavity} ${does}${colour ? ` [${colour}]` : ''}`)
      .join('; '),
  none: [],
};

/** A kit without a word on its sheet. */
export const EMPTY_SHEET: KitSheet = { items: [], plugs: [], questions: [], impossible: [], variants: [] };

/** A kit sheet in one cell: its JSON. */
export const SHEET: Words = {
  read: (text) => {
    let data: unknown;
    try {
      data = JSON.parse(text);
    } catch {
      return {
        problem: 'The sheet is not JSON. Export a shelf with a kit to see how it looks, or leave it empty.',
      };
    }
    const sheet = KitSheet.safeParse(data);
    if (sheet.success) return { value: sheet.data };
    const [issue] = sheet.error.issues;
    return { problem: `In the sheet ${issue?.path.map(String).join('.')}: ${issue?.message}.` };
  },
  write: (value) => JSON.stringify(value),
  none: EMPTY_SHEET,
};
