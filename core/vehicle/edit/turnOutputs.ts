import { capital } from '../../formatting/format.ts';
import { cureKind } from '../../model/cureKinds/kinds.ts';
import type { Job } from '../../model/job.ts';
import type { Circuit, TurnCircuit } from '../../model/vehicle/circuit.ts';
import type { Lamp, Side } from '../../model/vehicle/lamp.ts';
import { lampById, turnCircuits, turnCircuitsOn, turnSides } from '../../model/vehicle/lookUp.ts';
import type { TurnOutputs, Vehicle } from '../../model/vehicle/vehicle.ts';
import { retuneAssumed } from './assumed.ts';
import { freeId, outputFor } from './circuits.ts';

/** The lamps of a side that hang on one output, and what their circuit is called. */
interface Group {
  /** `front`; empty for a whole side */
  name: string;
  feeds: Circuit['feeds'];
}

/** How a controller drives the turn lamps of a vehicle; null where a relay does, or in a way that is none of the usual. */
export function turnOutputsOf(vehicle: Vehicle): TurnOutputs | null {
  if (vehicle.flasher.kind !== 'controller') return null;
  const drawn = drawing(vehicle, turnCircuits(vehicle));
  return LAYOUTS.find((layout) => drawn === drawing(vehicle, grouped(vehicle, layout))) ?? null;
}

const LAYOUTS: readonly TurnOutputs[] = ['side', 'corner', 'lamp'];

/** Of some layouts those that differ on a vehicle: one bulb a corner and no repeater is a lamp an output either way. */
export function distinctLayouts(vehicle: Vehicle, layouts: readonly TurnOutputs[]): TurnOutputs[] {
  const met = new Set<string>();
  return layouts.filter((layout) => {
    const drawn = drawing(vehicle, grouped(vehicle, layout));
    return !met.has(drawn) && met.add(drawn);
  });
}

/** Which lamps hang together, whatever their circuits are called. */
function drawing(vehicle: Vehicle, circuits: readonly Pick<Circuit, 'feeds'>[]): string {
  const known = new Map(vehicle.lamps.map(({ id }, index) => [id, index]));
  return circuits
    .map(({ feeds }) =>
      feeds
        .map(({ lampId }) => known.get(lampId) ?? -1)
        .toSorted((a, b) => a - b)
        .join(),
    )
    .toSorted()
    .join(' ');
}

function grouped(vehicle: Vehicle, layout: TurnOutputs): Group[] {
  return turnSides(vehicle).flatMap((side) => groupsOf(vehicle, turnCircuitsOn(vehicle, side), layout));
}

/** The feeds of a side by the output that drives them: the front with its repeater, then the rear. */
function groupsOf(vehicle: Vehicle, circuits: readonly TurnCircuit[], layout: TurnOutputs): Group[] {
  const feeds = circuits.flatMap((circuit) => circuit.feeds);
  if (layout === 'side') return [{ name: '', feeds }];
  const rear = (id: string) => lampById(vehicle, id).end === 'rear';
  if (layout === 'corner')
    return [
      { name: 'front', feeds: feeds.filter(({ lampId }) => !rear(lampId)) },
      { name: 'rear', feeds: feeds.filter(({ lampId }) => rear(lampId)) },
    ].filter((group) => group.feeds.length > 0);
  return feeds.map((feed) => ({ name: nameOf(lampById(vehicle, feed.lampId)), feeds: [feed] }));
}

/** `Rear turn left` on the left is the left rear turn lamp: its circuit is told by the rest of its name. */
function nameOf({ name }: Lamp): string {
  return name
    .toLowerCase()
    .replace(/\b(left|right|turn|indicator)\b/g, '')
    .replace(/\s+/g, ' ')
    .trim();
}

/**
 * Draws the turn circuits of a controller's vehicle as its outputs are wired: one a side, one a corner, or one a lamp. The
 * first of a side keeps its id, so that what was recorded of that side is still of it; each new output is as the one it
 * came from, watched for itself.
 *
 * @param vehicle changed in place; one whose turn lamps hang on a relay, or are drawn so already, is left as it is
 */
export function setTurnOutputs(vehicle: Vehicle, layout: TurnOutputs): void {
  const { flasher } = vehicle;
  if (flasher.kind !== 'controller') return;
  // What was read of its outputs stands.
  if (drawing(vehicle, turnCircuits(vehicle)) === drawing(vehicle, grouped(vehicle, layout))) return;
  for (const side of turnSides(vehicle)) {
    const before = turnCircuitsOn(vehicle, side);
    const [first] = before;
    if (!first) continue;
    const output = flasher.outputs.find(({ circuitId }) => circuitId === first.id);
    const others = vehicle.circuits.filter((circuit) => !before.includes(circuit as TurnCircuit));
    const at = vehicle.circuits.indexOf(first);
    const taken = others.map(({ id }) => id);
    const circuits = groupsOf(vehicle, before, layout).map(({ name, feeds }, index): Circuit => {
      const id = index === 0 ? first.id : freeId(`turn-${side}-${name.replace(/[^a-z0-9]+/g, '-')}`, taken);
      taken.push(id);
      return { ...structuredClone(first), id, name: nameFor(side, name), feeds };
    });
    const gone = new Set(before.map(({ id }) => id));
    flasher.outputs = [
      ...flasher.outputs.filter(({ circuitId }) => !gone.has(circuitId)),
      ...circuits.map((circuit) => outputLike(output, circuit)),
    ];
    vehicle.circuits = others.toSpliced(Math.min(at, others.length), 0, ...circuits);
    tellCavities(vehicle, gone, circuits);
  }
  retuneAssumed(vehicle);
}

