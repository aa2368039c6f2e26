import { readFile } from 'node:fs/promises';
import ELK from 'elkjs/lib/elk.bundled.js';
import type { JobFile } from '../core/formats/jobFile.ts';
import { readPinReadings } from '../core/formats/pinReadingsCsv.ts';
import { textOfFile } from '../core/formats/textOfFile.ts';
import { wire } from '../core/formatting/units.ts';
import { connectorOfLamp, connectorsOf, switchedName } from '../core/wiring/connectors.ts';
import { expectedReadings } from '../core/wiring/pinFinder/expected.ts';
import { PinFinder } from '../core/wiring/pinFinder/finder.ts';
import { layoutSheet } from '../core/wiring/sheet/layout.ts';
import { wiringSheet } from '../core/wiring/sheet/sheet.ts';
import { sheetSvg } from '../core/wiring/sheet/svg.ts';
import { sayPlan } from '../core/words/work/sayPlan.ts';
import { workPlan } from '../core/work/fitSteps.ts';
import { EXIT, type Output } from './output.ts';

export const WIRING_OPTIONS = {
  lamp: { type: 'string' },
  plug: { type: 'string' },
  svg: { type: 'boolean' },
} as const;
export type WiringFlags = { lamp?: string; plug?: string; svg?: boolean };

const minutes = (value: number) => `${value.toFixed(1)} min`;

/** `vumble order`: the steps in their order, what walking they need, and why. */
export function order({ job, parts }: JobFile, json: boolean, output: Output): number {
  const plan = sayPlan(workPlan(job, parts), job, parts);
  const { steps, route, habits, openingSavedMinutes, reasons } = plan;
  if (json) {
    const shown = steps.map(({ id, kind, place, title, minutes: range, blocked }) => ({
      id,
      kind,
      place,
      title,
      minutes: range,
      ...(blocked ? { blocked } : {}),
    }));
    output.out(JSON.stringify({ habits, route, reasons, openingSavedMinutes, steps: shown }, null, 2));
    return EXIT.fine;
  }
  if (steps.length === 0) {
    output.out('There is nothing to fit: the job has no LEDs and no cures yet.');
    return EXIT.fine;
  }
  const gap = route.walkMinutes - route.atLeastMinutes;
  const walked = `Walking: ${minutes(route.walkMinutes)}${gap > 0.01 ? `, at most ${minutes(gap)} more than these rounds need` : ', no order of these rounds needs less'}${route.lampByLampMinutes > route.walkMinutes ? `; lamp by lamp ${minutes(route.lampByLampMinutes)}` : ''}.`;
  output.out(
    [
      ...reasons,
      walked,
      '',
      ...steps.map(
        ({ title, place, minutes: [low, high], blocked }, at) =>
          `${String(at + 1).padStart(3)}  ${place}: ${title} (${low.toFixed(0)} to ${high.toFixed(0)} min)${blocked ? `\n     BLOCKED: ${blocked}` : ''}`,
      ),
    ].join('\n'),
  );
  return EXIT.fine;
}

/** `vumble pins`: what every plug with readings in the table has in its cavities, and what to measure next. */
export async function pins(
  { job, parts }: JobFile,
  path: string,
  json: boolean,
  output: Output,
): Promise<number> {
  let bytes: Uint8Array;
  try {
    bytes = await readFile(path);
  } catch (error) {
    output.error(`Cannot read ${path}: ${(error as Error).message}`);
    return EXIT.badInput;
  }
  const read = textOfFile(bytes);
  const table = read.ok
    ? readPinReadings(read.text, job.vehicle)
    : { ok: false as const, problems: [read.problem] };
  if (!table.ok) {
    output.error(`${path} cannot be used:\n${table.problems.map((problem) => `  ${problem}`).join('\n')}`);
    return EXIT.badInput;
  }
  const plugs = new Set(table.readings.map(({ connectorId }) => connectorId));
  const found = connectorsOf(job.vehicle)
    .filter(({ connector }) => plugs.has(connector.id))
    .map(({ connector }) => {
      const finder = new PinFinder(job.vehicle, connector, expectedReadings(job, parts, connector));
      const finding = finder.find(table.readings.filter(({ connectorId }) => connectorId === connector.id));
      return {
        connector: connector.id,
        name: connector.name,
        certainty: finding.certainty,
        complete: finding.complete,
        cavities: finding.cavities.map(({ cavity, likely, proved, by, readings, hint }) => ({
          cavity,
          does: likely[0]?.group.name ?? '',
          share: likely[0]?.share ?? 0,
          proved,
          by,
          readings,
          hint,
          otherwise: likely.slice(1, 3).map(({ group, share }) => ({ does: group.name, share })),
        })),
        contradictions: finding.contradictions,
        next: finding.next && {
          cavity: finding.next.cavity,
          on: switchedName(job.vehicle, finding.next.circuitId),
          circuit: finding.next.circuitId,
          how: finding.next.how,
          again: finding.next.again,
        },
      };
    });
  output.out(json ? JSON.stringify(found, null, 2) : found.map(inWords).join('\n\n'));
  return found.every(({ complete, contradictions }) => complete && contradictions.length === 0)
    ? EXIT.fine
    : EXIT.fallsShort;
}

interface FoundPlug {
  name: string;
  certainty: number;
  cavities: readonly { cavity: string; does: string; share: number; proved: boolean; by: string | null }[];
  contradictions: readonly string[];
  next: { cavity: string; on: string; how: string } | null;
}

function inWords({ name, certainty, cavities, contradictions, next }: FoundPlug): string {
  return [
    `${name}: the whole map ${(100 * certainty).toFixed(0)} % certain`,
    ...cavities.map(
      ({ cavity, does, share, proved, by }) =>
        `  ${cavity.padEnd(6)} ${does}, ${(100 * share).toFixed(0)} %, ${proved ? `proved by ${by}` : 'unproved'}`,
    ),
    ...contradictions.map((each) => `  ! ${each}`),
    next ? `  Next: cavity ${next.cavity}, ${next.on}, ${next.how}` : '  Nothing more to measure.',
  ].join('\n');
}

/** `vumble wiring`: the wiring sheet of the plug of a lamp. */
export async function wiring({ job, parts }: JobFile, flags: WiringFlags, output: Output): Promise<number> {
  const plugs = connectorsOf(job.vehicle).map(({ connector }) => connector);
  const id = flags.plug ?? (flags.lamp && connectorOfLamp(job.vehicle, flags.lamp)?.connector.id);
  if (!id || !plugs.some((plug) => plug.id === id)) {
    output.error(
      `Name a lamp with --lamp (${job.vehicle.lamps.map((lamp) => lamp.id).join(', ')}) or a plug with --plug (${plugs.map((plug) => plug.id).join(', ')}).`,
    );
    return EXIT.badInput;
  }
  const sheet = wiringSheet(job, parts, id);
  if (flags.svg) {
    output.out(sheetSvg(await layoutSheet(sheet, new ELK()), sheet.title).trimEnd());
    return EXIT.fine;
  }
  output.out(
    [
      sheet.title,
      ...sheet.rows.map(
        ({ cavity, letters, areaMm2, does, proof, fuse, joint }) =>
          `  ${cavity.padEnd(4)} ${(letters || '?').padEnd(6)} ${(areaMm2 ? wire(areaMm2) : '').padEnd(8)} ${does}: ${[proof, fuse, joint].filter(Boolean).join('; ')}`,
      ),
      ...sheet.notes,
    ].join('\n'),
  );
  return EXIT.fine;
}
