import type { Observation } from '../../../core/model/evidence.ts';
import { becomes, corrected, mark, type Said, signed } from '../../../core/record/tell.ts';
import { teller } from '../../store/device.ts';
import type { EditOptions, Recipe } from '../../store/edits.ts';
import { readLine, useKept } from '../../store/kept.ts';
import { useDesk } from '../workspace.ts';

type Unsigned<E> = E extends Observation ? Omit<Said<E>, 'by' | 'towedBy'> : never;

/** Writes down what was seen, signed by whoever works here, corrects it, and takes it back. */
export function useEvidence() {
  const { job, edit } = useDesk();
  // Whoever works here stays the same from job to job.
  const [by, setBy] = useKept('seen-by', '', readLine);
  const [towedBy, setTowedBy] = useKept(`towed-by-${job.id}`, '', readLine);
  const trailer = job.vehicle.kind === 'trailer';
  const own = {
    ...(by.trim() === '' ? {} : { by: by.trim() }),
    ...(trailer && towedBy.trim() !== '' ? { towedBy: towedBy.trim() } : {}),
  };
  const record = (label: string, ...seen: readonly Unsigned<Observation>[]) =>
    recordWith(label, () => {}, ...seen);
  /** Writes down what was seen, and changes with it what follows from it: one act, one undo. */
  const recordWith = (label: string, also: Recipe, ...seen: readonly Unsigned<Observation>[]) => {
    const tellers = seen.map(teller);
    edit(label, (draft) => {
      also(draft);
      seen.forEach((each, index) => {
        const said = { ...each, ...own } as Said;
        draft.evidence.push(signed(draft, said, tellers[index] ?? teller()));
      });
    });
  };
  /** Tells anew what was told: the record it corrects stays on record, and stands no longer. */
  const correct = (label: string, id: string, change: (now: Observation) => void, options?: EditOptions) => {
    const by = teller();
    edit(
      label,
      (draft) => {
        const now = becomes(draft.evidence, id);
        const here = draft.evidence.find((each) => each.id === now);
        const of = here ?? structuredClone(job.evidence.find((each) => each.id === now));
        if (!of || of.kind === 'mark') return;
        change(of);
        // It was told on another job of the vehicle: that log is not this one’s to write in.
        if (!here) draft.evidence.push(corrected(draft, of, by));
      },
      options,
    );
  };
  const takeBack = (label: string, id: string) => {
    const by = teller();
    edit(label, (draft) => {
      const now = becomes(draft.evidence, id);
      const kept = draft.evidence.filter((each) => each.id !== now);
      if (kept.length < draft.evidence.length) draft.evidence = kept;
      else draft.evidence.push(mark(draft, now, false, by));
    });
  };
  return {
    by,
    setBy,
    towedBy: trailer ? towedBy.trim() : '',
    setTowedBy,
    record,
    recordWith,
    correct,
    takeBack,
  };
}
