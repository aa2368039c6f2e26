import { placeOf } from '../faults/kinds.ts';
import type { PossibleFault } from '../faults/library.ts';
import { type Place, placesOf } from '../faults/places.ts';
import { BenchVehicle } from '../instruments/benchVehicle.ts';
import type { Spot } from '../instruments/spots.ts';
import { Judge } from '../judge/judge.ts';
import type { Configuration } from '../model/cures.ts';
import type { DeviationKey } from '../model/deviationKey.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import { seeded } from '../numerics/random.ts';
import type { Cell } from '../proving/cells.ts';
import { ALONE_AT_THE_SEAT, placeMinutes, roundMinutes } from '../proving/checks.ts';
import { FaultFinder } from '../proving/finder.ts';
import type { ProvingGrid } from '../proving/grid.ts';
import type { Controls } from '../simulation/controls.ts';
import { supplyVoltsFor } from '../traces/supply.ts';
import { type Traces, traceLamps } from '../traces/traceLamps.ts';
import { hiddenFaults, type Level } from './hidden.ts';
import { chooserSearch, type SearchRun } from './search.ts';
import { HiddenTruth } from './truth.ts';

/** A meter held to a place: its leads out, the reading, its leads in again (typical), minutes. */
const METER_MINUTES = 0.7;
/** Who looks at a lamp gives it this much light at least, lm. */
const LIT_LUMENS = 0.5;

/** Everything a round is made of: the same gives the same round. */
export interface RoundSetup {
  seed: number;
  level: Level;
}

/**
 * The state a vehicle is practised on: with its cure where that holds, else as it is. What flashes fast as it is fitted hides
 * every fault.
 */
export function practiceConfiguration(job: Job, shelf: Shelf): Configuration {
  return Judge.of(job, shelf, 'cured').verdict().state === 'holds' ? 'cured' : 'stock';
}

/** What a check in a round cost and told. */
export type RoundStep =
  | { kind: 'panel'; controls: Controls; minutes: number }
  | { kind: 'meter'; spotId: string; quantity: 'volts' | 'ohms'; value: number | null; minutes: number }
  | { kind: 'place'; placeId: string; found: PossibleFault | null; minutes: number };

/** What of a round its player knows at the start: how the owner tells it. */
export interface Complaint {
  cell: Cell;
  seen: readonly DeviationKey[];
}

/**
 * One round of practice: a vehicle with hidden faults, the driver's panel, a meter and the toolbox. Every check costs minutes;
 * what is found at its place is mended.
 */
export class PracticeRound {
  readonly hidden: readonly PossibleFault[];
  readonly places: readonly Place[];
  readonly complaint: Complaint | null;
  readonly steps: RoundStep[] = [];
  private left: PossibleFault[];
  private readonly open = new Set<string>();
  private readonly truth: HiddenTruth;

  /** @throws UnknownReferenceError when the job names a part that is not known */
  constructor(
    private readonly job: Job,
    private readonly shelf: Shelf,
    private readonly grid: ProvingGrid,
    { seed, level }: RoundSetup,
    private readonly configuration: Configuration = practiceConfiguration(job, shelf),
  ) {
    const random = seeded(seed);
    this.hidden = hiddenFaults(grid, job.vehicle, level, random);
    this.left = [...this.hidden];
    this.truth = new HiddenTruth(job, shelf, grid, configuration);
    this.places = placesOf(grid.faults);
    const shows = grid.cells.flatMap((cell): Complaint[] => {
      const seen = this.truth.in(cell, this.hidden);
      return seen.length > 0 && cell.condition !== 'asleep' ? [{ cell, seen }] : [];
    });
    this.complaint = shows[Math.floor(random() * Math.min(3, shows.length))] ?? null;
  }

  get minutes(): number {
    return this.steps.reduce((sum, step) => sum + step.minutes, 0);
  }

