import { CONTACTS } from '../model/vehicle/netlistNames.ts';
import type { Controls } from './controls.ts';
import type { Emitter } from './lampLight.ts';
import type { TimeRequest, TimeRun, VehicleSimulation } from './vehicleSimulation.ts';

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
  simulation: VehicleSimulation,
  controls: Controls,
  emfVolts: number,
  circuitId: string,
  pulse: { hertz: number; duty: number },
  emitter: Emitter,
): PulsedLight {
  const period = 1 / pulse.hertz;
  const seen: { at: number; light: number }[] = [];
  const feed = feedOf(simulation, controls, emfVolts, circuitId, {
    longestStep: period / STEPS_A_PERIOD,
    record: (at, circuit) => {
      if (at > FILL_SECONDS + (PERIODS - 2) * period) seen.push({ at, light: emitter.read(circuit) });
    },
  });
  const { run } = feed;
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

/** A feed by itself, with whatever shares a bulb with it, its contact for the caller to open and close. */
function feedOf(
  simulation: VehicleSimulation,
  controls: Controls,
  emfVolts: number,
  circuitId: string,
  request: TimeRequest,
): TimeRun {
  const time = simulation.inTime(controls, emfVolts, { about: [circuitId], ...request });
  return { ...time, contacts: (on) => ({ ...time.contacts(true), [CONTACTS.circuit(circuitId)]: on }) };
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
  simulation: VehicleSimulation,
  controls: Controls,
  emfVolts: number,
  circuitId: string,
  emitter: Emitter,
  { onSeconds, dark }: { onSeconds: number; dark: number },
): number {
  const feed = feedOf(simulation, controls, emfVolts, circuitId, { longestStep: GLOW_STEP * 10 });
  const { run } = feed;
  run.advanceTo(onSeconds);
  run.setControls(feed.contacts(false));
  while (run.seconds < onSeconds + LONGEST_GLOW && emitter.read(run.circuit) > dark)
    run.advanceTo(run.seconds + Math.max(GLOW_STEP, GLOW_SHARE * (run.seconds - onSeconds)));
  return run.seconds - onSeconds;
}
