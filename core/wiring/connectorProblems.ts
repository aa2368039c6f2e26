import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** What does not hang together among the plugs of a vehicle, each with what to do. */
export function connectorProblems({ connectors = [], lamps, circuits }: Vehicle): string[] {
  const lampIds = new Set(lamps.map(({ id }) => id));
  const circuitIds = new Set(circuits.map(({ id }) => id));
  const seen = new Set<string>();
  const plugged = new Set<string>();
  return connectors.flatMap((connector) => {
    const where = `vehicle.connectors ${connector.id}`;
    const problems: string[] = [];
    if (seen.has(connector.id)) problems.push(`There is more than one connector "${connector.id}".`);
    seen.add(connector.id);
    for (const id of connector.at.kind === 'lamps' ? connector.at.lampIds : []) {
      if (!lampIds.has(id)) problems.push(`${where} names lamp "${id}", which the vehicle does not have.`);
      if (plugged.has(id)) problems.push(`Lamp "${id}" is on more than one connector. Take it off one.`);
      plugged.add(id);
    }
    const cavities = connector.cavities.map(({ id }) => id);
    if (new Set(cavities).size < cavities.length)
      problems.push(`${where} has a cavity twice. Give each its own number.`);
    for (const { id, use } of connector.cavities)
      for (const circuit of use?.does === 'feed' ? use.circuitIds : [])
        if (!circuitIds.has(circuit))
          problems.push(
            `${where}, cavity ${id}, names circuit "${circuit}", which the vehicle does not have.`,
          );
    return problems;
  });
}
