import { type Fault, isFelt } from '../core/faults/kinds.ts';
import { possibleFaults } from '../core/faults/library.ts';
import { volts } from '../core/formatting/format.ts';
import { Configuration } from '../core/model/cures.ts';
import type { Job } from '../core/model/job.ts';
import type { Shelf } from '../core/model/part.ts';
import type { Controls } from '../core/simulation/controls.ts';
import { fitmentOf } from '../core/simulation/fitment.ts';
import { supplyVoltsFor } from '../core/traces/supply.ts';
import type { VehicleReport } from '../core/traces/vehicleReport.ts';
import { eventWords } from '../core/words/events.ts';
import { faultName } from '../core/words/faults.ts';

/** The switches that describe one state of a vehicle. */
export const STATE_OPTIONS = {
  stage: { type: 'string' },
  key: { type: 'string' },
  volts: { type: 'string' },
  left: { type: 'boolean' },
  right: { type: 'boolean' },
  hazard: { type: 'boolean' },
  lights: { type: 'boolean' },
  brake: { type: 'boolean' },
  reverse: { type: 'boolean' },
  fog: { type: 'boolean' },
  'main-beam': { type: 'boolean' },
  doors: { type: 'boolean' },
  lids: { type: 'boolean' },
  'lamp-switches': { type: 'boolean' },
  work: { type: 'boolean' },
  beacon: { type: 'boolean' },
  dimmed: { type: 'boolean' },
  inject: { type: 'string' },
} as const;

const SWITCHES = [
  'hazard',
  'lights',
  'brake',
  'reverse',
  'fog',
  'doors',
  'lids',
  'work',
  'beacon',
  'dimmed',
] as const;

export interface StateFlags {
  stage?: string;
  key?: string;
  volts?: string;
  left?: boolean;
  right?: boolean;
  hazard?: boolean;
  lights?: boolean;
  brake?: boolean;
  reverse?: boolean;
  fog?: boolean;
  'main-beam'?: boolean;
  doors?: boolean;
  lids?: boolean;
  'lamp-switches'?: boolean;
  work?: boolean;
  beacon?: boolean;
  dimmed?: boolean;
  /** faults to put in, by their names, with commas between */
  inject?: string;
}

const KEYS = ['off', 'on', 'running'] as const;

/** The state a command line asks for, or what is wrong with it and what to type instead. */
export function stateOf(
  job: Job,
  flags: StateFlags,
): { configuration: Configuration; controls: Controls; volts: number } | { problem: string } {
  const configuration = Configuration.safeParse(flags.stage ?? 'cured');
  if (!configuration.success) return { problem: `--stage takes stock, leds or cured, not "${flags.stage}".` };
  const key = KEYS.find((each) => each === (flags.key ?? 'on'));
  if (!key) return { problem: `--key takes off, on or running, not "${flags.key}".` };
  if (flags.left && flags.right)
    return { problem: '--left and --right are one stalk: give one of them, or --hazard.' };
  const emf = flags.volts === undefined ? supplyVoltsFor(job.vehicle, key) : Number(flags.volts);
  if (!(emf > 0 && emf <= 60))
    return { problem: `--volts takes a number above 0 and up to 60, not "${flags.volts}".` };
  const turn = flags.left ? 'left' : flags.right ? 'right' : null;
  if (flags.hazard && !job.vehicle.hazardSwitch)
    return { problem: `${job.vehicle.name} has no hazard switch: give --left or --right.` };
  const switched = Object.fromEntries(SWITCHES.map((name) => [name, flags[name] === true])) as Record<
    (typeof SWITCHES)[number],
    boolean
  >;
  const mainBeam = flags['main-beam'] === true;
  const lampSwitches = flags['lamp-switches'] === true;
  const controls: Controls = { key, turn, mainBeam, lampSwitches, ...switched };
  return { configuration: configuration.data, controls, volts: emf };
}

/** The faults a command line puts into a vehicle, or what is wrong with their names and which there are. */
export function injected(
  job: Job,
  shelf: Shelf,
  configuration: Configuration,
  names: string | undefined,
): { faults: Fault[] } | { problem: string } {
  if (names === undefined) return { faults: [] };
  const known = possibleFaults(job, fitmentOf(job, shelf, configuration)).filter(({ fault }) =>
    isFelt(fault),
  );
  const faults: Fault[] = [];
  for (const name of names.split(',').map((each) => each.trim())) {
    const found = known.find(({ id }) => id === name);
    if (!found)
      return {
        problem: `--inject knows no fault "${name}" on this vehicle, ${configuration}. It knows\n${known.map((each) => `  ${each.id.padEnd(34)} ${faultName(each.fault, job.vehicle)}`).join('\n')}`,
      };
    faults.push(found.fault);
  }
  return { faults };
}

/** A report for another program: what happened in its figures, and in words beside them. */
export function reportAsJson(report: VehicleReport): string {
  const events = report.events.map((event) => ({ ...event, text: eventWords(event) }));
  return JSON.stringify({ ...report, events, spice: undefined }, null, 2);
}

/** A report as a table for a terminal. */
export function reportInWords(report: VehicleReport): string {
  const { flashing } = report;
  const live = report.quantities.filter(({ value }) => Math.abs(value) >= 1e-3);
  const rest = report.quantities.length - live.length;
  const head = flashing
    ? `Flashing at ${flashing.ratePerMinute.toFixed(1)} a minute; quantities ${flashing.sampleAtSeconds.toFixed(4)} s from the start, when the relay looks`
    : 'Steady';
  return [
    `${head}. Battery EMF ${volts(report.emfVolts)}, ${report.configuration}.`,
    ...(flashing && flashing.thresholdAmps > 0
      ? [
          `  It sees ${flashing.watchedAmps.toFixed(3)} A and compares with ${flashing.thresholdAmps.toFixed(3)} A.`,
        ]
      : []),
    ...report.events.map((event) => `  ${eventWords(event)}.`),
    ...live.map(
      ({ name, unit, value, what }) =>
        `  ${name.padEnd(30)} ${value.toFixed(6).padStart(12)} ${unit}  ${what}`,
    ),
    ...(rest > 0 ? [`  ${rest} more are under a millivolt or milliampere; --json has them.`] : []),
  ].join('\n');
}
