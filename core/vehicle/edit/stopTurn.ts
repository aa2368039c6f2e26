import { lampIdsOf, turnCircuits } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { retuneAssumed } from './assumed.ts';
import { dropEmptyCircuits, fuseFor, setLampFunctions } from './circuits.ts';

/** Whether the bright filament of a lamp is turn and stop lamp at once. */
export function stopsAndTurns(vehicle: Vehicle, lampId: string): boolean {
  return turnCircuits(vehicle).some(
    ({ stopFuseId, feeds }) =>
      stopFuseId !== undefined &&
      feeds.some((feed) => feed.lampId === lampId && feed.input === 'main' && !feed.turnOnly),
  );
}

/**
 * Makes the bright filament of a lamp turn and stop lamp at once, as one bulb a side does at the rear of many vehicles of
 * North America and of trailers: the turn switch takes it over from the brake. Its dim filament keeps its work.
 *
 * @param vehicle changed in place
 */
export function setStopTurn(vehicle: Vehicle, lampId: string): void {
  const lamp = vehicle.lamps.find((each) => each.id === lampId);
  if (!lamp) return;
  const dim = vehicle.circuits.flatMap(({ kind, feeds }) =>
    feeds.some((feed) => feed.lampId === lampId && feed.input === 'dim') ? [kind] : [],
  );
  setLampFunctions(vehicle, lamp, [
    { kind: 'turn', input: 'main' },
    ...dim.map((kind) => ({ kind, input: 'dim' as const })),
  ]);
  const circuit = turnCircuits(vehicle).find((each) => lampIdsOf(each).includes(lampId));
  if (!circuit) return;
  // The first that stops leaves all others of its side as they were: turn lamps and no more.
  if (circuit.stopFuseId === undefined) for (const feed of circuit.feeds) feed.turnOnly = true;
  circuit.stopFuseId ??= fuseFor(vehicle, 'stop');
  for (const feed of circuit.feeds) if (feed.lampId === lampId) delete feed.turnOnly;
  dropEmptyCircuits(vehicle);
  retuneAssumed(vehicle);
}

/**
 * Takes the stop lamp's work off a filament that turns too.
 *
 * @param vehicle changed in place
 */
export function clearStopTurn(vehicle: Vehicle, lampId: string): void {
  for (const circuit of turnCircuits(vehicle)) {
    if (circuit.stopFuseId === undefined) continue;
    for (const feed of circuit.feeds) if (feed.lampId === lampId) feed.turnOnly = true;
    if (!circuit.feeds.every((feed) => feed.turnOnly)) continue;
    delete circuit.stopFuseId;
    for (const feed of circuit.feeds) delete feed.turnOnly;
  }
  retuneAssumed(vehicle);
}
