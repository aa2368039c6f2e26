// Longer than 300 lines: every place a fault may be at is one list, and its order is that of the vehicle.
import { baseRecord } from '../catalogue/bases.ts';
import type { Job } from '../model/job.ts';
import { flashes, jobLamps, scopeCircuits } from '../model/scope.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import {
  circuitsFeeding,
  circuitsOf,
  feedFuseId,
  fuseById,
  lampById,
  lampsByPanel,
  turnCircuits,
} from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Fault } from '../simulation/fault.ts';
import type { Fitment } from '../simulation/fitment.ts';
import { FAULT_FACTS, type FaultFacts } from './kinds.ts';
import {
  CARRIER_OHMS,
  EARTH_POINT_OHMS,
  LEAK_OHMS,
  poorContact,
  poorEarth,
  WRONG_VALUE_FACTOR,
} from './sizes.ts';

/** One fault a vehicle may have as it is fitted. */
export interface PossibleFault {
  /** `reversed:rear-left`: what the command line takes */
  id: string;
  /** as it is put into the vehicle; null for what its circuit does not feel */
  fault: Fault | null;
  facts: FaultFacts;
  /** `Rear left: the wrong way round` */
  name: string;
  /** weight among all of the vehicle's faults, see `FAULT_FACTS` */
  prior: number;
  /** the opening one must get behind to look; null where nothing is opened */
  openingId: string | null;
}

/** Ohms of what touches by itself (typical). */
const SHORT_OHMS = 0.05;
const BRIDGE_OHMS = 0.05;

/** At fewer places than this a kind is the less likely on this vehicle. */
export const FEW_PLACES = 3;

/** One that is put into the vehicle's circuit. */
export type SimulatedFault = PossibleFault & { fault: Fault };

/**
 * Every fault a job's vehicle may have with what is fitted to it: each kind at each place where it can be, with its
 * share of the kind's prior.
 */
export function possibleFaults(job: Job, fitment: Fitment): SimulatedFault[] {
  const all = [
    ...lampFaults(job, fitment),
    ...pairFaults(job),
    ...resistorFaults(job, fitment),
    ...wireFaults(job, fitment),
  ];
  const places = new Map<string, number>();
  for (const { fault } of all) places.set(fault.kind, (places.get(fault.kind) ?? 0) + 1);
  return all.map(({ where, ...each }) => ({
    ...each,
    facts: FAULT_FACTS[each.fault.kind],
    id: where ? `${each.fault.kind}:${where}` : each.fault.kind,
    // What may be at many places is hardly likelier for it: its prior is shared among them, by three where there are fewer.
    prior: FAULT_FACTS[each.fault.kind].prior / Math.max(FEW_PLACES, places.get(each.fault.kind) ?? 1),
  }));
}

type Found = Omit<SimulatedFault, 'id' | 'prior' | 'facts'> & { where: string };

/** Those of a job's scope: of lamps and circuits it converts or may disturb, and of the flasher where any of it flashes. */
export function faultsInScope(job: Job, fitment: Fitment): SimulatedFault[] {
  const lamps = new Set(jobLamps(job).map(({ id }) => id));
  const circuits = scopeCircuits(job);
  const circuitIds = new Set(circuits.map(({ id }) => id));
  const fuses = new Set(fusesOf(job.vehicle, circuits));
  const points = new Set(
    job.vehicle.lamps.flatMap(({ id, earthPoint }) => (lamps.has(id) && earthPoint ? [earthPoint] : [])),
  );
  return possibleFaults(job, fitment).filter(({ fault }) => {
    if ('lampIds' in fault) return fault.lampIds.some((id) => lamps.has(id));
    if ('lampId' in fault) return lamps.has(fault.lampId);
    if ('circuitId' in fault) return circuitIds.has(fault.circuitId);
    if ('fuseId' in fault) return fuses.has(fault.fuseId);
    if ('earthPointId' in fault) return points.has(fault.earthPointId);
    return flashes(job);
  });
}

/** Lamps that are lit by anything: others have nothing that could be wrong. */
function litLamps({ vehicle }: Job): Lamp[] {
  return vehicle.lamps.filter(({ id }) => circuitsOf(vehicle, id).length > 0);
}

