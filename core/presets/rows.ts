import type { WireRun } from '../model/fields.ts';
import type { Circuit, CircuitKind } from '../model/vehicle/circuit.ts';
import type { Access, Lamp, LampInput, Side } from '../model/vehicle/lamp.ts';

/** A lamp as a vehicle's list gives it: what differs, and the usual for the rest. */
export interface LampRow extends Pick<Lamp, 'id' | 'name' | 'side' | 'end' | 'base' | 'stockBulb'> {
  at: readonly [across: number, along: number];
  lens?: Lamp['lens'];
  role?: Lamp['role'];
  /** metres of lead from the branch of its feed */
  lead: number;
  areaMm2?: number;
  earthPoint?: string;
  mount?: Lamp['resistorMount'];
  socketWiring?: Lamp['socketWiring'];
  access?: Partial<Access>;
}

/** A lamp from its row, what the row leaves out as usual. */
export function lampOf(row: LampRow): Lamp {
  const areaMm2 = row.areaMm2 ?? 1;
  return {
    id: row.id,
    name: row.name,
    side: row.side,
    end: row.end,
    role: row.role ?? 'main',
    plan: { across: row.at[0], along: row.at[1] },
    lens: row.lens ?? 'clear',
    base: row.base,
    ...(row.socketWiring ? { socketWiring: row.socketWiring } : {}),
    stockBulb: row.stockBulb,
    lead: { lengthM: row.lead, areaMm2 },
    earth: { lengthM: 0.4, areaMm2 },
    ...(row.earthPoint ? { earthPoint: row.earthPoint } : {}),
    resistorMount: row.mount ?? 'none',
    access: {
      group: row.access?.group ?? row.id,
      how: row.access?.how ?? 'Lens off: two screws from outside.',
      tools: row.access?.tools ?? ['cross-head screwdriver'],
      minutes: row.access?.minutes ?? [2, 5],
    },
  };
}

/** The same lamp on both flanks: `front` becomes `front-left` and `front-right`. */
export function pairOf(row: Omit<LampRow, 'side'>): Lamp[] {
  return (['left', 'right'] as const).map((side) =>
    lampOf({
      ...row,
      id: `${row.id}-${side}`,
      name: `${row.name} ${side}`,
      side,
      at: [side === 'left' ? row.at[0] : 1 - row.at[0], row.at[1]],
      access: { ...row.access, group: `${row.access?.group ?? row.id}-${side}` },
    }),
  );
}

/** Lamps on a circuit: an id feeds the only or bright filament, an id with `:dim` the dim one. */
function feedsOf(lamps: readonly string[]): Circuit['feeds'] {
  return lamps.map((entry) => {
    const [lampId = '', input = 'main'] = entry.split(':');
    return { lampId, input: input as LampInput };
  });
}

export interface CircuitRow {
  id: string;
  kind: CircuitKind;
  name: string;
  side?: Side;
  lamps: readonly string[];
  /** the fuse of a switched circuit; left out for one on the flasher or on an output */
  fuse?: string;
  from?: 'flasher' | 'output';
  wire: WireRun;
  switchOhms?: number;
}

/** A circuit from its row, what the row leaves out as usual. */
export function circuitOf(
  row: CircuitRow,
  more: Partial<Pick<Circuit, 'sense' | 'excite' | 'dimmerOhms' | 'fullWithBrake' | 'stopFuseId'>> = {},
): Circuit {
  return {
    id: row.id,
    kind: row.kind,
    name: row.name,
    side: row.side ?? null,
    feeds: feedsOf(row.lamps),
    from: row.fuse ? { by: 'switch', fuseId: row.fuse } : { by: row.from ?? 'output' },
    wire: row.wire,
    switchOhms: row.switchOhms ?? 0.01,
    ...more,
  };
}
