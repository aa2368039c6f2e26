/** Words North America has another for (common practice). */
const AMERICAN: readonly (readonly [RegExp, string])[] = [
  [/\bearths\b/g, 'grounds'],
  [/\bearthed\b/g, 'grounded'],
  [/\bearth\b/g, 'ground'],
  [/\bEarth\b/g, 'Ground'],
];

/** Whose words are used: those of each vehicle's market, or one of the two everywhere. */
export type EarthWord = 'by-market' | 'earth' | 'ground';

let word: EarthWord = 'by-market';

/** Has texts say earth or ground from now on, whatever the market. */
export function setEarthWord(next: EarthWord): void {
  word = next;
}

/** A text in the words of a vehicle's region: what is earth elsewhere is ground in North America. */
export function regionWords(region: 'UN' | 'US', text: string): string {
  const american = word === 'by-market' ? region === 'US' : word === 'ground';
  return american ? AMERICAN.reduce((said, [from, to]) => said.replace(from, to), text) : text;
}
