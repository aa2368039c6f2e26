/** A drawing in shares of the outline, 0 to 1: the body, then its lines, then what is only hinted at. */
export interface Drawing {
  /** filled with the deck's colour */
  body: readonly string[];
  lines: readonly string[];
  /** dashed: edges of what lies under or inside */
  hints: readonly string[];
}
