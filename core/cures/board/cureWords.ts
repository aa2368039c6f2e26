import { inARow, ohms, watts } from '../../formatting/format.ts';
import type { ResistorNetwork, VehicleCure } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import { wordsOfCure } from '../../words/cures.ts';
import { cureIsFor } from '../compare/scope.ts';

/** The cures a job has for one circuit, in a few words; empty where it has none. */
export function cureWords(job: Job, shelf: Shelf, circuit: Circuit): string {
  const turning = circuit.kind === 'turn';
  const isHere = cureIsFor(job.vehicle, { circuits: [circuit], turning });
  const code = (partId: string) => shelf.find((part) => part.id === partId)?.code ?? partId;
  const words = (cure: VehicleCure): string[] => (isHere(cure) ? [wordsOfCure(cure).short(cure, code)] : []);
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
