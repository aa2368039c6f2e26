import { inARow, ohms } from '../formatting/format.ts';
import type { WatcherTrial } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { standing } from '../model/seen.ts';
import type { TurnCircuit } from '../model/vehicle/circuit.ts';
import { lampById, lampIdsOf } from '../model/vehicle/lookUp.ts';
import { LearnedBands, seenAmps, suppliesOf } from './learned.ts';
import { HealthyBands, type OutageBand } from './outageBand.ts';
import { ownWatcherSeen } from './watcherSeen.ts';

/** A trial on another vehicle of the same model, as it bears on this one. */
export interface Prior {
  /** the job it was found in, and who found it where they said */
  jobId: string;
  foundIn: string;
  foundBy: string | null;
  trial: WatcherTrial;
  /** what was fitted then */
  fitted: string;
  /** whether it can be computed on this vehicle: its circuit, lamps and parts are known here */
  usable: boolean;
}

export interface Priors {
  rows: readonly Prior[];
  /** they cannot all be true of one watcher: shown side by side, and none is believed */
  conflict: string | null;
  /** what the band would be with all of them, at a supply; null where they conflict or there is none to use */
  together(circuit: TurnCircuit, emfVolts: number): OutageBand | null;
}

/** What was fitted in a trial, in words: codes, loads, bulbs that were out. */
export function fittedWords(
  { vehicle }: Pick<Job, 'vehicle'>,
  shelf: Shelf,
  { fitted }: WatcherTrial,
): string {
  const codes = Object.values(fitted.lamps).map((id) =>
    id === null ? 'filament' : (shelf.find((part) => part.id === id)?.code ?? 'a part no longer known'),
  );
  const loads = fitted.networks.flatMap((network) => network.pieces.map((piece) => ohms(piece.ohms)));
  const names = fitted.out.map(
    (id) => vehicle.lamps.find((lamp) => lamp.id === id)?.name.toLowerCase() ?? 'a lamp',
  );
  return [
    inARow([...new Set(codes)]),
    ...(loads.length > 0 ? [`with ${inARow(loads)}`] : []),
    ...(names.length > 0 ? [`${inARow(names)} out`] : []),
  ].join(', ');
}

/**
 * What was found on other vehicles of the same model about one circuit. Nothing of it is taken as a fact about this
 * vehicle; it is offered, with who found it and with what fitted.
 *
 * @param others jobs of the same model
 */
export function priorsFor(job: Job, shelf: Shelf, circuit: TurnCircuit, others: readonly Job[]): Priors {
  const own = new Set(standing(job).map((each) => each.id));
  const rows = others.flatMap((other) =>
    ownWatcherSeen(other)
      // What was taken over itself says nothing new.
      .filter((trial) => !trial.from && !own.has(trial.id) && trial.circuitId === circuit.id)
      .map(
        (trial): Prior => ({
          jobId: other.id,
          foundIn: other.title,
          foundBy: trial.by || null,
          trial,
          fitted: fittedWords(other, shelf, trial),
          usable: isKnownHere(job, circuit, trial) && canCompute(job, shelf, trial),
        }),
      ),
  );
  const used = rows.filter((row) => row.usable).map((row) => row.trial);
  const bands = new LearnedBands(
    { ...job, evidence: [...standing(job), ...used] },
    shelf,
    new HealthyBands(job),
  );
  const conflict = used.length > 0 ? (bands.contradiction(circuit)?.text ?? null) : null;
  return {
    rows,
    conflict,
    together: (of, emfVolts) => (conflict || used.length === 0 ? null : bands.at(of, emfVolts)),
  };
}

function canCompute(job: Job, shelf: Shelf, trial: WatcherTrial): boolean {
  const [volts = 0] = suppliesOf(trial, job.vehicle.systemVolts);
  return seenAmps(job, shelf, trial, volts) !== null;
}

function isKnownHere({ vehicle }: Job, circuit: TurnCircuit, { fitted }: WatcherTrial): boolean {
  const ids = lampIdsOf(circuit);
  const known = (id: string) => ids.includes(id) && lampById(vehicle, id) !== undefined;
  return [...Object.keys(fitted.lamps), ...fitted.out].every(known);
}
