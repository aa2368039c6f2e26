import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { KitVerdict } from '../../core/cures/kits/judgeKit.ts';
import type { ShoppingLine } from '../../core/inventory/shoppingList.ts';
import type { SheetFault } from '../../core/kits/checkSheet.ts';
import type { WholeLedger } from '../../core/ledger/wholeLedger.ts';
import type { Job } from '../../core/model/job.ts';
import type { KitSheet, KitVariant } from '../../core/model/kit.ts';
import type { KitPart, Shelf } from '../../core/model/part.ts';
import { electrics, revisionOf } from './electrics.ts';
import { engine } from './engine.ts';
import { fitting } from './fitting.ts';

/** The whole ledger of a job, worked out beside the engine that judges. */
export function useLedger(job: Job, shelf: Shelf) {
  const { habits, repairs, kits, lost, ledger } = job;
  const further = [habits, repairs, kits, lost, ledger].map((each) => (each ? revisionOf(each) : 0));
  return useQuery<WholeLedger>({
    queryKey: ['ledger', ...electrics(job, shelf), ...further, revisionOf(shelf)],
    queryFn: () => fitting().wholeLedger(job, shelf),
    placeholderData: keepPreviousData,
  });
}

/** What the judge thinks of a kit's variant on this vehicle. */
export function useKitVerdict(job: Job, shelf: Shelf, part: KitPart, variant: KitVariant | null) {
  return useQuery<KitVerdict>({
    queryKey: ['kit', part.id, variant?.id ?? '', revisionOf(part), ...electrics(job, shelf)],
    queryFn: () => engine().judgeKit(job, shelf, part, variant as KitVariant),
    enabled: variant !== null,
    placeholderData: (before, query) =>
      query?.queryKey[1] === part.id && query.queryKey[2] === variant?.id ? before : undefined,
  });
}

/** What some jobs need together; those that can no longer be planned are named. */
export interface ShoppingResult {
  lines: ShoppingLine[];
  leftOut: string[];
}

/** What all open jobs together still need, worked out in the worker. */
export function useShoppingList(jobs: readonly Job[] | undefined, parts: Shelf) {
  return useQuery<ShoppingResult>({
    queryKey: ['shopping', jobs ? revisionOf(jobs) : 0, revisionOf(parts)],
    queryFn: () => fitting().shopping(jobs ?? [], parts),
    enabled: jobs !== undefined,
    placeholderData: keepPreviousData,
  });
}

/** What is wrong with a kit sheet as a whole. */
export function useSheetFaults(sheet: KitSheet) {
  return useQuery<SheetFault[]>({
    queryKey: ['kit-sheet', revisionOf(sheet)],
    queryFn: () => fitting().checkSheet(sheet),
    placeholderData: keepPreviousData,
  });
}
