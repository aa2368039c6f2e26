import { Transient } from '../circuit/engine/transient.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { contactsOf } from '../vehicle/contacts.ts';
import type { Controls } from '../vehicle/controls.ts';
import { coupledCircuits } from '../vehicle/coupled.ts';
import type { Fault } from '../vehicle/fault.ts';
import type { Fitment } from '../vehicle/fitment.ts';
import { CONTACTS } from '../vehicle/places.ts';
import { vehicleNetlist } from '../vehicle/vehicleNetlist.ts';
import type { Emitter } from './lampLight.ts';

/** Light of an LED over the last two periods of a pulsed feed, 1 when rated. */
export interface PulsedLight {
  hertz: number;
  low: number;
  high: number;
  mean: number;
  /** (high − low) / (high + low): 1 is dark in every pause */
  modulation: number;
}

/** Periods played before the light is read: each pulse fills a decoder's capacitor to its peak, so a few are enough. */
const PERIODS = 12;
/** Before that the feed is on, so that even a large capacitor begins full and only has to settle, s. */
const FILL_SECONDS = 0.02;
const STEPS_A_PERIOD = 30;

/**
 * Plays a pulsed feed pulse by pulse for a moment, with whatever hangs together with it: the rest of the engine
 * solves it as it is in the pulses, which a capacitor behind a diode does not allow.
 *
 * @throws NoSolutionError when the circuit cannot be solved
 */
export function playPulses(
  vehicle: Vehicle,
  fitment: Fitment,
  controls: Controls,
  emfVolts: number,
  circuitId: string,
  pulse: { hertz: number; duty: number },
  emitter: Emitter,
  faults: readonly Fault[] = [],
): PulsedLight {
  const feed = feedOf(vehicle, fitment, controls, emfVolts, circuitId, faults);
  const period = 1 / pulse.hertz;
  const seen: { at: number; light: number }[] = [];
  const run = new Transient(feed.netlist, feed.contacts(true), {
    longestStep: period / STEPS_A_PERIOD,
    record: (at, circuit) => {
      if (at > FILL_SECONDS + (PERIODS - 2) * period) seen.push({ at, light: emitter.read(circuit) });
    },
  });
  run.advanceTo(FILL_SECONDS);
  for (let count = 0; count < PERIODS; count += 1) {
    run.setControls(feed.contacts(true));
    run.advanceTo(FILL_SECONDS + (count + pulse.duty) * period);
    run.setControls(feed.contacts(false));
    run.advanceTo(FILL_SECONDS + (count + 1) * period);
  }
  const lights = seen.map((each) => each.light);
  const low = Math.min(...lights);
  const high = Math.max(...lights);
  let area = 0;
  for (const [index, each] of seen.entries()) {
    const before = seen[index - 1];
    if (before) area += ((each.light + before.light) / 2) * (each.at - before.at);
  }
  const span = (seen.at(-1)?.at ?? 0) - (seen[0]?.at ?? 0);
  return {
    hertz: pulse.hertz,
    low,
    high,
    mean: area / Math.max(span, 1e-9),
    modulation: high + low > 0 ? (high - low) / (high + low) : 0,
  };
}

/** A feed by itself, with whatever hangs together with it. */
function feedOf(
  vehicle: Vehicle,
  fitment: Fitment,
  controls: Controls,
  emfVolts: number,
  circuitId: string,
  faults: readonly Fault[],
) {
  const circuits = coupledCircuits(vehicle, [circuitId], { earths: false });
  return {
    netlist: vehicleNetlist(vehicle, fitment, { emfVolts, controls, faults, circuits }),
    contacts: (on: boolean) => ({
      ...contactsOf(vehicle, fitment, controls, true, faults),
      [CONTACTS.circuit(circuitId)]: on,
    }),
  };
}

/** Longest an LED is followed after its feed has gone off, s. */
const LONGEST_GLOW = 3;
/** It is looked at this often at first, s, and later this often as a share of the time gone by. */
const GLOW_STEP = 2e-3;
const GLOW_SHARE = 0.02;

/**
 * How long an LED still glows after its feed has gone off, s: what a capacitor behind a diode does to a flash, or to
 * a test pulse.
 *
 * @param onSeconds how long the feed was on before, from empty
 * @param dark share of rated light that counts as dark
 * @throws NoSolutionError when the circuit cannot be solved
 */
export function afterglowSeconds(
  vehicle: Vehicle,
  fitment: Fitment,
  controls: Controls,
  emfVolts: number,
  circuitId: string,
  emitter: Emitter,
  { onSeconds, dark }: { onSeconds: number; dark: number },
): number {
  const feed = feedOf(vehicle, fitment, controls, emfVolts, circuitId, []);
  const run = new Transient(feed.netlist, feed.contacts(true), { longestStep: GLOW_STEP * 10 });
  run.advanceTo(onSeconds);
  run.setControls(feed.contacts(false));
  while (run.seconds < onSeconds + LONGEST_GLOW && emitter.read(run.circuit) > dark)
    run.advanceTo(run.seconds + Math.max(GLOW_STEP, GLOW_SHARE * (run.seconds - onSeconds)));
  return run.seconds - onSeconds;
}
