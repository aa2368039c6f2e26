import type { WholeLampPart } from '../model/part.ts';
import type { CircuitKind } from '../model/vehicle/circuit.ts';
import type { Cavity, CavityUse, Connector } from '../model/vehicle/connector.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { connectorOfLamp, type KnownConnector } from './connectors.ts';

/** One cavity of a new lamp's plug, with the wires of the old plug that belong in it. */
export interface PinRow {
  cavity: string;
  /** as the part says it */
  does: string;
  /** cavities of the old plug whose wires go there */
  from: readonly Cavity[];
  change: 'same' | 'moved' | 'joined' | 'doubled' | 'capped' | 'no-wire' | 'unknown';
}

export interface PinMap {
  old: Connector | null;
  rows: readonly PinRow[];
  /** wires of the old plug that the new one has no cavity for */
  left: readonly Cavity[];
}

/** The plugs of a whole lamp by their letters; none where it has but one. */
export function plugsOf({ pinMap }: Pick<WholeLampPart, 'pinMap'>): string[] {
  const letters = pinMap.flatMap(({ cavity }) => /^(.+):/.exec(cavity)?.[1] ?? []);
  return [...new Set(letters)];
}

/** Words of a pin map, and the circuits they stand for. */
const DOES: readonly [RegExp, CavityUse['does'] | CircuitKind][] = [
  [/earth|ground|31/i, 'earth'],
  [/dummy|cap|unused|nothing|empty/i, 'nothing'],
  [/third/i, 'third-brake'],
  [/stop|brake/i, 'stop'],
  [/tail|position|58/i, 'tail'],
  [/turn|indicator/i, 'turn'],
  [/revers/i, 'reverse'],
  [/rear fog|fog/i, 'rear-fog'],
  [/plate/i, 'plate'],
  [/marker/i, 'marker'],
];

/**
 * The plug of a whole lamp against the plug of the lamp it replaces: which wire goes into which cavity, what moves, what
 * is doubled, joined or capped. Where nobody has looked at the old plug, only the new one is known.
 */
export function pinMapOf(
  vehicle: Vehicle,
  lamp: Lamp,
  part: WholeLampPart,
  plugs?: readonly KnownConnector[],
): PinMap {
  const known = connectorOfLamp(vehicle, lamp.id, plugs);
  const old = known?.recorded ? known.connector : null;
  const wired = old?.cavities.filter(({ use }) => use !== undefined && use.does !== 'nothing') ?? [];
  const matching = (does: string) => wired.filter(({ use }) => use && fits(vehicle, use, does));
  const rows = part.pinMap.map(({ cavity, does }): PinRow => {
    const from = matching(does);
    const sharing = part.pinMap.filter((other) => matching(other.does).some((each) => from.includes(each)));
    return { cavity, does, from, change: changeOf(old, cavity, does, from, sharing.length) };
  });
  const used = new Set(rows.flatMap(({ from }) => from));
  const left = wired.filter((cavity) => !used.has(cavity));
  return { old, rows, left };
}

/** Whether a wire does what a pin map says of a cavity. */
function fits(vehicle: Vehicle, use: CavityUse, does: string): boolean {
  const wanted = DOES.filter(([words]) => words.test(does)).map(([, what]) => what);
  if (use.does !== 'feed') return wanted.includes(use.does);
  return use.circuitIds.some((id) => {
    const circuit = vehicle.circuits.find((each) => each.id === id);
    if (!circuit) return false;
    const kinds: CircuitKind[] = circuit.fullWithBrake
      ? ['tail', 'stop']
      : circuit.stopFuseId
        ? ['turn', 'stop']
        : [circuit.kind];
    return kinds.some((kind) => wanted.includes(kind));
  });
}

function changeOf(
  old: Connector | null,
  cavity: string,
  does: string,
  from: readonly Cavity[],
  sharing: number,
): PinRow['change'] {
  if (DOES.find(([, what]) => what === 'nothing')?.[0].test(does)) return 'capped';
  if (!old) return 'unknown';
  if (from.length === 0) return 'no-wire';
  if (sharing > 1) return 'doubled';
  if (from.length > 1) return 'joined';
  return from[0]?.id === cavity ? 'same' : 'moved';
}
