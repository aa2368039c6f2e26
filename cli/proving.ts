import { readFile } from 'node:fs/promises';
import { z } from 'zod';
import type { JobFile } from '../core/formats/jobFile.ts';
import { type CellEvidence, findFault, type LookEvidence } from '../core/proving/finder.ts';
import { type ProvingGrid, provingGrid } from '../core/proving/grid.ts';
import type { Outcome } from '../core/proving/outcome.ts';
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
  const { cells, expected, faults, seen, smallest, unshown } = grid;
  const rows = cells.map((cell, at) => ({
    id: cell.id,
    name: cell.name,
    say: cell.say,
    expected: expectedOf(expected[at] as Outcome),
    shows: faults.filter((_, fault) => (seen[fault]?.[at]?.length ?? 0) > 0).map(({ id }) => id),
  }));
  if (json) {
    const result = {
      cells: rows,
      smallest: smallest.map((at) => cells[at]?.id),
      faults: faults.map(({ id, name, prior }) => ({ id, name, prior })),
      unshown: unshown.map(({ id, name }) => ({ id, name })),
    };
    output.out(JSON.stringify(result, null, 2));
    return EXIT.fine;
  }
  const lampName = (id: string) => job.vehicle.lamps.find((lamp) => lamp.id === id)?.name ?? id;
  output.out(
    [
      ...rows.map(
        ({ name, expected: shown, shows }, at) =>
          `${smallest.includes(at) ? '*' : ' '} ${name}: ${shown.lit.map(({ lamp }) => lampName(lamp).toLowerCase()).join(', ') || 'all dark'}${shown.flash ? `; flash ${shown.flash}` : ''}; would show ${shows.length} of ${faults.length} faults`,
      ),
      '',
      `* These ${smallest.length} show every fault that any shows, and each lamp at each of its levels.`,
      ...(unshown.length > 0
        ? [`No cell can show ${unshown.length}: ${unshown.map(({ name }) => name).join('; ')}.`]
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
      z.strictObject({ cell: z.string().max(80), seen: z.string().max(120).nullable() }),
      z.strictObject({ look: z.string().max(120), found: z.boolean() }),
    ]),
  )
  .max(500);

interface Told {
  cells: CellEvidence[];
  looked: LookEvidence[];
}

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
  const read =
    flags.evidence === undefined ? { cells: [], looked: [] } : await evidenceFrom(flags.evidence, grid);
  if ('problem' in read) {
    output.error(read.problem);
    return EXIT.badInput;
  }
  const { suspects, soundProbability, unexplained, next } = findFault(grid, read.cells, read.looked);
  if (flags.json) {
    const causes = suspects.map(({ faults: group, probability, explains, leaves }) => ({
      causes: group.map(({ id, name }) => ({ id, name })),
      probability,
      explains,
      leaves,
    }));
    output.out(JSON.stringify({ causes, soundProbability, unexplained, next }, null, 2));
    return EXIT.fine;
  }
  output.out(
    [
      ...suspects
        .slice(0, 8)
        .map(
          ({ faults: group, probability }) =>
            `${(100 * probability).toFixed(0).padStart(3)} %  ${group.map(({ name }) => name).join(', or ')}`,
        ),
      `${(100 * soundProbability).toFixed(0).padStart(3)} %  nothing of all this`,
      ...unexplained.map(({ cellId, seen }) => `Nothing explains “${seen}” in ${cellId}.`),
      next === null
        ? 'No check would tell more.'
        : next.kind === 'cell'
          ? `Next: ${grid.cells.find(({ id }) => id === next.cellId)?.say ?? next.cellId}, and look at every lamp.`
          : `Next: ${next.what}`,
    ].join('\n'),
  );
  return EXIT.fine;
}

async function evidenceFrom(path: string, grid: ProvingGrid): Promise<Told | { problem: string }> {
  let data: unknown;
  try {
    data = JSON.parse(await readFile(path, 'utf8'));
  } catch (error) {
    return { problem: `Cannot read ${path}: ${(error as Error).message}` };
  }
  const parsed = EvidenceFile.safeParse(data);
  if (!parsed.success)
    return {
      problem: `${path} is no list of { "cell": "turn-left", "seen": "rear-left dark" or null }, { "look": FAULT, "found": true or false }: ${parsed.error.issues[0]?.message ?? ''}`,
    };
  const cells = parsed.data.flatMap((each) =>
    'cell' in each ? [{ cellId: each.cell, seen: each.seen }] : [],
  );
  const looked = parsed.data.flatMap((each) =>
    'look' in each ? [{ faultId: each.look, found: each.found }] : [],
  );
  const noCell = cells.find(({ cellId }) => !grid.cells.some(({ id }) => id === cellId));
  if (noCell)
    return {
      problem: `There is no cell "${noCell.cellId}". Cells are ${grid.cells.map(({ id }) => id).join(', ')}.`,
    };
  const noFault = looked.find(({ faultId }) => !grid.faults.some(({ id }) => id === faultId));
  if (noFault)
    return { problem: `There is no fault "${noFault.faultId}". ./vumble prove FILE --json lists them.` };
  return { cells, looked };
}
