import Papa from 'papaparse';

/**
 * A table as CSV (RFC 4180: comma, CRLF, quotes doubled). Text that a spreadsheet would run as a formula
 * is defused with a leading apostrophe.
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
    { newline: '\r\n', escapeFormulae: true },
  );
}
