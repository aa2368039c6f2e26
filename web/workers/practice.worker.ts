import './writesAsHere.ts';
import { expose } from 'comlink';
import type { PossibleFault } from '../../core/faults/library.ts';
import { type Spot, spotsOf } from '../../core/instruments/spots.ts';
import type { Configuration } from '../../core/model/cures.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { seeded } from '../../core/numerics/random.ts';
import type { DrillKind, DrillQuestion } from '../../core/practice/drill.ts';
import { drillQuestion } from '../../core/practice/drills.ts';
import {
  type Complaint,
  PracticeRound,
  practiceConfiguration,
  type RoundSetup,
  type RoundStep,
} from '../../core/practice/round.ts';
import type { SearchRun } from '../../core/practice/search.ts';
import type { ProvingGrid } from '../../core/proving/grid.ts';
import type { Controls } from '../../core/simulation/controls.ts';
import type { Traces } from '../../core/traces/traceLamps.ts';
import { placeWords } from '../../core/words/faults.ts';

/** A place the toolbox is used at, as it stands in a list. */
export interface RoundPlace {
  id: string;
  name: string;
}

/** What a player knows when a round begins. */
export interface RoundBegun {
  complaint: Complaint | null;
  places: RoundPlace[];
  spots: Spot[];
  hidden: number;
}

/** How a round stands after a check. */
export interface RoundAfter<S extends RoundStep = RoundStep> {
  step: S;
  minutes: number;
  done: boolean;
  mended: PossibleFault[];
}

let round: PracticeRound | null = null;

function now(): PracticeRound {
  if (!round) throw new Error('no round has begun');
  return round;
}

function after<S extends RoundStep>(step: S): RoundAfter<S> {
  const { minutes, done, mended } = now();
  return { step, minutes, done, mended };
}

/** What plays a round and asks the questions of a drill: whoever plays sees what it is told and nothing else. */
const api = {
  configuration(job: Job, shelf: Shelf): Configuration {
    return practiceConfiguration(job, shelf);
  },
  begin(
    job: Job,
    shelf: Shelf,
    grid: ProvingGrid,
    setup: RoundSetup,
    configuration: Configuration,
  ): RoundBegun {
    round = new PracticeRound(job, shelf, grid, setup, configuration);
    const places = round.places.map(
      ({ id, faults }): RoundPlace => ({
        id,
        name: placeWords(
          faults.map(({ fault }) => fault),
          job.vehicle,
        ),
      }),
    );
    return {
      complaint: round.complaint,
      places: places.toSorted((a, b) => a.name.localeCompare(b.name)),
      spots: spotsOf(job.vehicle),
      hidden: round.hidden.length,
    };
  },
  look(controls: Controls): RoundAfter & { traces: Traces } {
    const { traces, step } = now().look(controls);
    return { traces, ...after(step) };
  },
  meter(spotId: string, quantity: 'volts' | 'ohms', controls: Controls): RoundAfter {
    return after(now().meter(spotId, quantity, controls));
  },
  lookAt(placeId: string): RoundAfter {
    return after(now().lookAt(placeId));
  },
  /** How the chooser would have gone about it, and what was hidden. */
  review(): { run: SearchRun; hidden: readonly PossibleFault[] } {
    return { run: now().chooser(), hidden: now().hidden };
  },
  drill(kind: DrillKind, jobs: readonly Job[], shelf: Shelf, seed: number): DrillQuestion | null {
    return drillQuestion(kind, jobs, shelf, seeded(seed));
  },
};
export type PracticeWorker = typeof api;
expose(api);
