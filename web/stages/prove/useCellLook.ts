import { lastMended } from '../../../core/judge/watcherSeen.ts';
import { type DeviationKey, deviationKey, deviationOf } from '../../../core/model/deviationKey.ts';
import { cellLooksOf, standing } from '../../../core/model/seen.ts';
import type { Cell } from '../../../core/proving/cells.ts';
import { cellLook } from '../../../core/proving/toldOf.ts';
import { deviationWords } from '../../../core/words/deviations.ts';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useDesk } from '../../job/workspace.ts';

/** Taps of one look belong together for so long, ms. */
const ONE_LOOK = 15 * 60_000;

/** Writes what one cell did, a tap at a time: every tap is on record at once. */
export function useCellLook(cell: Cell) {
  const { job } = useDesk();
  const { record, correct, takeBack } = useEvidence();
  const seen = standing(job);
  const looks = cellLooksOf(job)
    .filter((each) => each.cell === cell.id && each.fitted.configuration === 'cured')
    .toReversed();
  const [newest] = looks;
  const since = newest ? Date.now() - Date.parse(newest.at) : Number.POSITIVE_INFINITY;
  // A tap after a mending begins a look of its own, and so does one after the clock was set back.
  const open =
    newest &&
    seen.indexOf(newest) > lastMended(seen) &&
    newest.found.length > 0 &&
    since >= 0 &&
    since < ONE_LOOK
      ? newest
      : null;
  const told = new Set(open?.found.map(deviationKey));

  const asExpected = (already: readonly DeviationKey[]) =>
    record(`${cell.name}: as expected`, cellLook(job, cell, already, 'cured'));
  const toggle = (key: DeviationKey) => {
    const found = deviationOf(key);
    if (!found) return;
    const words = `${cell.name}: ${deviationWords(job.vehicle, key)}`;
    if (!open) record(words, cellLook(job, cell, [key], 'cured'));
    else if (told.has(key) && open.found.length === 1) takeBack(`Take back: ${words}`, open.id);
    else
      correct(told.has(key) ? `Take back: ${words}` : words, open.id, (look) => {
        if (look.kind !== 'cell') return;
        const without = look.found.filter((each) => deviationKey(each) !== key);
        look.found = without.length < look.found.length ? without : [...look.found, found];
      });
  };
  const note = (text: string) => {
    if (open)
      correct(
        `${cell.name}: message or code`,
        open.id,
        (look) => {
          if (look.kind !== 'cell') return;
          if (text.trim() === '') delete look.words;
          else look.words = text;
        },
        { mergeKey: `words-${cell.id}-${open.at}` },
      );
  };
  return { looks, open, told, asExpected, toggle, note };
}
