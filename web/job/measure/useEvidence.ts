import { randomId } from '@mantine/hooks';
import type { Evidence } from '../../../core/model/evidence.ts';
import { readLine, useKept } from '../../store/kept.ts';
import { useDesk } from '../workspace.ts';

type Unsigned<E> = E extends Evidence ? Omit<E, 'id' | 'at' | 'by' | 'towedBy'> : never;

/** Writes down what was seen, signed by whoever works here, and takes it back. */
export function useEvidence() {
  const { job, edit } = useDesk();
  // Whoever works here stays the same from job to job.
  const [by, setBy] = useKept('seen-by', '', readLine);
  const [towedBy, setTowedBy] = useKept(`towed-by-${job.id}`, '', readLine);
  const trailer = job.vehicle.kind === 'trailer';
  const record = (label: string, seen: Unsigned<Evidence>) => {
    const signed = {
      ...seen,
      id: randomId('seen-'),
      at: new Date().toISOString(),
      ...(by.trim() === '' ? {} : { by: by.trim() }),
      ...(trailer && towedBy.trim() !== '' ? { towedBy: towedBy.trim() } : {}),
    } as Evidence;
    edit(label, (draft) => void draft.evidence.push(signed));
  };
  const takeBack = (label: string, id: string) =>
    edit(label, (draft) => void (draft.evidence = draft.evidence.filter((each) => each.id !== id)));
  return { by, setBy, towedBy: trailer ? towedBy.trim() : '', setTowedBy, record, takeBack };
}
