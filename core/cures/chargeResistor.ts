import { E24 } from '../catalogue/eSeries.ts';
import { amps, ohms, volts, watts } from '../formatting/format.ts';
import { chargingVolts, workingPoints } from '../judge/workingPoints.ts';
import type { ResistorPiece } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { lastThat } from '../numerics/rootFinding.ts';
import { type Fitment, fitmentOf } from '../simulation/fitment.ts';
import { controlsFor } from '../simulation/moment.ts';
import { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import { highestPiece, IN_AIR } from './highestPiece.ts';

/** A resistor beside the charge lamp, so that the alternator gets its starting current past the LED. */
export interface ChargeResistorPlan {
  /** the most ohms that still start it on a tired battery; infinite where none is needed */
  maxOhms: number;
  /** current the LED alone lets through there, A */
  ledAmps: number;
  excitingAmps: number;
  atVolts: number;
  /** a stocked or standard value that does it over its tolerance; null where none is needed */
  piece: ResistorPiece | null;
  /** heat while the key is on and the engine stands, W */
  litWatts: number;
  /** the sum on paper */
  arithmetic: readonly { label: string; result: string }[];
}

const LEAST_OHMS = 1;
const MOST_OHMS = 1e5;

/**
 * Sizes the resistor across a charge lamp that was changed to an LED: the highest that lets the exciting current
 * through, found by running the circuit.
 *
 * @throws RangeError when the circuit starts no alternator
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function chargeResistor(job: Job, shelf: Shelf, circuit: Circuit): ChargeResistorPlan {
  const { excite } = circuit;
  const lampId = circuit.feeds[0]?.lampId;
  if (!excite || lampId === undefined) throw new RangeError(`${circuit.name} starts no alternator`);
  const { vehicle } = job;
  const atVolts = workingPoints(vehicle.systemVolts)[0]?.volts ?? vehicle.systemVolts;
  const fitment = fitmentOf(job, shelf, 'leds');
  const passes = (value: number | null, at = atVolts) =>
    new VehicleSimulation(vehicle, value === null ? fitment : withResistor(fitment, lampId, value))
      .at({ controls: controlsFor(circuit), emfVolts: at }, [circuit.id])
      .wireAmps(circuit.id);
  const ledAmps = passes(null);
  const base = { ledAmps, excitingAmps: excite.amps, atVolts };
  if (ledAmps >= excite.amps)
    return {
      ...base,
      maxOhms: Number.POSITIVE_INFINITY,
      piece: null,
      litWatts: 0,
      arithmetic: [
        { label: `The lamp lets through, at ${volts(atVolts)}`, result: amps(ledAmps) },
        { label: 'The alternator wants', result: amps(excite.amps) },
      ],
    };
  const maxOhms = highestThat((value) => passes(value) >= excite.amps);
  const charging = chargingVolts(vehicle.systemVolts);
  // The alternator may stand still while another source holds the bus at charging volts: a booster pack.
  const heat = (value: number) => (passes(value, charging) - passes(null, charging)) ** 2 * value;
  const piece = highestPiece(shelf, {
    maxOhms,
    lowestShare: 3,
    series: E24,
    leastOhms: LEAST_OHMS,
    sizes: IN_AIR.sizes,
    bears: (value, ratedWatts) => heat(value) <= ratedWatts * IN_AIR.share,
  });
  const litWatts = piece ? heat(piece.ohms) : 0;
  return {
    ...base,
    maxOhms,
    piece,
    litWatts,
    arithmetic: [
      { label: `The LED lets through, at ${volts(atVolts)}`, result: amps(ledAmps) },
      { label: 'The alternator wants', result: amps(excite.amps) },
      { label: 'The resistor must bring', result: amps(excite.amps - ledAmps) },
      { label: 'So it may have at most', result: ohms(maxOhms) },
      ...(piece
        ? [
            {
              label: `${ohms(piece.ohms)}, ${Math.round(100 * piece.tolerance)} % high at worst, brings the whole to`,
              result: amps(passes(piece.ohms * (1 + piece.tolerance))),
            },
            { label: 'It warms, key on and engine standing, with', result: watts(litWatts) },
          ]
        : []),
    ],
  };
}

function withResistor(fitment: Fitment, lampId: string, value: number): Fitment {
  const piece = { partId: null, ohms: value, watts: 1, tolerance: 0 };
  return {
    ...fitment,
    resistors: [...fitment.resistors, { lampId, connection: 'parallel', pieces: [piece] }],
  };
}

/** The largest ohms for which a condition, true for small ohms and false for large, still holds. */
function highestThat(holds: (value: number) => boolean): number {
  if (!holds(LEAST_OHMS)) return 0;
  return Math.exp(lastThat((log) => holds(Math.exp(log)), Math.log(LEAST_OHMS), Math.log(MOST_OHMS)));
}
