/** A step may be left for years, and a clock may have been wrong meanwhile: so much of a pause is counted, s. */
export const LONGEST_PAUSE = 1e10;
