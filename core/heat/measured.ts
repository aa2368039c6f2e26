import type { HeatReading } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { heatReadingsOf } from '../model/seen.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { mean } from '../numerics/regression.ts';
import { bodyOf, mountedPieces } from './mounts.ts';
import { type HeatPoint, heatCurve } from './resistorHeat.ts';
import { type UseCase, usesOf } from './useCases.ts';

/** Measured so near to each other, share of their mean, readings agree. */
const AGREE_WITHIN = 0.15;
/** Fewer that agree may raise what is predicted and never lower it. */
const AGREEING = 3;
/** A rise of less tells nothing of the mount, K: a thermometer is off by as much. */
const LEAST_RISE = 8;
/** Where nobody read the volts, those of a vehicle at rest: a reading then tells of a hotter place, never of a cooler. */
const RESTING_SHARE = 12.2 / 12;

/** A curve is followed at so many moments. */
const CURVE_POINTS = 200;

/** How hot a place was measured to be against what is typical of it. */
export interface MeasuredPlace {
  /** rise over the surroundings as measured, over the one predicted; what predictions are multiplied by */
  factor: number;
  /** typical: nothing usable was measured; raised: by the hottest reading; agreed: the mean of three that agree */
  state: 'typical' | 'raised' | 'agreed';
  readings: number;
}

const TYPICAL: MeasuredPlace = { factor: 1, state: 'typical', readings: 0 };

/** One reading of a resistor beside what was predicted for it. */
export interface HeatCompared {
  reading: HeatReading;
  /** from switching on to its moment */
  curve: readonly HeatPoint[];
  predictedCelsius: number;
  /** null where the rise was too little to tell anything */
  ratio: number | null;
}

/** The readings of a resistor's place, each beside the curve of what was fitted then. */
export function heatCompared(job: Job, lampId: string): HeatCompared[] {
  const { vehicle } = job;
  return heatReadingsOf(job).flatMap((reading) => {
    if (reading.lampId !== lampId || !reading.network) return [];
    const circuit = vehicle.circuits.find(({ id }) => id === reading.circuitId);
    if (!circuit || !vehicle.lamps.some(({ id }) => id === lampId)) return [];
    const volts = reading.volts ?? RESTING_SHARE * vehicle.systemVolts;
    const curve = predictedCurve(job, reading, circuit, volts);
    const predictedCelsius = curve.at(-1)?.caseCelsius ?? reading.airCelsius;
    const rise = predictedCelsius - reading.airCelsius;
    return [
      {
        reading,
        curve,
        predictedCelsius,
        ratio: rise < LEAST_RISE ? null : Math.max(0, reading.quantity.value - reading.airCelsius) / rise,
      },
    ];
  });
}

/**
 * How much hotter than typical the metal at a lamp lets a resistor get, by what was measured there. One reading may raise a
 * prediction, for a model may be wrong to the cool side; only three that agree may lower it.
 */
export function measuredPlace(job: Job, lampId: string): MeasuredPlace {
  const ratios = heatCompared(job, lampId).flatMap(({ ratio }) => (ratio === null ? [] : [ratio]));
  if (ratios.length === 0) return TYPICAL;
  const latest = ratios.slice(-AGREEING);
  const middle = mean(latest);
  if (
    latest.length === AGREEING &&
    latest.every((ratio) => Math.abs(ratio - middle) <= AGREE_WITHIN * middle)
  )
    return { factor: middle, state: 'agreed', readings: ratios.length };
  const factor = Math.max(1, ...ratios);
  return { factor, state: factor > 1 ? 'raised' : 'typical', readings: ratios.length };
}

const asTypical = () => 1;

/** By how much each place of a job is hotter than typical: what heat is worked out with, see `mountedPieces`. */
export function hotterAt(job: Job): (lampId: string) => number {
  // The judge asks at every look: most jobs have no reading.
  if (heatReadingsOf(job).length === 0) return asTypical;
  const known = new Map<string, number>();
  return (lampId) => {
    let factor = known.get(lampId);
    if (factor === undefined) {
      factor = measuredPlace(job, lampId).factor;
      known.set(lampId, factor);
    }
    return factor;
  };
}

/** The case of the resistor a reading is of, from switching on to its moment, as typical of its mount. */
function predictedCurve(job: Job, reading: HeatReading, circuit: Circuit, volts: number): HeatPoint[] {
  const { network, airCelsius, seconds } = reading;
  if (!network) return [];
  const now = Object.values(job.cures).flatMap((cure) => cure?.networks ?? []);
  // What shared its metal then is known only where it is what is planned now.
  const same = now.findIndex((each) => JSON.stringify(each) === JSON.stringify(network));
  const all = mountedPieces(job.vehicle, same < 0 ? [network] : now, volts);
  const mine = all.filter((piece) => piece.network === (same < 0 ? network : now[same]));
  const [hottest] = mine.toSorted((a, b) => b.litWatts - a.litWatts);
  if (!hottest) return [];
  const use: UseCase = usesOf(job.vehicle, [circuit]).find(({ fault }) => !fault) ?? {
    id: 'night',
    name: '',
    seconds,
    duty: 1,
  };
  const duty = circuit.kind === 'turn' ? use.duty : 1;
  const body = bodyOf(hottest, all, { ...use, duty });
  return heatCurve(
    body,
    hottest.litWatts * duty,
    airCelsius,
    seconds,
    seconds,
    Math.max(1, seconds / CURVE_POINTS),
  );
}
