/** Where catalogue facts come from. All were written from memory and want verifying against the document. */
export const SOURCES = {
  unR37: 'UN Regulation 37, filament light sources (from memory)',
  saeMiniature: 'SAE/ANSI miniature lamp ratings (from memory)',
  iec60061: 'IEC 60061-1 lamp caps (from memory)',
  iec60063: 'IEC 60063 preferred number series (from memory)',
  tradeNumbers: 'British trade numbers, common practice (from memory)',
  sizes: 'sizes typical of the kind (from memory)',
} as const;
