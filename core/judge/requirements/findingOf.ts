import type { VerdictState } from '../states.ts';

/** What one requirement finds of a circuit, with the figures that decide (A, V, W, s, shares): words make a sentence of it. */
export type FindingOf<R extends string, Figures> = { requirement: R; state: VerdictState } & Figures;
