import { type Fault, strikesOf } from '../../core/faults/kinds.ts';
import { flashRule } from '../../core/judge/flashRule.ts';
import { lampById, lampIdsOf, turnCircuits } from '../../core/model/vehicle/lookUp.ts';
import { ELEMENTS } from '../../core/model/vehicle/netlistNames.ts';
import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';
import type { Cell } from '../../core/proving/cells.ts';
import type { FlashSeen, Outcome } from '../../core/proving/outcome.ts';
import { isOn } from '../../core/simulation/bearing.ts';
import { CONTROLS_OFF, type Controls, flashingSides } from '../../core/simulation/controls.ts';
import type { Fitment } from '../../core/simulation/fitment.ts';
import { lampOut } from '../../core/simulation/strike.ts';
import { playVehicle, type VehiclePlay } from '../../core/simulation/vehicleRun.ts';
import { supplyVoltsFor } from '../../core/traces/supply.ts';
import { lastFlash } from '../../core/traces/traceLamps.ts';

/** A vehicle as it truly is, run in time: it knows of no band and no verdict. */
export interface TrueVehicle {
  vehicle: Vehicle;
  fitment: Fitment;
  /** with the works' own bulbs, all sound: what its maker set the relay by */
  stock: Fitment;
  /** where its relay's threshold lies between one lamp missing and none, 0 to 1 */
  decided: number;
  /** V more than usual */
  moreVolts: number;
}

/** What the true vehicle shows in a cell, read off its lamps, its dash and its fuses as they run in time. */
export class TracedVehicle {
  private readonly thresholds = new Map<number, number>();

  constructor(private readonly is: TrueVehicle) {}

  shows(cell: Cell, faults: readonly Fault[]): Outcome {
    const { vehicle, fitment, moreVolts } = this.is;
    const { controls } = cell;
    const emfVolts = supplyVoltsFor(vehicle, controls.key) + moreVolts;
    const sides = flashingSides(vehicle, controls);
    const request = {
      vehicle,
      fitment,
      controls,
      emfVolts,
      thresholdAmps: sides.length > 0 ? this.thresholdAt(emfVolts) : 0,
      strikes: strikesOf(vehicle, faults),
    };
    const tries = fitment.flasher.kind === 'controller';
    const long = sides.length > 0 ? { flashes: tries ? 5 : 3 } : tries ? { seconds: CUT_OFF_BY } : {};
    const play = playVehicle({ ...request, ...long });
    const last = lastFlash(play);
    const lit = last ? last.startSeconds + 0.9 * last.onSeconds : play.seconds;
    const warm = cell.condition === 'minutes' && play.blownFuses.length === 0;
    return {
      lumens: lumensOf(vehicle, play, last),
      watts: warm
        ? heatOf(
            last ? playVehicle({ ...request, seconds: lit }) : play,
            fitment,
            last ? fitment.flasher.onFraction : 1,
          )
        : new Map(),
      drawn: new Map(),
      flashing: [],
      flash: sides.length === 0 ? null : this.paceOf(play),
      short: 'fast',
      blown: new Set(play.blownFuses),
      mayBlow: new Set(),
      messages: new Set(this.toldBy(play, cell)),
      maybe: new Set(),
    };
  }

  /** Circuits of which the dash says something: of those that are worked, and after a sleep of those tested in the dark. */
  private toldBy({ events }: VehiclePlay, { controls, condition }: Cell): string[] {
    return events.flatMap((event) => {
      // An output that cut itself off says so too.
      if (event.kind !== 'message' && event.kind !== 'output-off') return [];
      const circuit = this.is.vehicle.circuits.find(({ id }) => id === event.circuitId);
      return circuit && (condition === 'asleep' || isOn(circuit, controls)) ? [circuit.id] : [];
    });
  }

  /** How it flashes to an ear. */
  private paceOf(play: VehiclePlay): FlashSeen {
    const { vehicle, fitment } = this.is;
    const last = lastFlash(play);
    if (!last) return fitment.flasher.kind === 'thermal' ? 'slow' : 'none';
    const { lowest, highest } = flashRule(vehicle.region);
    const rate = 60 / last.periodSeconds;
    return rate > highest ? 'fast' : rate < lowest ? 'slow' : 'normal';
  }

  /** Between the sound vehicle with one main lamp out and with none, as the relay samples them at this supply, A. */
  private thresholdAt(emfVolts: number): number {
    const { vehicle, stock, decided } = this.is;
    let threshold = this.thresholds.get(emfVolts);
    if (threshold !== undefined) return threshold;
    if (stock.flasher.kind !== 'watching-relay') return 0;
    const ends = turnCircuits(vehicle).map((circuit) => {
      const controls: Controls = { ...CONTROLS_OFF, key: 'on', turn: circuit.side };
      const sampled = (out: string | null) =>
        lastFlash(
          playVehicle({
            vehicle,
            fitment: stock,
            controls,
            emfVolts,
            thresholdAmps: 0,
            strikes: out === null ? [] : [lampOut(out)],
            flashes: 3,
          }),
        )?.sampledAmps ?? 0;
      const mains = lampIdsOf(circuit).filter((id) => lampById(vehicle, id).role === 'main');
      return { low: Math.max(...mains.map(sampled)), high: sampled(null) };
    });
    const low = Math.max(...ends.map((each) => each.low));
    const high = Math.min(...ends.map((each) => each.high));
    threshold = low + decided * (high - low);
    this.thresholds.set(emfVolts, threshold);
    return threshold;
  }
}

/** Outputs have tried again and given up by then, s. */
const CUT_OFF_BY = 2.6;

/** Looked at so often in a flash: a test pulse of some milliseconds falls on one look at most, and no eye takes it for light. */
const LOOKS = 60;
const DARK = 2e-4;

/** Light of each lamp at its brightest of a flash, or as it stands, lm. */
function lumensOf(
  vehicle: Vehicle,
  play: VehiclePlay,
  last: ReturnType<typeof lastFlash>,
): Map<string, number> {
  const lumens = new Map(vehicle.lamps.map(({ id }) => [id, 0]));
  const from = last ? last.startSeconds : play.seconds - 0.1;
  const span = last ? last.periodSeconds : 0.1;
  for (const { lampId, lumens: rated, curve, pulsed } of play.emitters) {
    const looks = Array.from({ length: LOOKS }, (_, at) => curve.at(from + ((at + 0.5) / LOOKS) * span));
    const share = looks.reduce((most, each, at) => Math.max(most, Math.min(each, looks[at + 1] ?? 0)), 0);
    const seen = pulsed && share > DARK ? pulsed.mean : share;
    lumens.set(lampId, (lumens.get(lampId) ?? 0) + rated * seen);
  }
  return lumens;
}

/** Heat of the resistors at each lamp in the mean, W. */
function heatOf({ circuit }: VehiclePlay, { resistors }: Fitment, share: number): Map<string, number> {
  const watts = new Map<string, number>();
  const counted = new Map<string, number>();
  for (const { lampId } of resistors) {
    const index = counted.get(lampId) ?? 0;
    counted.set(lampId, index + 1);
    const id = ELEMENTS.resistor(lampId, index);
    const heat = circuit.has(id) ? Math.abs(circuit.watts(id)) * share : 0;
    watts.set(lampId, (watts.get(lampId) ?? 0) + heat);
  }
  return watts;
}
