import { SolvedMoments } from '../simulation/vehicleSimulation.ts';

/** Fitments whose moments are kept: a table of cures asks for some of them twice. */
const MOST_FITMENTS = 48;

/** What was solved of one vehicle, by what is fitted electrically: all that it may be otherwise shares it. */
export class SolvedFitments {
  private readonly moments = new Map<string, SolvedMoments>();

  /** What was solved with one fitment; the oldest are forgotten. */
  of(electrics: string): SolvedMoments {
    const known = this.moments.get(electrics) ?? new SolvedMoments();
    this.moments.delete(electrics);
    this.moments.set(electrics, known);
    for (const oldest of this.moments.keys()) {
      if (this.moments.size <= MOST_FITMENTS) break;
      this.moments.delete(oldest);
    }
    return known;
  }
}
