/** Something of a step that is ticked off by itself. */
export interface Tick {
  /** what the record calls it, whatever language it is said in */
  id: string;
  label: string;
}

/** What a step says. */
export interface StepWords {
  /** where the installer stands */
  place: string;
  title: string;
  text: string;
  cautions: readonly string[];
  /** things of it to tick off one by one */
  ticks?: readonly Tick[];
  /** why it cannot be done yet, and what to do about that */
  blocked?: string;
  /** what may break or get lost here */
  losable?: readonly string[];
  /** what a helper in the seat is told, and what the one at the lamp must see */
  helper?: { say: string; see: string };
}
