import { useMediaQuery } from '@mantine/hooks';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { pinReadingsOf } from '../../core/model/seen.ts';
import type { Standing } from '../../core/wiring/pinFinder/finder.ts';
import type { FoundPins } from '../../core/wiring/pinFinder/findPins.ts';
import { layoutSheet, type SheetLayout } from '../../core/wiring/sheet/layout.ts';
import type { WiringSheet } from '../../core/wiring/sheet/sheet.ts';
import type { SaidPlan } from '../../core/words/work/sayPlan.ts';
import type { WorkPlan } from '../../core/work/fitSteps.ts';

/** The work of a job as screens show it. */
export type ShownPlan = SaidPlan<WorkPlan>;

import { db } from '../store/db.ts';
import { revisionOf } from './electrics.ts';
import { fitting, layouter } from './fitting.ts';

/** The work of a job in its order, with times as they were recorded on all jobs; undefined until it is worked out. */
export function useWorkPlan(job: Job, shelf: Shelf) {
  const timed = useLiveQuery(async () => {
    const rows = await db.jobs.where('deleted').equals(0).toArray();
    return rows
      .map((row) => row.job)
      .filter(({ fit }) => Object.values(fit).some(({ startedAt }) => startedAt));
  }, []);
  const { vehicle, chosen, cures, vehicleCures, identified, lookOver, habits, polarity, scope } = job;
  const { repairs, kits } = job;
  const revisions = [vehicle, chosen, cures, vehicleCures, identified, lookOver.lamps, shelf].map(revisionOf);
  return useQuery<ShownPlan>({
    queryKey: [
      'work-plan',
      ...revisions,
      habits ? revisionOf(habits) : 0,
      polarity ? revisionOf(polarity) : 0,
      scope ? revisionOf(scope) : 0,
      repairs ? revisionOf(repairs) : 0,
      kits ? revisionOf(kits) : 0,
      timed?.length ?? 0,
    ],
    queryFn: () => fitting().workPlan(job, shelf, timed ?? []),
    placeholderData: keepPreviousData,
  });
}

/** What the readings of one plug say, worked out in the worker. */
export function useFoundPins(job: Job, shelf: Shelf, connectorId: string, standing: Standing | null) {
  const readings = pinReadingsOf(job, connectorId);
  return useQuery<FoundPins>({
    queryKey: [
      'pins',
      connectorId,
      revisionOf(job.vehicle),
      revisionOf(job.identified),
      readings.map(revisionOf).join(),
      standing?.circuitId ?? '',
      standing?.how ?? '',
    ],
    queryFn: () => fitting().findPins(job, shelf, connectorId, standing),
    // What was found of another plug says nothing of this one.
    placeholderData: (before, query) => (query?.queryKey[1] === connectorId ? before : undefined),
  });
}

/** A sheet with everything in its place, as a file and paper have room for it. */
export function useSheetLayout(sheet: WiringSheet, narrow = false) {
  return useQuery<SheetLayout>({
    queryKey: ['sheet', JSON.stringify(sheet), narrow],
    queryFn: () => layoutSheet(sheet, layouter(), narrow),
    placeholderData: keepPreviousData,
  });
}

/** The same for this screen: as narrow as a phone's where it is one. */
export function useSheetOnScreen(sheet: WiringSheet) {
  return useSheetLayout(sheet, useMediaQuery('(max-width: 560px)') ?? false);
}
