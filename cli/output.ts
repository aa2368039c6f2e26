/** Where a command writes. */
export interface Output {
  out(text: string): void;
  error(text: string): void;
}

/** Exit codes of every command. */
export const EXIT = { fine: 0, fallsShort: 1, badInput: 2 } as const;
