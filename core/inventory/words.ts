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
