/** What somebody tells of a fault beside what a cell shows. */
export const CLUES = ['wiggle', 'since-relay', 'since-leds', 'came-later', 'when-wet'] as const;
export type Clue = (typeof CLUES)[number];
