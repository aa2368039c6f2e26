import type { PossibleFault } from '../faults/library.ts';
import { bothShown, NOTHING_SHOWN } from './deviations.ts';
import { SOUND, type Supposed } from './suppositions.ts';

/** How often a second fault is there beside a first one (common practice: a job that went wrong once went wrong twice). */
const SECOND = 0.1;
/** The same mistake is made again so many times likelier than any other (assumed). */
const AGAIN = 6;

/** Two faults at once. From one telling to the next nearly the same pairs are weighed: each is made once. */
export class Pairs {
  private readonly known = new Map<string, Supposed>();

  constructor(private readonly faults: readonly PossibleFault[]) {}

  /** Both of two faults: what either shows, both show. */
  of(a: Supposed, b: Supposed): Supposed {
    const key = `${a.at[0]}+${b.at[0]}`;
    const known = this.known.get(key);
    if (known) return known;
    const pair = {
      at: [...a.at, ...b.at],
      row: a.row.map((shown, cell) => bothShown(shown, b.row[cell] ?? NOTHING_SHOWN)),
      prior: (this.alike(a, b) * SECOND * a.prior * b.prior) / (1 - SOUND),
    };
    this.known.set(key, pair);
    return pair;
  }

  private alike(a: Supposed, b: Supposed): number {
    const kind = ({ at: [at = -1] }: Supposed) => this.faults[at]?.fault.kind;
    return kind(a) === kind(b) ? AGAIN : 1;
  }
}
