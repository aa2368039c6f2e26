import Papa from 'papaparse';
import type { Part, Shelf } from '../model/part.ts';
import { undefused } from './csv.ts';

const MOST_TEXT = 2_000_000;

/** Pieces that came, as a shopping list says they were to be bought. */
export interface Bought {
  part: Part;
  pieces: number;
}

export interface BoughtResult {
  bought: readonly Bought[];
  problems: readonly { line: number; text: string }[];
}

/**
 * Reads a pick list or shopping list back as what came: of each part the packs it names, else the pieces to buy. A line
 * whose part has no record on the shelf is said, since nobody could count it.
 */
export function readBoughtCsv(text: string, shelf: Shelf): BoughtResult {
  const refuse = (problem: string): BoughtResult => ({ bought: [], problems: [{ line: 1, text: problem }] });
  if (text.length > MOST_TEXT)
    return refuse('The table is larger than any shopping list. Choose the right file.');
  const [head, ...rows] = Papa.parse<string[]>(text.replace(/^\uFEFF/, '')).data;
  const names = head?.map((cell) => cell.trim().toLowerCase()) ?? [];
  if (!names.includes('code') || !names.includes('to buy'))
    return refuse(
      'The first line must name the columns, "code" and "to buy" among them, as a saved shopping list does.',
    );
  const bought: Bought[] = [];
  const problems: { line: number; text: string }[] = [];
  rows.forEach((cells, at) => {
    const cell = (name: string) => undefused(cells[names.indexOf(name)] ?? '').trim();
    if (cells.every((each) => each.trim() === '')) return;
    const told = (problem: string) => problems.push({ line: at + 2, text: problem });
    const code = cell('code');
    const part = shelf.find((each) => each.code === code);
    const whole = (name: string) => {
      const value = cell(name);
      if (value === '') return 0;
      const number = Number(value);
      return Number.isInteger(number) && number >= 0 && number <= 100_000 ? number : null;
    };
    const [packs, of, loose] = [whole('packs'), whole('pieces in a pack'), whole('to buy')];
    if (packs === null || of === null || loose === null) {
      told('Packs and pieces are whole numbers. Write how many came.');
      return;
    }
    const pieces = packs > 0 && of > 0 ? packs * of : loose;
    if (pieces === 0) return;
    if (!part)
      told(
        `"${code || cell('part')}" has no record on the shelf. Add the part first, then read the list again.`,
      );
    else bought.push({ part, pieces });
  });
  return { bought, problems };
}
