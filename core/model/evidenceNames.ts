import type { Evidence } from './evidence.ts';
import type { Vehicle } from './vehicle/vehicle.ts';

/** Something of a vehicle that a record names. */
export interface Named {
  what: 'lamp' | 'circuit' | 'fuse' | 'plug' | 'cavity';
  id: string;
  /** of a cavity: the plug it is in */
  plugId?: string;
}

/** Everything of its vehicle that a record names. A rate is of whatever flashed then and names nothing. */
export function namesOf(each: Evidence): Named[] {
  const lamps = (ids: readonly string[]) => ids.map((id): Named => ({ what: 'lamp', id }));
  const circuits = (ids: readonly (string | null)[]) =>
    ids.flatMap((id): Named[] => (id === null ? [] : [{ what: 'circuit', id }]));
  switch (each.kind) {
    case 'trial':
    case 'proof':
      return [
        ...circuits([each.circuitId]),
        ...lamps([...Object.keys(each.fitted.lamps), ...each.fitted.out]),
      ];
    case 'cell':
      return [
        ...circuits(each.circuits),
        ...each.found.flatMap((found) => [
          ...lamps('lampId' in found ? [found.lampId] : []),
          ...circuits('circuitId' in found ? [found.circuitId] : []),
          ...('fuseId' in found ? [{ what: 'fuse' as const, id: found.fuseId }] : []),
        ]),
        ...lamps([...Object.keys(each.fitted.lamps), ...each.fitted.out]),
      ];
    case 'pin':
      return [
        ...circuits([each.circuitId]),
        { what: 'plug', id: each.connectorId },
        { what: 'cavity', id: each.cavity, plugId: each.connectorId },
        ...lamps(each.lampId === undefined ? [] : [each.lampId]),
      ];
    case 'clue':
      return lamps(each.lampId === null ? [] : [each.lampId]);
    case 'light':
    case 'came-back':
      return lamps(each.lampId === null ? [] : [each.lampId]);
    case 'light-ratio':
      return lamps([each.lampId]);
    case 'heat':
      return [...lamps([each.lampId]), ...circuits([each.circuitId])];
    case 'setting':
      return circuits([each.circuitId]);
    case 'rate':
    case 'place':
    case 'cause':
    case 'mark':
      return [];
  }
}

/** Whether a vehicle has what a record names. */
export function hasNamed(vehicle: Vehicle, { what, id, plugId }: Named): boolean {
  const among = (some: readonly { id: string }[] = []) => some.some((each) => each.id === id);
  switch (what) {
    case 'lamp':
      return among(vehicle.lamps);
    case 'circuit':
      return among(vehicle.circuits);
    case 'fuse':
      return among(vehicle.fuses);
    case 'plug':
      return among(vehicle.connectors);
    case 'cavity':
      return among(vehicle.connectors?.find((each) => each.id === plugId)?.cavities);
  }
}
