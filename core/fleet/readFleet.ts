import Papa from 'papaparse';
import { undefused } from '../formats/csv.ts';

/** One vehicle of a fleet as it was typed. */
export interface FleetEntry {
  /** painted on it, or its plate */
  number: string;
  /** anything beside it: a depot, a driver */
  note: string;
}

export interface FleetList {
  entries: readonly FleetEntry[];
  problems: readonly string[];
}

/** More than anybody begins at once. */
export const MOST_VEHICLES = 200;
const LONGEST = 60;
const HEADERS = new Set([
  'number',
  'fleet number',
  'fleet_number',
  'fleet',
  'plate',
  'registration',
  'vehicle',
  'no',
  'nr',
]);

/**
 * Fleet numbers as somebody types, pastes or exports them: one a line, or several on a line between commas where there is one
 * line; as a table the first column is the number and the second a note, and a head is known for what it is.
 *
 * @param known numbers there are already: none is begun twice
 */
export function readFleet(text: string, known: readonly string[] = []): FleetList {
  const trimmed = text.replace(/^\uFEFF/, '').trim();
  if (trimmed === '') return { entries: [], problems: [] };
  const oneLine = !trimmed.includes('\n');
  const rows: string[][] =
    oneLine && !trimmed.includes('\t')
      ? trimmed.split(/[,;]/).map((each) => [each])
      : Papa.parse<string[]>(trimmed, { skipEmptyLines: 'greedy', delimitersToGuess: ['\t', ';', ','] }).data;
  const entries: FleetEntry[] = [];
  const problems: string[] = [];
  const taken = new Map(known.map((number) => [number.toLowerCase(), 'is there already']));
  rows.forEach((cells, index) => {
    const [number = '', note = ''] = cells.map((cell) => undefused(cell).trim());
    if (number === '' || (index === 0 && HEADERS.has(number.toLowerCase()))) return;
    const line = oneLine ? `“${number.slice(0, 20)}”` : `Line ${index + 1}, “${number.slice(0, 20)}”`;
    const before = taken.get(number.toLowerCase());
    if (number.length > LONGEST) problems.push(`${line}: longer than ${LONGEST} letters. Shorten it.`);
    else if (before) problems.push(`${line}: ${before}. It is left out.`);
    else {
      taken.set(number.toLowerCase(), 'stands twice');
      entries.push({ number, note: note.slice(0, 160) });
    }
  });
  if (entries.length > MOST_VEHICLES)
    return {
      entries: entries.slice(0, MOST_VEHICLES),
      problems: [
        ...problems,
        `Only the first ${MOST_VEHICLES} of ${entries.length}: begin the others after them.`,
      ],
    };
  return { entries, problems };
}
