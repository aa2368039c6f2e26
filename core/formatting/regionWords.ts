/** Words North America has another for (common practice). */
const AMERICAN: readonly (readonly [RegExp, string])[] = [
  [/\bearths\b/g, 'grounds'],
  [/\bearthed\b/g, 'grounded'],
  [/\bearth\b/g, 'ground'],
  [/\bEarth\b/g, 'Ground'],
];

/** A text in the words of a vehicle's region: what is earth elsewhere is ground in North America. */
export function regionWords(region: 'UN' | 'US', text: string): string {
  return region === 'US' ? AMERICAN.reduce((said, [from, to]) => said.replace(from, to), text) : text;
}
