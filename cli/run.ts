import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { type JobFile, jobFileOf, readJobFile, writeJobFile } from '../core/formats/jobFile.ts';
import { IMPERIAL, METRIC, setUnits } from '../core/formatting/units.ts';
import { vehicleReport } from '../core/traces/vehicleReport.ts';
import { demoJobs } from '../demo/jobs.ts';
import { DEMO_SHELF } from '../demo/shelf.ts';
import { order, pins, WIRING_OPTIONS, type WiringFlags, wiring } from './fitting.ts';
import { FLASH_OPTIONS, type FlashFlags, flash } from './flash.ts';
import { HANDING_OPTIONS, type HandingFlags, handover, log, merge, pack, unpack } from './handing.ts';
import { EXIT, type Output } from './output.ts';
import { kit, PICKING_OPTIONS, type PickingFlags, picklist } from './picking.ts';
import { planOf } from './plan.ts';
import { planInWords } from './planInWords.ts';
import { FAULT_OPTIONS, type FaultFlags, faults, prove } from './proving.ts';
import { QUICK_OPTIONS, type QuickFlags, questionOf, quickInWords, quickOf } from './quick.ts';
import { injected, reportAsJson, reportInWords, STATE_OPTIONS, type StateFlags, stateOf } from './state.ts';

const USAGE = `Usage: vumble COMMAND

  demo DIR             write the demo jobs into DIR as .vumble.json files
  plan FILE [--json]   verdicts, resistor choice and arithmetic of a job file
  check FILE           say whether a job file is valid
  netlist FILE STATE   the circuit in one state as a netlist that ngspice runs unchanged
  solve FILE STATE     the same quantities under the same names, worked out here (--json)
  order FILE           the work in order: rounds, steps, walking, why in that order (--json)
  pins FILE CSV        what each cavity of a plug is for, from readings of a meter (--json)
  prove FILE           what every cell of the proving grid should show, the fewest that suffice (--json)
  faults FILE          what may be wrong by what was seen (--evidence FILE.json), likeliest first (--json)
  wiring FILE --lamp ID | --plug ID
                       the wiring sheet of a plug as a table, or drawn with --svg
  picklist FILE        parts, packs to buy, consumables and tools of a job file (--csv or --json)
  kit SHEET --set QUESTION=ANSWER ...
                       which variant of a kit sheet applies, or which question is open (--json)
  kit SHEET --check    whether every vehicle has one variant of a kit sheet and none two (--json)
  flash FILE [FILE2]   the flash rate of a recording: relay clicks (.wav), a scope's or logger's
                       table or brightness (.csv), a film (.y4m); a second film or table
                       at another rate settles what the first leaves open (--json)
  pack JOB... -o FILE.vumble.zip
                       jobs as one file to hand on, with netlists and wiring sheets
  unpack FILE.vumble.zip [-o DIR]
                       the jobs of such a file as job files
  merge A B [--base C] [-o FILE]
                       two copies of one job as one; exit code 1 with the list where somebody
                       must choose, with --answer PATH=mine or PATH=theirs
  log FILE... [--csv | --json]
                       everything fitted in some jobs, and what became of it
  handover JOB --pdf FILE [--workshop]
                       the page for the owner, or for the file
  quick QUESTION       will this LED flash fast in that? Answered for all that nobody said (--json)

STATE is any of
  --stage stock|leds|cured   what is fitted (cured)
  --key off|on|running       ignition (on)
  --left --right --hazard    what the driver has switched on:
  --lights --brake           stalk or hazard, lights, pedal,
  --main-beam                main beam, with the lights,
  --reverse --fog --doors    gear, fog lamps, a door open,
  --lids --lamp-switches     boot and flaps open, switches at the lamps,
  --work --beacon            work lamps, beacon,
  --dimmed                   dash dimmed
  --volts N                  battery EMF; by the key where left out
  --inject FAULT,FAULT       something wrong put in: reversed:rear-left; an unknown one lists all

QUESTION is --lamps and any of
  --lamps LAMPS              rear-turn, front-turn, all-turn, repeater, stop-tail, ...
  --bulb NUMBER              P21W, 1156, ...; any that is usual where left out
  --led KIND --watts N       plain, regulated, load, unknown, or the code of a demo LED
  --sides both|left|right    which of them are LED (both)
  --vehicle KIND --year N --market UN|US --flasher KIND --system-volts N
  --trial RESULT,CONDITIONS  normal, fast, slow, message, dark or glows, then lights-on,
                             engine-on, left or right as it was; may be given again

flash takes --column NAME of a table, and --pulsed yes|no|unknown: whether the feed pulses
while the lamp is on. It answers a rate, or null with the reason and what is possible.

--units imperial writes inches, gauges, degrees Fahrenheit, feet and foot-candles; metric is usual.

SHEET is a kit as Vumble exports it, JSON or CSV.

CSV has the columns connector,cavity,on,how,volts,ohms,seen,lamp: a circuit or off; volts, peak,
ohms-in, ohms-out or probe; steady, bouncing, nothing, open, lit-bright, lit-dim or dark.

Exit codes: 0 fine, 1 the plan falls short, 2 bad input.`;

const OPTIONS = {
  json: { type: 'boolean' },
  help: { type: 'boolean', short: 'h' },
  ...WIRING_OPTIONS,
  ...FAULT_OPTIONS,
  ...STATE_OPTIONS,
  ...QUICK_OPTIONS,
  ...PICKING_OPTIONS,
  ...FLASH_OPTIONS,
  ...HANDING_OPTIONS,
  units: { type: 'string' },
} as const;

type Flags = { json?: boolean; help?: boolean; units?: string } & StateFlags &
  HandingFlags &
  QuickFlags &
  WiringFlags &
  FaultFlags &
  PickingFlags &
  FlashFlags;

