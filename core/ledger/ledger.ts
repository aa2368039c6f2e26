import { testVolts } from '../judge/workingPoints.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { scopeLamps } from '../model/scope.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Lamp, LampInput } from '../model/vehicle/lamp.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import { type Controls, dutyOf, outputOf } from '../simulation/controls.ts';
import { type Fitment, fitmentOf, healthyStock } from '../simulation/fitment.ts';
import { controlsFor } from '../simulation/moment.ts';
import { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import { functionName, workName } from '../vehicle/lampWork.ts';
import { printedWatts } from './printed.ts';

/** One lamp at one of its functions: what it takes with its stock bulb, and as it is planned. */
export interface LedgerRow {
  lampId: string;
  name: string;
  /** `turn`, `tail or position` */
  does: string;
  circuitId: string;
  /** of a filament that is stop lamp too, on the feed it has else: its stop level */
  level: 'own' | 'stop';
  inScope: boolean;
  /** printed watts; null where nothing is printed */
  stockRated: number | null;
  plannedRated: number | null;
  /** as the circuit has it at the test voltage while its switch alone is on, lit, W */
  stockWatts: number;
  plannedWatts: number;
  /** resistors across this lamp's feed, W */
  resistorWatts: number;
}

export interface Ledger {
  /** at which everything of it is worked out, V */
  volts: number;
  rows: readonly LedgerRow[];
}

/** What some rows take together, W. */
export interface LedgerSum {
  stockWatts: number;
  plannedWatts: number;
  resistorWatts: number;
  /** stock over planned with its resistors; null where nothing is taken */
  ratio: number | null;
}

/**
 * What every lamp of a vehicle takes for each of its functions, sound stock bulbs against what is planned, solved for
 * the whole vehicle at the bulb standard's volts with the lamp lit; of a pulsed feed its share of the time.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 * @throws NoSolutionError when a circuit has no steady state
 */
export function ledgerOf(
  job: Job,
  shelf: Shelf,
  { stock: before, planned: after } = bothSimulations(job, shelf),
): Ledger {
  const { vehicle } = job;
  const mine = new Set(scopeLamps(job).map(({ id }) => id));
  const volts = testVolts(vehicle.systemVolts);
  const rows = vehicle.circuits.flatMap((circuit) =>
    levelsOf(circuit).flatMap(({ level, controls, does, dimmed }) => {
      const were = powers(before, circuit, controls, volts);
      const are = powers(after, circuit, controls, volts);
      return circuit.feeds.flatMap(({ lampId, input, turnOnly }, at): LedgerRow[] => {
        if (level === 'stop' && turnOnly) return [];
        const lamp = lampById(vehicle, lampId);
        return [
          {
            lampId,
            name: lamp.name,
            does: does ?? functionName(circuit, lampId),
            circuitId: circuit.id,
            level,
            inScope: mine.has(lampId),
            // What is printed holds at full, and says nothing of a lamp that is dimmed.
            stockRated: dimmed ? null : ratedOf(before.fitment, lamp, input),
            plannedRated: dimmed ? null : ratedOf(after.fitment, lamp, input),
            stockWatts: were[at]?.bulb ?? 0,
            plannedWatts: are[at]?.bulb ?? 0,
            resistorWatts: are[at]?.resistors ?? 0,
          },
        ];
      });
    }),
  );
  return { volts, rows };
}

interface Level {
  level: LedgerRow['level'];
  controls: Controls;
  /** what it is called, where the circuit's own name says two things */
  does: string | null;
  dimmed: boolean;
}

/** The levels of a circuit's lamps: one, or of filaments that stop too, two. */
function levelsOf(circuit: Circuit): Level[] {
  const controls = controlsFor(circuit);
  if (!circuit.fullWithBrake && circuit.stopFuseId === undefined)
    return [{ level: 'own', controls, does: null, dimmed: false }];
  return [
    {
      level: 'own',
      controls,
      does: workName(circuit.kind),
      dimmed: circuit.fullWithBrake === true,
    },
    {
      level: 'stop',
      controls: controlsFor({ ...circuit, kind: 'stop' }),
      does: workName('stop'),
      dimmed: false,
    },
  ];
}

/** What each feed of a circuit takes with the panel as it is, W. */
function powers(simulation: VehicleSimulation, circuit: Circuit, controls: Controls, volts: number) {
  // With whatever else that switch puts on: the leads they share lose volts to all of them.
  const probes = simulation.at({ controls, emfVolts: volts });
  const share = dutyOf(circuit, outputOf(simulation.vehicle, circuit), controls, volts);
  return circuit.feeds.map(({ lampId, input }) => {
    const across = probes.lampVolts(lampId, input);
    return {
      bulb: share * across * probes.bulbAmps(lampId, input),
      resistors: share * across * probes.resistorAmps(lampId, input),
    };
  });
}

function ratedOf({ contents }: Fitment, lamp: Pick<Lamp, 'id'>, input: LampInput): number | null {
  return printedWatts(contents.get(lamp.id), input);
}

/** Some rows added up. */
export function sumOf(rows: readonly LedgerRow[]): LedgerSum {
  const stockWatts = rows.reduce((sum, row) => sum + row.stockWatts, 0);
  const plannedWatts = rows.reduce((sum, row) => sum + row.plannedWatts, 0);
  const resistorWatts = rows.reduce((sum, row) => sum + row.resistorWatts, 0);
  const all = plannedWatts + resistorWatts;
  return { stockWatts, plannedWatts, resistorWatts, ratio: all > 0 ? stockWatts / all : null };
}

/** A vehicle with its stock bulbs, all sound, and as it is planned: what use cases and fuses are asked of. */
export function bothSimulations(job: Job, shelf: Shelf): Record<'stock' | 'planned', VehicleSimulation> {
  return {
    stock: new VehicleSimulation(job.vehicle, healthyStock(job)),
    planned: new VehicleSimulation(job.vehicle, fitmentOf(job, shelf, 'cured')),
  };
}
