import { fromMemory } from '../formatting/source.ts';

/** Where catalogue facts come from. None was compared with its document yet. */
export const SOURCES = {
  unR37: fromMemory('UN Regulation 37, filament light sources'),
  saeMiniature: fromMemory('SAE/ANSI miniature lamp ratings'),
  iec60061: fromMemory('IEC 60061-1 lamp caps'),
  iec60063: fromMemory('IEC 60063 preferred number series'),
  tradeNumbers: fromMemory('British trade numbers, as common practice has them'),
  tradeOnly: fromMemory(
    'a name of the trade, no category of UN Regulation 37; its figures as the like in clear glass',
  ),
  sizes: fromMemory('sizes typical of the kind'),
} as const;
