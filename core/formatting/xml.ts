/** A text as it may stand in XML, between tags or in an attribute. */
export function xmlText(words: string): string {
  return words
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;');
}
