import { bulbById } from '../catalogue/bulbs.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { connectorProblems } from '../wiring/connectorProblems.ts';
import { openingProblems } from '../work/access/openings.ts';

/** What does not hang together in a vehicle whose shape is right, each with what to do. */
export function vehicleProblems(vehicle: Vehicle): string[] {
  const { lamps, circuits, fuses, flasher } = vehicle;
  const ids = (entries: readonly { id: string }[]) => entries.map((entry) => entry.id);
  const turns = turnCircuits(vehicle);
  const problems = [
    ...repeated(ids(lamps), 'lamp'),
    ...repeated(ids(circuits), 'circuit'),
    ...repeated(ids(fuses), 'fuse'),
    ...repeated(ids(vehicle.earthPoints), 'earth point'),
    // A controller may drive each corner by itself; a relay has one wire for each side.
    ...repeated(
      turns.filter(({ from }) => from.by !== 'output').map((circuit) => circuit.side),
      'turn circuit for side',
    ),
    ...repeated(
      turns.flatMap((circuit) => circuit.feeds.map((feed) => feed.lampId)),
      'turn circuit for lamp',
    ),
  ];
  if (turns.length === 0)
    problems.push('The vehicle has no turn circuit with a side. Give it one for left or right.');
  const known = (list: readonly string[], id: string, where: string, what: string) => {
    if (!list.includes(id)) problems.push(`${where} names ${what} "${id}", which the vehicle does not have.`);
  };
  known(ids(fuses), flasher.fuseId, 'vehicle.flasher', 'fuse');
  for (const lamp of lamps) {
    bulbKnown(lamp.stockBulb, `vehicle.lamps ${lamp.id}`, problems);
    if (lamp.access.minutes[0] > lamp.access.minutes[1])
      problems.push(`vehicle.lamps ${lamp.id}: its access time runs backwards. Put the shorter time first.`);
    problems.push(...returnProblems(vehicle, lamp));
    if (lamp.earthPoint !== undefined)
      known(ids(vehicle.earthPoints), lamp.earthPoint, `vehicle.lamps ${lamp.id}`, 'earth point');
  }
  for (const circuit of circuits) {
    problems.push(...circuitProblems(vehicle, circuit));
    const works = circuit.relay && circuits.find(({ id }) => id === circuit.relay?.by);
    if (circuit.relay)
      known(ids(circuits), circuit.relay.by, `the relay of circuit ${circuit.id}`, 'circuit');
    if (works?.relay)
      problems.push(
        `The relay of circuit ${circuit.id} is worked by circuit ${works.id}, which has a relay itself. Let a switched feed work it.`,
      );
  }
  problems.push(...openingProblems(vehicle), ...connectorProblems(vehicle));
  for (const circuit of turns) {
    // An output may drive a repeater alone, and watches that then.
    if (
      circuit.from.by === 'output' &&
      turns.some(({ id, side }) => id !== circuit.id && side === circuit.side)
    )
      continue;
    if (!lamps.some((lamp) => lamp.role === 'main' && circuit.feeds.some((feed) => feed.lampId === lamp.id)))
      problems.push(
        `vehicle.circuits ${circuit.id} has no main lamp, so nothing tells when a bulb is missing. Mark one as main.`,
      );
  }
  if (flasher.kind === 'controller')
    for (const output of flasher.outputs)
      known(ids(circuits), output.circuitId, 'vehicle.flasher.outputs', 'circuit');
  for (const watch of vehicle.bulbCheck?.watches ?? [])
    known(ids(circuits), watch.circuitId, 'vehicle.bulbCheck', 'circuit');
  if (
    vehicle.pilot &&
    circuits.some((each) => each.feeds.some((feed) => feed.lampId === vehicle.pilot?.lampId))
  )
    problems.push(
      `The pilot lamp "${vehicle.pilot.lampId}" hangs between the sides and on a circuit too. Take it out of the circuit.`,
    );
  for (const { lampId } of vehicle.past ?? []) if (lampId) known(ids(lamps), lampId, 'vehicle.past', 'lamp');
  if (vehicle.pilot) known(ids(lamps), vehicle.pilot.lampId, 'vehicle.pilot', 'lamp');
  return problems;
}

/** What does not hang together of a lamp that returns to another feed. */
function returnProblems({ circuits, lamps }: Vehicle, { id, returnsTo }: Lamp): string[] {
  if (returnsTo === undefined) return [];
  const where = `vehicle.lamps ${id} returns to "${returnsTo}"`;
  const to = circuits.find((circuit) => circuit.id === returnsTo);
  if (!to)
    return [`${where}, a circuit the vehicle does not have. Name one it has, or leave it out for earth.`];
  if (to.feeds.some((feed) => feed.lampId === id))
    return [`${where}, which feeds it too: nothing would ever flow. Name another circuit.`];
  const ends = lamps.filter((lamp) => to.feeds.some((feed) => feed.lampId === lamp.id));
  if (ends.every((lamp) => lamp.returnsTo !== undefined))
    return [`${where}, on which no lamp goes to earth: there is no way back. Name another circuit.`];
  return [];
}

function circuitProblems(vehicle: Vehicle, circuit: Circuit): string[] {
  const { flasher, fuses, lamps } = vehicle;
  const problems: string[] = [];
  for (const { lampId } of circuit.feeds) {
    if (!lamps.some((lamp) => lamp.id === lampId))
      problems.push(
        `vehicle.circuits ${circuit.id} names lamp "${lampId}", which the vehicle does not have.`,
      );
  }
  for (const id of [
    ...(circuit.from.by === 'switch' ? [circuit.from.fuseId] : []),
    ...(circuit.stopFuseId ? [circuit.stopFuseId] : []),
  ]) {
    if (!fuses.some((fuse) => fuse.id === id))
      problems.push(`vehicle.circuits ${circuit.id} names fuse "${id}", which the vehicle does not have.`);
  }
  if (
    circuit.from.by === 'output' &&
    !(flasher.kind === 'controller' && flasher.outputs.some((output) => output.circuitId === circuit.id))
  )
    problems.push(
      `vehicle.circuits ${circuit.id} hangs on a controller output, but no controller has one for it.`,
    );
  if (circuit.from.by === 'flasher' && flasher.kind === 'controller')
    problems.push(
      `vehicle.circuits ${circuit.id} hangs on a relay, but the flasher is a controller. Use an output.`,
    );
  return problems;
}

/** Adds a problem where a bulb is not in the catalogue. */
export function bulbKnown(id: string, where: string, problems: string[]): void {
  if (!bulbById(id)) problems.push(`${where} names bulb "${id}", which is not in the catalogue.`);
}

/** A problem for each id that is there twice. */
export function repeated(ids: readonly string[], what: string): string[] {
  const seen = new Set<string>();
  const twice = new Set(ids.filter((id) => seen.has(id) || !seen.add(id)));
  return [...twice].map((id) => `There is more than one ${what} "${id}".`);
}
