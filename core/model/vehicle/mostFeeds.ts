/** Lamps, or inputs of twin lamps, on one circuit at most. */
export const MOST_FEEDS = 60;
