/** What may be not as it should be of a lamp, in the words of a look. */
export const LAMP_WORDS = [
  'dark',
  'dim',
  'bright',
  'wrong',
  'glows',
  'flickers',
  'hot',
  'cold',
  'wet',
  'unfinished',
] as const;
