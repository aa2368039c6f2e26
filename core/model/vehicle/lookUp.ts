import type { Circuit, TurnCircuit } from './circuit.ts';
import type { Lamp, LampInput, Side } from './lamp.ts';
import type { Fuse, Vehicle } from './vehicle.ts';

/** The turn circuits of a vehicle: one a side on a relay, as many as there are outputs on a controller. */
export function turnCircuits(vehicle: Vehicle): TurnCircuit[] {
  return vehicle.circuits.filter(
    (circuit): circuit is TurnCircuit => circuit.kind === 'turn' && circuit.side !== null,
  );
}

/** The turn circuits that flash together on one side. */
export function turnCircuitsOn(vehicle: Vehicle, side: Side): TurnCircuit[] {
  return turnCircuits(vehicle).filter((circuit) => circuit.side === side);
}

/** The sides that have turn circuits, each once. */
export function turnSides(vehicle: Vehicle): Side[] {
  return [...new Set(turnCircuits(vehicle).map(({ side }) => side))];
}

/** The turn circuit that is a circuit's own on the other side, in the order they are listed; null where there is none. */
export function turnAcross(vehicle: Vehicle, { id, side }: TurnCircuit): TurnCircuit | null {
  const place = turnCircuitsOn(vehicle, side).findIndex((each) => each.id === id);
  return turnCircuitsOn(vehicle, side === 'left' ? 'right' : 'left')[place] ?? null;
}

/**
 * The circuit that what is seen of one is written down of: of turn lamps the first of their side, which there is however the
 * outputs are wired, since it is the side that flashes.
 */
export function seenOn(vehicle: Vehicle, circuit: Circuit): Circuit {
  if (circuit.kind !== 'turn' || circuit.side === null) return circuit;
  return turnCircuitsOn(vehicle, circuit.side)[0] ?? circuit;
}

/** Whether the turn lamps of a circuit's side hang on several outputs, so that its side does not name it. */
export function isOneOfSeveral(vehicle: Vehicle, { kind, side }: Circuit): boolean {
  return kind === 'turn' && side !== null && turnCircuitsOn(vehicle, side).length > 1;
}

/** What a side of turn lamps is called: as its one circuit, or as all of its circuits together: `Left turn`. */
export function turnSideName(vehicle: Vehicle, side: Side): string {
  const [only, ...more] = turnCircuitsOn(vehicle, side);
  return only && more.length === 0 ? only.name : side === 'left' ? 'Left turn' : 'Right turn';
}

/** The ids of the lamps on a circuit. */
export function lampIdsOf(circuit: Circuit): string[] {
  return circuit.feeds.map((feed) => feed.lampId);
}

/** The circuit a lamp returns to in place of earth; null where it returns to earth. */
export function returnCircuit(vehicle: Vehicle, lampId: string): Circuit | null {
  const id = vehicle.lamps.find((lamp) => lamp.id === lampId)?.returnsTo;
  return (id !== undefined && vehicle.circuits.find((circuit) => circuit.id === id)) || null;
}

/** The circuits that feed one of a lamp's inputs. */
export function circuitsFeeding(vehicle: Vehicle, lampId: string, input: LampInput): Circuit[] {
  return vehicle.circuits.filter((circuit) =>
    circuit.feeds.some((feed) => feed.lampId === lampId && feed.input === input),
  );
}

/** The circuits that feed a lamp, its bright filament's first. */
export function circuitsOf(vehicle: Vehicle, lampId: string): Circuit[] {
  return [
    ...new Set([...circuitsFeeding(vehicle, lampId, 'main'), ...circuitsFeeding(vehicle, lampId, 'dim')]),
  ];
}

/** @throws RangeError when the vehicle has no such circuit */
export function circuitById(vehicle: Vehicle, id: string): Circuit {
  const circuit = vehicle.circuits.find((each) => each.id === id);
  if (!circuit) throw new RangeError(`${vehicle.name} has no circuit "${id}"`);
  return circuit;
}

/** @throws RangeError when the vehicle has no such fuse */
export function fuseById(vehicle: Vehicle, id: string): Fuse {
  const fuse = vehicle.fuses.find((each) => each.id === id);
  if (!fuse) throw new RangeError(`${vehicle.name} has no fuse "${id}"`);
  return fuse;
}

/** The fuse the turn lamps hang on. */
export function turnFuse(vehicle: Vehicle): Fuse {
  return fuseById(vehicle, vehicle.flasher.fuseId);
}

/** @throws RangeError when the vehicle has no such lamp */
export function lampById(vehicle: Vehicle, id: string): Lamp {
  const lamp = vehicle.lamps.find((each) => each.id === id);
  if (!lamp) throw new RangeError(`${vehicle.name} has no lamp "${id}"`);
  return lamp;
}

/** Some lamps by the panel they are behind, in the order they are met. */
export function lampsByPanel(lamps: readonly Lamp[]): Map<string, Lamp[]> {
  const panels = new Map<string, Lamp[]>();
  for (const lamp of lamps) panels.set(lamp.access.group, [...(panels.get(lamp.access.group) ?? []), lamp]);
  return panels;
}

/** The fuse a circuit's feed hangs on: its switch's own, or the flasher's. */
export function feedFuseId({ flasher }: Vehicle, { from }: Pick<Circuit, 'from'>): string {
  return from.by === 'switch' ? from.fuseId : flasher.fuseId;
}

/** What vehicles of one kind are called: the model, or the name where nobody wrote one down. */
export function modelName({ model, name }: Vehicle): string {
  return model || name;
}
