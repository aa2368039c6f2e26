import { Transient } from '../circuit/engine/transient.ts';
import type { Side, Vehicle } from '../model/vehicle.ts';
import type { Fitment } from '../vehicle/fitment.ts';
import { TURN_ELEMENTS, turnControls, turnNetlist } from '../vehicle/turnNetlist.ts';
import { lightMeter } from './lampLight.ts';

/** A watcher looks this long after switching on, when the inrush has passed, s (typical). */
export const WATCHER_SAMPLE_SECONDS = 0.12;

export interface Flash {
  startSeconds: number;
  onSeconds: number;
  periodSeconds: number;
  /** what the watcher saw when it looked, A */
  sampledAmps: number;
  missesLamp: boolean;
}

/** A lamp's light over time, known at the moments the simulation stopped at. */
export class LightCurve {
  private readonly seconds: number[] = [];
  private readonly light: number[] = [];

  add(seconds: number, light: number): void {
    this.seconds.push(seconds);
    this.light.push(light);
  }

  /** Light at a moment, by straight line between what is known. */
  at(seconds: number): number {
    let low = 0;
    let high = this.seconds.length - 1;
    if (high < 0) return 0;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if ((this.seconds[middle] as number) <= seconds) low = middle;
      else high = middle;
    }
    const [t0, t1] = [this.seconds[low] as number, this.seconds[high] as number];
    const [v0, v1] = [this.light[low] as number, this.light[high] as number];
    if (t1 <= t0) return v1;
    return v0 + (v1 - v0) * Math.min(1, Math.max(0, (seconds - t0) / (t1 - t0)));
  }
}

export interface TurnPlay {
  flashes: readonly Flash[];
  lamps: readonly { lampId: string; light: LightCurve; steady: number }[];
}

interface TurnPlayRequest {
  vehicle: Vehicle;
  fitment: Fitment;
  sides: readonly Side[];
  emfVolts: number;
  /** the watcher's threshold at this supply, A */
  thresholdAmps: number;
  /** how many flashes, or how long, to play */
  flashes?: number;
  seconds?: number;
}

/**
 * Plays the turn circuits from cold: the relay closes, looks at the current once the inrush has passed, and
 * makes this flash as long as what it saw asks for.
 *
 * @throws NoSolutionError when the circuit cannot be solved
 */
export function playTurn(request: TurnPlayRequest): TurnPlay {
  const { vehicle, fitment, sides, emfVolts, thresholdAmps } = request;
  const lampIds = vehicle.circuits
    .filter((circuit) => sides.includes(circuit.side))
    .flatMap((circuit) => circuit.lampIds);
  const lamps = lampIds.map((lampId) => ({
    lampId,
    light: new LightCurve(),
    meter: lightMeter(lampId, fitment.contents.get(lampId) ?? { kind: 'empty' }),
    steady: 0,
  }));
  const lit = turnControls(vehicle, sides, true);
  const dark = turnControls(vehicle, sides, false);
  const run = new Transient(turnNetlist(vehicle, fitment, emfVolts), lit, {
    record: (seconds, circuit) => {
      for (const lamp of lamps) lamp.light.add(seconds, lamp.meter(circuit));
    },
  });
  const flashes: Flash[] = [];
  const enough = () =>
    (request.flashes !== undefined && flashes.length >= request.flashes) ||
    (request.seconds !== undefined && run.seconds >= request.seconds);
  while (!enough()) {
    const startSeconds = run.seconds;
    run.setControls(lit);
    run.advanceTo(startSeconds + WATCHER_SAMPLE_SECONDS);
    const flash = decide(vehicle, watchedAmps(vehicle, run, lampIds), thresholdAmps, startSeconds);
    flashes.push(flash);
    run.advanceTo(startSeconds + flash.onSeconds);
    run.setControls(dark);
    run.advanceTo(startSeconds + flash.periodSeconds);
  }
  run.setControls(lit);
  run.circuit.solveSteady();
  return {
    flashes,
    lamps: lamps.map(({ lampId, light, meter }) => ({ lampId, light, steady: meter(run.circuit) })),
  };
}

function decide(
  { flasher }: Vehicle,
  sampledAmps: number,
  thresholdAmps: number,
  startSeconds: number,
): Flash {
  const missesLamp = sampledAmps < thresholdAmps;
  const periodSeconds = 60 / (flasher.normalRate * (missesLamp ? flasher.fastMultiplier : 1));
  // The relay cannot open before it has looked.
  const onSeconds = Math.max(WATCHER_SAMPLE_SECONDS, periodSeconds * flasher.onFraction);
  return {
    startSeconds,
    onSeconds,
    periodSeconds: Math.max(periodSeconds, onSeconds),
    sampledAmps,
    missesLamp,
  };
}

function watchedAmps(vehicle: Vehicle, run: Transient, lampIds: readonly string[]): number {
  const total = run.circuit.amps(TURN_ELEMENTS.relay);
  if (vehicle.flasher.watchesRepeaters) return total;
  return lampIds
    .filter((id) => vehicle.lamps.find((lamp) => lamp.id === id)?.role === 'repeater')
    .reduce((left, id) => left - run.circuit.amps(TURN_ELEMENTS.leadOf(id)), total);
}
