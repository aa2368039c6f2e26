import Papa from 'papaparse';

/** What a spreadsheet would run: it takes the full-width signs for the plain ones. */
const RUN_AS_FORMULA = /^[=+\-@\t\r＝＋－＠].*$/s;

/** The cell as it was before `toCsv` put an apostrophe before what a spreadsheet would run. */
export function undefused(cell: string): string {
  return cell.startsWith("'") && RUN_AS_FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell;
}

/**
 * A table as CSV (RFC 4180: comma, CRLF, quotes doubled). Text that a spreadsheet would run as a formula
 * is defused with a leading apostrophe, the wide signs of East Asian typing among it.
 *
 * @param header column names
 * @param rows cells; null is an empty cell
 */
export function toCsv(
  header: readonly string[],
  rows: readonly (readonly (string | number | null)[])[],
): string {
  return Papa.unparse(
    { fields: [...header], data: rows.map((row) => [...row]) },
    { newline: '\r\n', escapeFormulae: RUN_AS_FORMULA },
  );
}