/** Runs one command line and gives its exit code. */
export async function run(args: readonly string[], output: Output): Promise<number> {
  let parsed: { values: Flags; positionals: string[] };
  try {
    parsed = parseArgs({ args: [...args], options: OPTIONS, allowPositionals: true });
  } catch (error) {
    return bad(output, `${(error as Error).message}\n\n${USAGE}`);
  }
  const [command, target, ...rest] = parsed.positionals;
  if (parsed.values.help || command === 'help') {
    output.out(USAGE);
    return EXIT.fine;
  }
  const { units } = parsed.values;
  if (units !== undefined && units !== 'metric' && units !== 'imperial')
    return bad(output, `--units is metric or imperial, not "${units}".`);
  setUnits(units === 'imperial' ? IMPERIAL : METRIC);
  if (command === 'pack' && target) return pack([target, ...rest], parsed.values, output);
  if (command === 'log' && target) return log([target, ...rest], parsed.values, output);
  if (command === 'merge' && target && rest.length === 1)
    return merge(target, rest[0] as string, parsed.values, output);
  if (command === 'quick' && target === undefined) return quick(parsed.values, output);
  if (command === 'pins' && target && rest.length === 1 && rest[0])
    return withFile(target, output, (file) =>
      pins(file, rest[0] as string, parsed.values.json === true, output),
    );
  if (command === 'flash' && target && rest.length <= 1)
    return flash([target, ...rest], parsed.values, output);
  if (!command || !target || rest.length > 0) return bad(output, USAGE);
  switch (command) {
    case 'demo':
      return demo(target, output);
    case 'plan':
      return plan(target, parsed.values.json === true, output);
    case 'check':
      return check(target, output);
    case 'order':
      return withFile(target, output, (file) => order(file, parsed.values.json === true, output));
    case 'faults':
      return withFile(target, output, (file) => faults(file, parsed.values, output));
    case 'prove':
      return withFile(target, output, (file) => prove(file, parsed.values.json === true, output));
    case 'wiring':
      return withFile(target, output, (file) => wiring(file, parsed.values, output));
    case 'picklist':
      return withFile(target, output, (file) => picklist(file, parsed.values, output));
    case 'unpack':
      return unpack(target, parsed.values, output);
    case 'handover':
      return handover(target, parsed.values, output);
    case 'kit':
      return kit(target, parsed.values, output);
    case 'netlist':
    case 'solve':
      return state(command, target, parsed.values, output);
    default:
      return bad(output, `There is no command "${command}".\n\n${USAGE}`);
  }
}

async function demo(directory: string, output: Output): Promise<number> {
  try {
    await mkdir(directory, { recursive: true });
    for (const job of demoJobs()) {
      const path = join(directory, `${job.id}.vumble.json`);
      // The moment of the job itself, so that the same demo is written every time.
      await writeFile(path, writeJobFile(jobFileOf(job, DEMO_SHELF, job.createdAt)));
      output.out(path);
    }
    return EXIT.fine;
  } catch (error) {
    return bad(output, `Cannot write to ${directory}: ${(error as Error).message}`);
  }
}

async function plan(path: string, json: boolean, output: Output): Promise<number> {
  const file = await read(path, output);
  if (!file) return EXIT.badInput;
  const result = planOf(file);
  output.out(json ? JSON.stringify(result, null, 2) : planInWords(file, result));
  return result.state === 'holds' ? EXIT.fine : EXIT.fallsShort;
}

async function state(
  command: 'netlist' | 'solve',
  path: string,
  flags: Flags,
  output: Output,
): Promise<number> {
  const file = await read(path, output);
  if (!file) return EXIT.badInput;
  const asked = stateOf(file.job, flags);
  if ('problem' in asked) return bad(output, asked.problem);
  const wrong = injected(file.job, file.parts, asked.configuration, flags.inject);
  if ('problem' in wrong) return bad(output, wrong.problem);
  const { configuration, controls, volts } = asked;
  const report = vehicleReport(file.job, file.parts, configuration, controls, volts, wrong.faults);
  if (command === 'netlist') output.out(report.spice.trimEnd());
  else output.out(flags.json ? reportAsJson(report) : reportInWords(report));
  return EXIT.fine;
}

function quick(flags: Flags, output: Output): number {
  const asked = questionOf(flags);
  if ('problem' in asked) return bad(output, asked.problem);
  const answer = quickOf(asked.question);
  output.out(flags.json ? JSON.stringify(answer, null, 2) : quickInWords(answer));
  return answer.state === 'holds' ? EXIT.fine : EXIT.fallsShort;
}

async function check(path: string, output: Output): Promise<number> {
  const file = await read(path, output);
  if (!file) return EXIT.badInput;
  output.out(`${path}: a valid job, "${file.job.title}", ${file.job.vehicle.lamps.length} lamps.`);
  return EXIT.fine;
}

async function read(path: string, output: Output): Promise<JobFile | null> {
  let text: string;
  try {
    text = await readFile(path, 'utf8');
  } catch (error) {
    bad(output, `Cannot read ${path}: ${(error as Error).message}`);
    return null;
  }
  const result = readJobFile(text);
  if (result.ok) return result.file;
  bad(output, `${path} cannot be used:\n${result.problems.map((problem) => `  ${problem}`).join('\n')}`);
  return null;
}

/** Runs what needs a job file; one that cannot be read says why. */
async function withFile(
  path: string,
  output: Output,
  act: (file: JobFile) => number | Promise<number>,
): Promise<number> {
  const file = await read(path, output);
  return file ? act(file) : EXIT.badInput;
}

function bad(output: Output, text: string): number {
  output.error(text);
  return EXIT.badInput;
}
