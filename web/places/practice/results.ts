import { z } from 'zod';
import { DRILL_KINDS } from '../../../core/practice/drill.ts';
import { LEVELS } from '../../../core/practice/hidden.ts';
import { useKept } from '../../store/kept.ts';

/** So many results are kept; the oldest go. */
const MOST = 300;

/** How a round or a drill went. */
const Result = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('round'),
    at: z.string().max(40),
    vehicle: z.string().max(160),
    level: z.enum(LEVELS),
    seed: z.int(),
    minutes: z.number(),
    /** of the chooser's own search; null where it did not find it */
    chooser: z.number().nullable(),
    /** gave up before all was found */
    gaveUp: z.boolean(),
  }),
  z.strictObject({
    kind: z.literal('drill'),
    at: z.string().max(40),
    drill: z.enum(DRILL_KINDS),
    right: z.int(),
    asked: z.int(),
  }),
]);
export type Result = z.infer<typeof Result>;

function readResults(raw: unknown): Result[] | undefined {
  if (!Array.isArray(raw)) return undefined;
  return raw.flatMap((each) => {
    const read = Result.safeParse(each);
    return read.success ? [read.data] : [];
  });
}

/** What was practised in this browser, the oldest first. */
export function useResults() {
  const [results, set] = useKept<Result[]>('practice-results', [], readResults);
  const add = (result: Result) => set((now) => [...now, result].slice(-MOST));
  return { results, add, clear: () => set([]), restore: (before: Result[]) => set(before) };
}
