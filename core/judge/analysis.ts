import type { WatcherTrial } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { sameItems } from '../model/seen.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { type LearnedBands, learnedBands } from './learned.ts';
import { HealthyBands } from './outageBand.ts';
import { SolvedFitments } from './solvedFitments.ts';
import { possibilities, type Unknown } from './unknowns.ts';
import { ownWatcherSeen } from './watcherSeen.ts';

/** One way a job may turn out to be, and what its healthy vehicle and what was seen of it say then. */
export interface Possibility {
  job: Job;
  bands: HealthyBands;
  learned: LearnedBands | null;
}

/** The analysis of each vehicle that was asked for last: an edit of its job takes over what follows from it alone. */
const latest = new WeakMap<Vehicle, JobAnalysis>();

/**
 * What is known of a job before anything is judged: every way it may be, with the bands of each. Made once and passed
 * down; an edit of LEDs, cures or what was seen takes over the bands, which follow from vehicle and bulbs alone.
 */
export class JobAnalysis {
  readonly possibilities: readonly Possibility[];
  readonly unknowns: readonly Unknown[];
  /** what of the job it stands on, as it was: a job may be changed in place since */
  private readonly of: Pick<Job, 'vehicle' | 'identified'> & { seen: readonly WatcherTrial[] };

  /**
   * @param before the analysis of the same job before an edit
   * @throws UnknownReferenceError when the job names a bulb that is not known
   */
  constructor(
    readonly job: Job,
    readonly shelf: Shelf,
    before: JobAnalysis | null = null,
  ) {
    const kept =
      before !== null && before.of.vehicle === job.vehicle && before.of.identified === job.identified
        ? before
        : null;
    const { jobs, unknowns } = kept
      ? { jobs: kept.possibilities.map((each) => each.job), unknowns: kept.unknowns }
      : possibilities(job);
    this.unknowns = unknowns;
    const seen = ownWatcherSeen(job);
    this.of = { vehicle: job.vehicle, identified: job.identified, seen };
    // Bulbs that differ in lamps that are LEDs now, or who counts the repeaters, draw no other current.
    const solved = new SolvedFitments();
    this.possibilities = jobs.map(({ vehicle, identified }, index) => {
      const possible: Job = { ...job, vehicle, identified };
      const before = kept?.possibilities[index];
      const bands = before?.bands ?? new HealthyBands(possible, solved);
      const learned =
        before && kept?.shelf === shelf && sameItems(kept.of.seen, seen)
          ? before.learned
          : learnedBands(possible, shelf, bands);
      return { job: possible, bands, learned };
    });
  }

  /**
   * The analysis of a job, with all that was worked out of the very same vehicle and bulbs before: from edit to edit of LEDs,
   * cures and what was seen, and from one question to the next.
   *
   * @throws UnknownReferenceError when the job names a bulb that is not known
   */
  static of(job: Job, shelf: Shelf): JobAnalysis {
    const analysis = new JobAnalysis(job, shelf, latest.get(job.vehicle) ?? null);
    latest.set(job.vehicle, analysis);
    return analysis;
  }

  /** What the job most likely is. */
  get likeliest(): Possibility {
    return this.possibilities[0] as Possibility;
  }

  /** The same vehicle with another choice of LEDs or cures. */
  with(job: Job): JobAnalysis {
    return new JobAnalysis(job, this.shelf, this);
  }
}
