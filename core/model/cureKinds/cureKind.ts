import type { ResistorPiece } from '../cures.ts';
import type { ConsumablePart, DecoderPart, FlasherPart, Part } from '../part.ts';
import type { Flasher } from '../vehicle/flasher.ts';
import type { Wired } from './wired.ts';

/** Where on a vehicle a cure is. */
export type CureAt = { on: 'turn' } | { on: 'circuit'; circuitId: string } | { on: 'lamp'; lampId: string };

/** A place of a cure that names a part of the shelf. */
export type NamedPart =
  /** nothing can be computed without it */
  | { holder: { partId: string }; kinds: readonly Part['kind'][]; what: string }
  /** the piece says itself what it is */
  | { holder: ResistorPiece; kinds: readonly Part['kind'][]; what: null };

/** The work of a cure, beside that of its LEDs. */
export interface CureWork {
  /** shortest and longest, minutes (common practice) */
  minutes: readonly [number, number];
  /** whether each of several takes that long, or all of them together */
  each: boolean;
  /** joints it makes in the loom, a count */
  joints: number;
  /** what is opened for it; null where its lamp is open anyway */
  opens: string | null;
  /** what must be there for it */
  needs: string | null;
}

/**
 * A kind of cure that is not a load on a lamp: everything the plan, the pick list, the steps, the simulation and the checks
 * have to know of it. How it is offered is in `cures/compare/options/`, what is said of it in `words/cures.ts`.
 */
export interface CureKind<C> {
  /** what its step is called in a job's ticks and clocked times, for ever */
  stepId: string;
  at(cure: C): CureAt;
  /** the parts it names; none where left out */
  parts?(cure: C): readonly NamedPart[];
  /** small parts of no name it takes */
  takes?: readonly { use: ConsumablePart['use']; count: number }[];
  /** whether it can be done where such a flasher is; anywhere where left out */
  isFor?(flasher: Flasher['kind']): boolean;
  /** the cure without what was only noted of it: what makes it another cure */
  bare?(cure: C): C;
  /**
   * What it puts into the wiring.
   *
   * @param part the part it names, where it names one
   */
  wired?(cure: C, part: DecoderPart | FlasherPart | null): readonly Wired[];
  /** the flasher as it is with it */
  flasher?(cure: C, stock: Flasher, part: DecoderPart | FlasherPart | null): Flasher;
  work: CureWork;
}