/** A cavity that fed a side feeds what drives the lamps on its plug now; how that was proved stands. */
function tellCavities(vehicle: Vehicle, gone: ReadonlySet<string>, circuits: readonly Circuit[]): void {
  for (const { at, cavities } of vehicle.connectors ?? []) {
    const here = at.kind === 'lamps' ? at.lampIds : [];
    const driving = circuits.filter(({ feeds }) => feeds.some(({ lampId }) => here.includes(lampId)));
    const ids = (driving.length > 0 ? driving : circuits.slice(0, 1)).map(({ id }) => id);
    for (const { use } of cavities) {
      if (use?.does !== 'feed' || !use.circuitIds.some((id) => gone.has(id))) continue;
      use.circuitIds = [...new Set(use.circuitIds.flatMap((id) => (gone.has(id) ? ids : [id])))];
    }
  }
}

function nameFor(side: Side, name: string): string {
  return name === '' ? `${capital(side)} turn` : `${capital(side)} ${name} turn`;
}

/** An output as another of its controller, with a message and a threshold of its own. */
function outputLike(like: ReturnType<typeof outputFor> | undefined, circuit: Circuit) {
  const fresh = outputFor(circuit);
  if (!like) return fresh;
  const { watch, ...rest } = structuredClone(like);
  return {
    ...rest,
    circuitId: circuit.id,
    ...(watch && fresh.watch
      ? {
          watch: {
            ...watch,
            message: fresh.watch.message,
            // What was read of a whole side is not what a part of it asks for.
            simulatedFilament: fresh.watch.simulatedFilament,
            simulatedLed: fresh.watch.simulatedLed,
          },
        }
      : {}),
  };
}

type SaidOfTurns = Pick<Job, 'cures' | 'vehicleCures'>;

/**
 * What a job says of turn circuits, told of those its vehicle has after its outputs were drawn anew: a resistor goes with its
 * lamp, a setting with every output that drives one of its lamps.
 *
 * @param before the vehicle as it was
 */
export function ofTurnsAnew(job: SaidOfTurns, before: Vehicle, after: Vehicle): SaidOfTurns {
  if (drawnAlike(before, after)) return { cures: job.cures, vehicleCures: job.vehicleCures };
  const was = turnCircuits(before);
  const now = turnCircuits(after);
  const turned = new Set(was.map(({ id }) => id));
  const networks = was.flatMap(({ id }) => job.cures[id]?.networks ?? []);
  const cures = Object.fromEntries(Object.entries(job.cures).filter(([id]) => !turned.has(id)));
  for (const { id, feeds } of now) {
    const mine = networks.filter(({ lampId }) => feeds.some((feed) => feed.lampId === lampId));
    if (mine.length > 0) cures[id] = { kind: 'load-resistor', networks: mine };
    // That a side needs no load was decided of all of it.
    else if (was.some((each) => sharesLamp(each, { feeds }) && job.cures[each.id] === null)) cures[id] = null;
  }
  const vehicleCures = job.vehicleCures.flatMap((cure) => {
    const at = cureKind(cure).at(cure);
    const of = at.on === 'circuit' && was.find(({ id }) => id === at.circuitId);
    if (!of || !('circuitId' in cure)) return [cure];
    return now.filter((each) => sharesLamp(each, of)).map(({ id }) => ({ ...cure, circuitId: id }));
  });
  return { cures, vehicleCures };
}

/** Whether two drawings of a vehicle have the same turn circuits, with the same lamps on each. */
export function drawnAlike(one: Vehicle, other: Vehicle): boolean {
  const drawn = (vehicle: Vehicle) =>
    JSON.stringify(turnCircuits(vehicle).map(({ id, feeds }) => [id, feeds.map(({ lampId }) => lampId)]));
  return one === other || drawn(one) === drawn(other);
}

function sharesLamp(one: Pick<Circuit, 'feeds'>, other: Pick<Circuit, 'feeds'>): boolean {
  return one.feeds.some(({ lampId }) => other.feeds.some((feed) => feed.lampId === lampId));
}

/** Of the turn circuits that are gone, by their id, the one that has their side now. */
export function turnHeirs(before: Vehicle, after: Vehicle): ReadonlyMap<string, string> {
  const ids = new Set(turnCircuits(after).map(({ id }) => id));
  return new Map(
    turnCircuits(before).flatMap(({ id, side }) => {
      const [heir] = turnCircuitsOn(after, side);
      return ids.has(id) || !heir ? [] : [[id, heir.id] as const];
    }),
  );
}
