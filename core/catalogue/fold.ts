/** A name without what people type in different ways: case, spaces, dots, dashes and slashes do not matter. */
export function fold(text: string): string {
  return text
    .toLowerCase()
    .replaceAll('×', 'x')
    .replace(/[\s./-]/g, '');
}
