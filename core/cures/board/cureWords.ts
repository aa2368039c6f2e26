import { inARow, ohms, watts } from '../../formatting/format.ts';
import type { CureAt } from '../../model/cureKinds/cureKind.ts';
import { cureKind } from '../../model/cureKinds/kinds.ts';
import type { ResistorNetwork, VehicleCure } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { wordsOfCure } from '../../words/cures.ts';

/** The cures a job has for one circuit, in a few words; empty where it has none. */
export function cureWords(job: Job, shelf: Shelf, circuit: Circuit): string {
  const lamps = lampIdsOf(circuit);
  const code = (partId: string) => shelf.find((part) => part.id === partId)?.code ?? partId;
  const isHere = (at: CureAt) =>
    at.on === 'turn'
      ? circuit.kind === 'turn'
      : at.on === 'lamp'
        ? lamps.includes(at.lampId)
        : at.circuitId === circuit.id;
  const words = (cure: VehicleCure): string[] =>
    isHere(cureKind(cure).at(cure)) ? [wordsOfCure(cure).short(cure, code)] : [];
  const networks = job.cures[circuit.id]?.networks ?? [];
  const named = [
    ...job.vehicleCures.flatMap(words),
    ...(networks.length > 0 ? [loadWords(networks, code)] : []),
  ];
  return inARow([...new Set(named)]);
}

/** `2 × 6 Ω 50 W`, `OTTER-H6 harness`. */
function loadWords(networks: readonly ResistorNetwork[], code: (partId: string) => string): string {
  const counts = new Map<string, number>();
  for (const { plugged, pieces } of networks) {
    for (const { partId, ohms: value, watts: rated } of pieces) {
      const name = plugged && partId !== null ? `${code(partId)} harness` : `${ohms(value)} ${watts(rated)}`;
      counts.set(name, (counts.get(name) ?? 0) + 1);
    }
  }
  return inARow([...counts].map(([name, count]) => (count > 1 ? `${count} × ${name}` : name)));
}
