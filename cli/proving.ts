import type { JobFile } from '../core/formats/jobFile.ts';
import { provingGrid } from '../core/proving/grid.ts';
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