function lampFaults(job: Job, fitment: Fitment): Found[] {
  const { vehicle } = job;
  const { contents } = fitment;
  return litLamps(job).flatMap((lamp): Found[] => {
    const content = contents.get(lamp.id) ?? { kind: 'empty' as const };
    if (content.kind === 'empty') return [];
    const led = content.kind === 'led' ? content.part : null;
    const inputs = (['main', 'dim'] as const).filter(
      (input) => circuitsFeeding(vehicle, lamp.id, input).length > 0,
    );
    const twin = inputs.length > 1;
    const at = (fault: Fault, words: string, where = lamp.id): Found => ({
      fault,
      where,
      name: `${lamp.name}: ${words}`,
      openingId: lamp.access.group,
    });
    return [
      at({ kind: 'bulb-out', lampId: lamp.id }, led ? 'LED dead, or no contact' : 'bulb out or no contact'),
      at(poorEarth(fitment, lamp.id), 'its earth resists'),
      ...inputs.map((input) =>
        at(
          poorContact(fitment, lamp.id, input),
          `${twin ? `${input === 'main' ? 'bright' : 'dim'} ` : ''}contact resists`,
          `${lamp.id}:${input}`,
        ),
      ),
      ...(led?.polarity === 'one-way' && !led.twin
        ? [at({ kind: 'reversed', lampId: lamp.id }, 'LED the wrong way round')]
        : []),
      ...(twin
        ? [at({ kind: 'half-turned', lampId: lamp.id }, 'half a turn out, bright and dim exchanged')]
        : []),
      ...(led?.twin && baseRecord(lamp.base).ck
        ? [at({ kind: 'wrong-wedge', lampId: lamp.id }, 'LED of the other socket wiring')]
        : []),
      ...(led
        ? [at({ kind: 'led-shorted', lampId: lamp.id, ohms: SHORT_OHMS }, 'LED shorted inside')]
        : inputs
            .filter(() => twin)
            .map((input) =>
              at(
                { kind: 'filament-open', lampId: lamp.id, input },
                `${input === 'main' ? 'bright' : 'dim'} filament dead`,
                `${lamp.id}:${input}`,
              ),
            )),
    ];
  });
}

/** What concerns two lamps: holders of one base and one housing put into each other's place, a carrier they share. */
function pairFaults(job: Job): Found[] {
  const found: Found[] = [];
  for (const [group, housed] of lampsByPanel(litLamps(job))) {
    housed.forEach((lamp, at) => {
      for (const other of housed.slice(at + 1)) {
        const same = circuitsOf(job.vehicle, lamp.id).every((circuit) =>
          circuitsOf(job.vehicle, other.id).includes(circuit),
        );
        if (other.base !== lamp.base || same) continue;
        found.push({
          fault: { kind: 'exchanged', lampId: lamp.id, otherId: other.id },
          where: `${lamp.id}:${other.id}`,
          name: `${lamp.name} and ${other.name.toLowerCase()}: holders exchanged`,
          openingId: group,
        });
      }
    });
    const lampIds = housed.map(({ id }) => id);
    const [first] = housed;
    if (first && housed.length > 1)
      found.push({
        fault: { kind: 'corroded-carrier', lampIds, ohms: CARRIER_OHMS },
        where: group,
        name: `Housing of ${first.name.toLowerCase()}: its carrier or earth is corroded`,
        openingId: group,
      });
  }
  return found;
}

function resistorFaults({ vehicle }: Job, { resistors }: Fitment): Found[] {
  const counted = new Map<string, number>();
  return resistors.flatMap((network): Found[] => {
    const lamp = lampById(vehicle, network.lampId);
    const index = counted.get(lamp.id) ?? 0;
    counted.set(lamp.id, index + 1);
    const where = `${lamp.id}:${index}`;
    const at = (fault: Fault, words: string): Found => ({
      fault,
      where,
      name: `${lamp.name}: ${words}`,
      openingId: lamp.access.group,
    });
    const twin = circuitsFeeding(vehicle, lamp.id, 'dim').length > 0;
    return [
      at({ kind: 'tap-open', lampId: lamp.id, index }, 'resistor makes no contact, or lies on earth'),
      ...(twin && !network.plugged
        ? [at({ kind: 'tap-on-other-feed', lampId: lamp.id, index }, 'resistor on the other feed')]
        : []),
      at(
        { kind: 'resistor-value', lampId: lamp.id, index, factor: WRONG_VALUE_FACTOR },
        'resistor of another value',
      ),
    ];
  });
}

