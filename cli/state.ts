import { type Job, Stage } from '../core/model/job.ts';
import { volts } from '../core/quantities/format.ts';
import { type Controls, supplyVoltsFor } from '../core/rehearsal/rehearse.ts';
import type { TurnReport } from '../core/rehearsal/turnReport.ts';

/** The switches that describe one state of a vehicle. */
export const STATE_OPTIONS = {
  stage: { type: 'string' },
  key: { type: 'string' },
  volts: { type: 'string' },
  left: { type: 'boolean' },
  right: { type: 'boolean' },
  hazard: { type: 'boolean' },
} as const;

export interface StateFlags {
  stage?: string;
  key?: string;
  volts?: string;
  left?: boolean;
  right?: boolean;
  hazard?: boolean;
}

const KEYS = ['off', 'on', 'running'] as const;

/** The state a command line asks for, or what is wrong with it and what to type instead. */
export function stateOf(
  job: Job,
  flags: StateFlags,
): { stage: Stage; controls: Controls; volts: number } | { problem: string } {
  const stage = Stage.safeParse(flags.stage ?? 'cured');
  if (!stage.success) return { problem: `--stage takes stock, leds or cured, not "${flags.stage}".` };
  const key = KEYS.find((each) => each === (flags.key ?? 'on'));
  if (!key) return { problem: `--key takes off, on or running, not "${flags.key}".` };
  if (flags.left && flags.right)
    return { problem: '--left and --right are one stalk: give one of them, or --hazard.' };
  const emf = flags.volts === undefined ? supplyVoltsFor(job.vehicle, key) : Number(flags.volts);
  if (!(emf > 0 && emf <= 60))
    return { problem: `--volts takes a number above 0 and up to 60, not "${flags.volts}".` };
  const turn = flags.left ? 'left' : flags.right ? 'right' : null;
  return { stage: stage.data, controls: { key, turn, hazard: flags.hazard === true }, volts: emf };
}

/** A report as a table for a terminal. */
export function reportInWords(report: TurnReport): string {
  const { flashing } = report;
  const head = flashing
    ? `Flashing at ${flashing.ratePerMinute.toFixed(1)} a minute; quantities ${flashing.sampleAtSeconds.toFixed(4)} s from the start, when the relay looks`
    : 'Steady';
  return [
    `${head}. Battery EMF ${volts(report.emfVolts)}, ${report.stage}.`,
    ...report.quantities.map(
      ({ name, unit, value, what }) =>
        `  ${name.padEnd(22)} ${value.toFixed(6).padStart(12)} ${unit}  ${what}`,
    ),
  ].join('\n');
}