  /** Whether everything hidden was found and mended. */
  get done(): boolean {
    return this.left.length === 0;
  }

  /** What is found and mended so far. */
  get mended(): PossibleFault[] {
    return this.hidden.filter((each) => !this.left.includes(each));
  }

  /** The panel put so, and once round the lamps: what they and the dash show. */
  look(controls: Controls): { traces: Traces; step: RoundStep } {
    const emfVolts = supplyVoltsFor(this.job.vehicle, controls.key);
    const wrong = this.left.map(({ fault }) => fault);
    const traces = traceLamps(this.job, this.shelf, this.configuration, controls, emfVolts, wrong);
    const lit = new Set(
      traces.lamps.flatMap(({ lampId, steady, lumens }) => (steady * lumens >= LIT_LUMENS ? [lampId] : [])),
    );
    const minutes = roundMinutes(this.job, [...lit], controls, ALONE_AT_THE_SEAT);
    return { traces, step: this.spend({ kind: 'panel', controls, minutes }) };
  }

  /** A meter at a place with the panel so; volts at their greatest while it flashes, null for no figure. */
  meter(spotId: string, quantity: 'volts' | 'ohms', controls: Controls): RoundStep {
    const emfVolts = supplyVoltsFor(this.job.vehicle, controls.key);
    const wrong = this.left.map(({ fault }) => fault);
    const vehicle = new BenchVehicle(
      this.job,
      this.shelf,
      { configuration: this.configuration, controls, emfVolts },
      wrong,
      () => 0,
    );
    const spot = vehicle.spots.find(({ id }) => id === spotId);
    const value = spot ? (quantity === 'volts' ? vehicle.volts(spot).most : vehicle.ohms(spot)) : null;
    const minutes = METER_MINUTES + (spot ? this.opening(openingOf(this.job, spot)) : 0);
    return this.spend({ kind: 'meter', spotId, quantity, value, minutes });
  }

  /** The toolbox at a place: whatever hidden fault is there is found and mended. */
  lookAt(placeId: string): RoundStep {
    const place = this.places.find(({ id }) => id === placeId);
    const found = this.left.find(({ fault }) => placeOf(fault) === placeId) ?? null;
    const minutes = place ? placeMinutes(this.job, place, { helper: false, open: [...this.open] }) : 0;
    if (place?.openingId) this.open.add(place.openingId);
    if (found) this.left = this.left.filter((each) => each !== found);
    return this.spend({ kind: 'place', placeId, found, minutes });
  }

  /** How the chooser would have gone about the same vehicle from the same complaint. */
  chooser(): SearchRun {
    const first = this.complaint ? [this.complaint.cell.id] : [];
    return chooserSearch(new FaultFinder(this.job, this.grid, this.shelf), this.truth, this.hidden, first);
  }

  private opening(group: string | null): number {
    if (group === null || this.open.has(group)) return 0;
    this.open.add(group);
    const lamp = this.job.vehicle.lamps.find(({ access }) => access.group === group);
    const [from, to] = lamp?.access.minutes ?? [0, 0];
    return (from + to) / 2;
  }

  private spend<S extends RoundStep>(step: S): S {
    this.steps.push(step);
    return step;
  }
}

/** What must be open for a probe to reach a place; null where nothing must. */
function openingOf({ vehicle }: Job, { lamp, cavity }: Spot): string | null {
  if (lamp) return lampById(vehicle, lamp.lampId).access.group;
  const plug = vehicle.connectors?.find(({ id }) => id === cavity?.connectorId);
  const [first] = plug?.at.kind === 'lamps' ? plug.at.lampIds : [];
  if (first) return lampById(vehicle, first).access.group;
  // A plug nobody has written down is named after its opening.
  const group = cavity?.connectorId.replace(/^plug-/, '').replace(/-\d+$/, '');
  return vehicle.lamps.some(({ access }) => access.group === group) ? (group ?? null) : null;
}
