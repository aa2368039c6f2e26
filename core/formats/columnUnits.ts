import { MM_PER_INCH, readQuantity, unitsNow } from '../formatting/units.ts';

/** How the name of a column of lengths ends in each unit. */
const ENDS = { mm: '_mm', in: '_in' } as const;
/** An inch written to a ten-thousandth comes back as the same hundredth of a millimetre. */
const INCH_DIGITS = 4;

/** The name of a column in the units things are written in now: `length_in` of `length_mm`. */
export function columnNow(name: string): string {
  return isLength(name) ? `${name.slice(0, -ENDS.mm.length)}${ENDS[unitsNow().length]}` : name;
}

/** What a cell of a column says in the units things are written in now. */
export function cellNow(name: string, cell: string): string {
  const mm = Number(cell);
  if (!isLength(name) || unitsNow().length === 'mm' || cell.trim() === '' || !Number.isFinite(mm))
    return cell;
  return String(Number((mm / MM_PER_INCH).toFixed(INCH_DIGITS)));
}

/** A column as its name is known here, whichever unit it is in, and its cells in mm; a cell that is no length stays as it is. */
export function columnRead(name: string): { name: string; cell(text: string): string } {
  if (!name.endsWith(ENDS.in)) return { name, cell: (text) => text };
  return {
    name: `${name.slice(0, -ENDS.in.length)}${ENDS.mm}`,
    cell: (text) => {
      // A figure alone is in what the column says, whatever things are written in now.
      const figure = /^[\d.,/\s]+$/.test(text.trim());
      const mm = readQuantity('length', figure ? `${text.trim()} in` : text);
      return mm === null ? text : String(Number(mm.toFixed(2)));
    },
  };
}

function isLength(name: string): boolean {
  return name.endsWith(ENDS.mm);
}
