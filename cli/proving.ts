import { readFile } from 'node:fs/promises';
import { z } from 'zod';
import { placeOf } from '../core/faults/kinds.ts';
import type { PossibleFault } from '../core/faults/library.ts';
import type { JobFile } from '../core/formats/jobFile.ts';
import { CLUES } from '../core/model/clues.ts';
import { isDeviationOf } from '../core/model/deviationKey.ts';
import { LAMP_WORDS } from '../core/model/lampWords.ts';
import type { Vehicle } from '../core/model/vehicle/vehicle.ts';
import { FaultFinder } from '../core/proving/finder.ts';
import type { Suspect } from '../core/proving/finding.ts';
import { type ProvingGrid, provingGrid } from '../core/proving/grid.ts';
import type { Outcome } from '../core/proving/outcome.ts';
import type { Told } from '../core/proving/told.ts';
import { toldOf } from '../core/proving/toldOf.ts';
import { faultName, lookWords } from '../core/words/faults.ts';
import { EXIT, type Output } from './output.ts';

/** Less is not seen, lm. */
const SEEN_LUMENS = 0.5;

/** `vumble prove`: every cell with what it should show, the fewest that show every fault, and what none can show. */
export function prove({ job, parts }: JobFile, json: boolean, output: Output): number {
  const grid = provingGrid(job, parts);
  if (!grid || grid.cells.length === 0) {
    output.out('There is nothing to prove: the job converts no lamp.');
    return EXIT.fine;
  }
  const { cells, expected, faults, seen, sound, smallest, doubtful, unshown } = grid;
  const rows = cells.map((cell, at) => ({
    id: cell.id,
    name: cell.name,
    say: cell.say,
    safely: cell.safely,
    expected: expectedOf(expected[at] as Outcome),
    maybe: sound[at]?.maybe ?? [],
    shows: faults.filter((_, fault) => (seen[fault]?.[at]?.sure.length ?? 0) > 0).map(({ id }) => id),
  }));
  if (json) {
    const result = {
      cells: rows,
      smallest: smallest.map((at) => cells[at]?.id),
      faults: faults.map((each) => ({
        id: each.id,
        name: faultName(each.fault, job.vehicle),
        prior: each.prior,
        place: placeOf(each.fault),
      })),
      doubtful: doubtful.map(namedOn(job.vehicle)),
      unshown: unshown.map(namedOn(job.vehicle)),
    };
    output.out(JSON.stringify(result, null, 2));
    return EXIT.fine;
  }
  const lampName = (id: string) => job.vehicle.lamps.find((lamp) => lamp.id === id)?.name ?? id;
  output.out(
    [
      ...rows.map(
        ({ name, expected: shown, shows }, at) =>
          `${smallest.includes(at) ? '*' : ' '} ${name}: ${shown.lit.map(({ lamp }) => lampName(lamp).toLowerCase()).join(', ') || 'all dark'}${shown.flash ? `; flash ${shown.flash}` : ''}; sure to show ${shows.length} of ${faults.length} faults`,
      ),
      '',
      `* These ${smallest.length} show every fault that any shows, and each lamp at each of its levels.`,
      ...(doubtful.length > 0
        ? [
            `Shown at some size or threshold only, ${doubtful.length}: ${doubtful.map(({ fault }) => faultName(fault, job.vehicle)).join('; ')}.`,
          ]
        : []),
      ...(unshown.length > 0
        ? [
            `No cell can show ${unshown.length}: ${unshown.map(({ fault }) => faultName(fault, job.vehicle)).join('; ')}.`,
          ]
        : []),
    ].join('\n'),
  );
  return EXIT.fine;
}

function expectedOf({ lumens, flash, messages, maybe }: Outcome) {
  return {
    lit: [...lumens]
      .filter(([, light]) => light >= SEEN_LUMENS)
      .map(([lamp, light]) => ({ lamp, lumens: Number(light.toPrecision(3)) })),
    flash,
    messages: [...messages],
    maybeMessages: [...maybe],
  };
}

export const FAULT_OPTIONS = { evidence: { type: 'string' } } as const;
export type FaultFlags = { evidence?: string };

const EvidenceFile = z
  .array(
    z.union([
      z.strictObject({
        cell: z.string().max(80),
        seen: z.union([z.string().max(120), z.array(z.string().max(120)).max(120), z.null()]),
      }),
      z.strictObject({ place: z.string().max(120), found: z.string().max(120).nullable() }),
      z.strictObject({ clue: z.enum(CLUES), lamp: z.string().max(80).optional() }),
    ]),
  )
  .max(500);