function wireFaults({ vehicle }: Job, { contents, flasher, cures }: Fitment): Found[] {
  const sides = turnCircuits(vehicle).map(({ side }) => side);
  const fuses = fusesOf(vehicle, vehicle.circuits);
  const found: Found[] = [
    ...vehicle.earthPoints.map(
      (point): Found => ({
        fault: { kind: 'bad-earth', earthPointId: point.id, ohms: EARTH_POINT_OHMS },
        where: point.id,
        name: `${point.name}: rusted or loose`,
        openingId: null,
      }),
    ),
    ...vehicle.circuits.map(
      (circuit): Found => ({
        fault: { kind: 'short-to-earth', circuitId: circuit.id, ohms: SHORT_OHMS },
        where: circuit.id,
        name: `${circuit.name}: feed chafed through to earth`,
        openingId: null,
      }),
    ),
    // A trickle warms no filament: where there is no LED nobody sees it.
    ...vehicle.circuits
      .filter(({ feeds }) => feeds.some(({ lampId }) => contents.get(lampId)?.kind === 'led'))
      .map(
        (circuit): Found => ({
          fault: { kind: 'leakage', circuitId: circuit.id, ohms: LEAK_OHMS },
          where: circuit.id,
          name: `${circuit.name}: its feed leaks while off`,
          openingId: null,
        }),
      ),
    ...fuses.map(
      (fuseId): Found => ({
        fault: { kind: 'fuse-out', fuseId },
        where: fuseId,
        name: `${fuseById(vehicle, fuseId).name}: blown or out`,
        openingId: null,
      }),
    ),
    ...fuses.map(
      (fuseId): Found => ({
        fault: { kind: 'fuse-wrong', fuseId, ratedAmps: fuseById(vehicle, fuseId).ratedAmps / 3 },
        where: fuseId,
        name: `${fuseById(vehicle, fuseId).name}: one of a third in its place`,
        openingId: null,
      }),
    ),
  ];
  if (sides.includes('left') && sides.includes('right'))
    found.push({
      fault: { kind: 'sides-bridged', ohms: BRIDGE_OHMS },
      where: '',
      name: 'Left and right turn wires joined',
      openingId: null,
    });
  if (flasher.kind === 'watching-relay' || flasher.kind === 'non-watching-relay')
    for (const closed of [false, true])
      found.push({
        fault: { kind: 'relay-stuck', closed },
        where: closed ? 'closed' : 'open',
        name: closed ? 'Relay: supply and lamps crossed' : 'Relay: its earth is missing, or reversed',
        openingId: null,
      });
  if (flasher.kind === 'non-watching-relay' && flasher.adjuster)
    found.push({
      fault: { kind: 'screw-off' },
      where: '',
      name: 'Relay: its screw is turned right off',
      openingId: null,
    });
  if (flasher.kind === 'controller')
    for (const { circuitId, watch } of flasher.outputs)
      if (watch?.setting === 'led')
        found.push({
          fault: { kind: 'setting-lost', circuitId },
          where: circuitId,
          name: `${vehicle.circuits.find(({ id }) => id === circuitId)?.name ?? circuitId}: the LED setting was not taken`,
          openingId: null,
        });
  for (const cure of cures)
    if (cure.kind === 'decoder')
      found.push({
        fault: { kind: 'no-decoder', lampId: cure.lampId },
        where: cure.lampId,
        name: `${lampById(vehicle, cure.lampId).name}: its decoder is not in`,
        openingId: lampById(vehicle, cure.lampId).access.group,
      });
  return found;
}

/** Fuses that some circuits hang on. */
function fusesOf(vehicle: Vehicle, circuits: readonly Circuit[]): string[] {
  return [
    ...new Set(
      circuits.flatMap((circuit) => [
        feedFuseId(vehicle, circuit),
        ...(circuit.stopFuseId ? [circuit.stopFuseId] : []),
      ]),
    ),
  ];
}
