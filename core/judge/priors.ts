import { inARow, ohms } from '../formatting/format.ts';
import type { Finding, Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { TurnCircuit } from '../model/vehicle/circuit.ts';
import { lampById, lampIdsOf } from '../model/vehicle/lookUp.ts';
import { LearnedBands, seenAmps } from './learned.ts';
import { HealthyBands, type OutageBand } from './outageBand.ts';

/** A finding on another vehicle of the same model, as it bears on this one. */
export interface Prior {
  /** the job it was found in, and who found it where they said */
  jobId: string;
  foundIn: string;
  foundBy: string | null;
  finding: Finding;
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

/** What was fitted in a finding, in words: codes, loads, bulbs that were out. */
export function fittedWords({ vehicle }: Pick<Job, 'vehicle'>, shelf: Shelf, finding: Finding): string {
  const codes = Object.values(finding.fitted).map((id) =>
    id === null ? 'filament' : (shelf.find((part) => part.id === id)?.code ?? 'a part no longer known'),
  );
  const loads = finding.networks.flatMap((network) => network.pieces.map((piece) => ohms(piece.ohms)));
  const names = finding.out.map(
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
  const own = new Set((job.findings ?? []).map((finding) => finding.id));
  const rows = others.flatMap((other) =>
    (other.findings ?? [])
      // What was taken over itself says nothing new.
      .filter((finding) => !finding.from && !own.has(finding.id) && finding.circuitId === circuit.id)
      .map(
        (finding): Prior => ({
          jobId: other.id,
          foundIn: other.title,
          foundBy: finding.by || null,
          finding,
          fitted: fittedWords(other, shelf, finding),
          usable: isKnownHere(job, circuit, finding) && seenAmps(job, shelf, finding) !== null,
        }),
      ),
  );
  const used = rows.filter((row) => row.usable).map((row) => row.finding);
  const bands = new LearnedBands(
    { ...job, findings: [...(job.findings ?? []), ...used] },
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

function isKnownHere({ vehicle }: Job, circuit: TurnCircuit, finding: Finding): boolean {
  const ids = lampIdsOf(circuit);
  const known = (id: string) => ids.includes(id) && lampById(vehicle, id) !== undefined;
  return [...Object.keys(finding.fitted), ...finding.out].every(known);
}