/** `vumble faults`: what may be wrong by what was seen, likeliest first, and the check that tells most next. */
export async function faults(
  { job, parts }: JobFile,
  flags: FaultFlags & { json?: boolean },
  output: Output,
): Promise<number> {
  const grid = provingGrid(job, parts);
  if (!grid || grid.cells.length === 0) {
    output.out('There is nothing to find: the job converts no lamp.');
    return EXIT.fine;
  }
  const own = toldOf(job, grid.cells, 'cured', Date.now());
  const read =
    flags.evidence === undefined ? own : await evidenceFrom(flags.evidence, job.vehicle, grid, own);
  if ('problem' in read) {
    output.error(read.problem);
    return EXIT.badInput;
  }
  const finding = new FaultFinder(job, grid, parts).find(read);
  const { suspects, soundProbability, unexplained, contradictory, next } = finding;
  if (flags.json) {
    const named = namedOn(job.vehicle);
    const causes = suspects.map(({ faults: any, and, ...rest }) => ({
      causes: any.map(named),
      and: and && named(and),
      ...rest,
    }));
    output.out(JSON.stringify({ causes, soundProbability, unexplained, contradictory, next }, null, 2));
    return EXIT.fine;
  }
  const cellName = (id: string) => grid.cells.find((cell) => cell.id === id)?.name ?? id;
  output.out(
    [
      ...suspects.slice(0, 8).map((each) => suspectLine(each, job.vehicle)),
      `${(100 * soundProbability).toFixed(0).padStart(3)} %  nothing of all this`,
      ...unexplained.map(
        ({ cellId, seen }) => `Nothing explains “${seen.join(', ')}” in ${cellName(cellId)}.`,
      ),
      ...contradictory.map(
        (id) => `Told in two ways: ${cellName(id)}. It comes and goes, or one was told wrongly.`,
      ),
      next === null
        ? 'No check would tell more.'
        : next.kind === 'cell'
          ? `Next: ${grid.cells.find(({ id }) => id === next.cellId)?.say ?? next.cellId}, and look at every lamp.`
          : `Next, at ${next.placeId}: ${lookWords(faultsOf(grid, next.faultIds))}`,
    ].join('\n'),
  );
  return EXIT.fine;
}

const namedOn =
  (vehicle: Vehicle) =>
  ({ id, fault }: PossibleFault) => ({ id, name: faultName(fault, vehicle) });

function faultsOf({ faults }: ProvingGrid, ids: readonly string[]) {
  return faults.flatMap(({ id, fault }) => (ids.includes(id) ? [fault] : []));
}

function suspectLine({ faults: any, and, probability }: Suspect, vehicle: Vehicle): string {
  const names = any.map(({ fault }) => faultName(fault, vehicle)).join(', or ');
  return `${(100 * probability).toFixed(0).padStart(3)} %  ${names}${and ? `, and ${faultName(and.fault, vehicle)}` : ''}`;
}

async function evidenceFrom(
  path: string,
  vehicle: Vehicle,
  grid: ProvingGrid,
  own: Told,
): Promise<Told | { problem: string }> {
  let data: unknown;
  try {
    data = JSON.parse(await readFile(path, 'utf8'));
  } catch (error) {
    return { problem: `Cannot read ${path}: ${(error as Error).message}` };
  }
  const parsed = EvidenceFile.safeParse(data);
  if (!parsed.success)
    return {
      problem: `${path} is no list of { "cell": "turn-left", "seen": ["rear-left dark"] or null }, { "place": "bulb:rear-left", "found": FAULT or null }, { "clue": "wiggle", "lamp": "rear-left" }: ${parsed.error.issues[0]?.message ?? ''}`,
    };
  const cells = parsed.data.flatMap((each) =>
    'cell' in each ? [{ cellId: each.cell, seen: each.seen === null ? [] : [each.seen].flat() }] : [],
  );
  const places = parsed.data.flatMap((each) =>
    'place' in each ? [{ placeId: each.place, found: each.found }] : [],
  );
  const clues = parsed.data.flatMap((each) =>
    'clue' in each ? [{ clue: each.clue, lampId: each.lamp ?? null }] : [],
  );
  const noCell = cells.find(({ cellId }) => !grid.cells.some(({ id }) => id === cellId));
  if (noCell)
    return {
      problem: `There is no cell "${noCell.cellId}". Cells are ${grid.cells.map(({ id }) => id).join(', ')}.`,
    };
  const noDeviation = cells.flatMap(({ seen }) => seen).find((each) => !isDeviationOf(vehicle, each));
  if (noDeviation !== undefined)
    return {
      problem: `“${noDeviation}” is nothing that can be seen here. Write a lamp and ${LAMP_WORDS.join(', ')} (“rear-left dark”), “flash fast”, “flash slow”, “flash none”, “message CIRCUIT”, “odd CIRCUIT” or “blown FUSE”. Lamps are ${vehicle.lamps.map(({ id }) => id).join(', ')}.`,
    };
  const noLamp = clues.find(
    ({ lampId }) => lampId !== null && !vehicle.lamps.some(({ id }) => id === lampId),
  );
  if (noLamp)
    return {
      problem: `There is no lamp "${noLamp.lampId}". Lamps are ${vehicle.lamps.map(({ id }) => id).join(', ')}.`,
    };
  const known = new Set(grid.faults.map(({ fault }) => placeOf(fault)));
  const noPlace = places.find(({ placeId }) => !known.has(placeId));
  if (noPlace)
    return { problem: `There is no place "${noPlace.placeId}". Places are ${[...known].join(', ')}.` };
  const noFault = places.find(({ found }) => found !== null && !grid.faults.some(({ id }) => id === found));
  if (noFault)
    return { problem: `There is no fault "${noFault.found}". ./vumble prove FILE --json lists them.` };
  // All of it was looked at above.
  const seen = cells.map((each) => ({
    ...each,
    seen: each.seen.filter((key) => isDeviationOf(vehicle, key)),
  }));
  return {
    cells: [...own.cells, ...seen],
    places: [...own.places, ...places],
    clues: [...own.clues, ...clues],
    pins: own.pins,
  };
}
