import { Button, Tabs } from '@mantine/core';
import { replaceEqualDeep } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import {
  lazy,
  memo,
  Suspense,
  useDeferredValue,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
} from 'react';
import { Link, Navigate, useParams } from 'react-router';
import type { Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { STAGE_NAMES, STAGES, type Stage } from '../../../core/work/stages.ts';
import { HistoryButtons } from '../../job/HistoryButtons.tsx';
import {
  type BesideStages,
  type Desk,
  DeskContext,
  useDesk,
  useWorkspace,
  type Workspace,
  WorkspaceContext,
} from '../../job/workspace.ts';
import Cure from '../../stages/cure/Cure.tsx';
import { db } from '../../store/db.ts';
import { rememberJob } from '../../store/jobs.ts';
import { keptValues } from '../../store/kept.ts';
import { readShelfFor } from '../../store/stock.ts';
import { withWholeLog } from '../../store/vehicleLog.ts';
import { writer } from '../../store/writer.ts';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import { usePhone } from '../../ui/usePhone.ts';
import { startCureBoard } from '../../workers/useCureBoard.ts';
import { BESIDE, isBeside } from './besideStages.ts';
import classes from './JobScreen.module.css';
import { StageRail } from './StageRail.tsx';
import { useDriverKeys } from './useDriverKeys.ts';
import { useWorkspaceOf } from './useWorkspaceOf.ts';
import { VehicleHalf } from './VehicleHalf.tsx';

// A visit begins with the job screen at the Cure stage: one script holds both, where many small ones would cost more.
const LATER_STAGES: Record<Exclude<Stage, 'cure'>, () => Promise<{ default: React.ComponentType }>> = {
  'look-over': () => import('../../stages/look-over/LookOver.tsx'),
  identify: () => import('../../stages/identify/Identify.tsx'),
  choose: () => import('../../stages/choose/Choose.tsx'),
  pick: () => import('../../stages/pick/Pick.tsx'),
  fit: () => import('../../stages/fit/Fit.tsx'),
  prove: () => import('../../stages/prove/Prove.tsx'),
  'hand-over': () => import('../../stages/hand-over/HandOver.tsx'),
};
const LATER_SCREENS: Record<Stage, React.ComponentType> = {
  'look-over': lazy(LATER_STAGES['look-over']),
  identify: lazy(LATER_STAGES.identify),
  choose: lazy(LATER_STAGES.choose),
  cure: Cure,
  pick: lazy(LATER_STAGES.pick),
  fit: lazy(LATER_STAGES.fit),
  prove: lazy(LATER_STAGES.prove),
  'hand-over': lazy(LATER_STAGES['hand-over']),
};

const BrokenReference = lazy(() =>
  import('./BrokenReference.tsx').then((module) => ({ default: module.BrokenReference })),
);
const Reopened = lazy(() => import('./Reopened.tsx').then((module) => ({ default: module.Reopened })));
type Loaded = { job: Job | null; shelf: Shelf } | { trouble: Error };

/** One vehicle, one job, one place: loads it and shows its two halves. */
export function JobScreen() {
  const { jobId = '', stage } = useParams();
  // Drawn in slices: a phone stays answerable while the whole screen is built.
  const loaded = useDeferredValue(useLoaded(jobId, stage));

  useEffect(() => {
    rememberJob(jobId, STAGES.find((each) => each === stage) ?? null).catch(() => {
      // Only which job opens next time; the job itself is not concerned.
    });
  }, [jobId, stage]);
  if (!loaded) return null;
  if ('trouble' in loaded) return <StorageTrouble error={loaded.trouble} />;
  if (!loaded.job) return <NoSuchJob />;
  // What was read last may still be the job before.
  if (loaded.job.id !== jobId) return null;
  return <LoadedJob key={jobId} job={loaded.job} shelf={loaded.shelf} />;
}

/** A verdict is mostly there in so many milliseconds: one drawing with it is sooner seen than two. */
const VERDICT_MAY_TAKE = 300;

/** Stages whose script is there. */
const fetchedStages = new Map<Stage, React.ComponentType>([['cure', Cure]]);

/** The script of a stage, fetched while the job is read: one that came after it would be drawn in one long piece. */
async function fetchStage(stage: string | undefined): Promise<void> {
  const later = STAGES.find((each) => each === stage);
  if (!later || later === 'cure') return;
  try {
    fetchedStages.set(later, (await LATER_STAGES[later]()).default);
  } catch {
    // Whoever draws the stage asks again, and is told.
  }
}

/** The job with the shelf as they are stored now; undefined until they are read. */
function useLoaded(jobId: string, stage: string | undefined): Loaded | undefined {
  const opened = useRef<string>(undefined);
  // What a write did not touch is the very same as before: whatever was worked out of it stands.
  const kept = useRef<{ job: Job | null; shelf: Shelf } | null>(null);
  // What there is no room for stands in this tab alone, and shows all the same.
  const held = useSyncExternalStore(writer.subscribe, () => writer.held(jobId));
  return useLiveQuery(async (): Promise<Loaded> => {
    try {
      const fetched = opened.current === jobId ? undefined : fetchStage(stage);
      const [row, parts] = await Promise.all([db.jobs.get(jobId), readShelfFor(jobId), keptValues.loaded()]);
      if (row) writer.saw(jobId, { job: row.job, rev: row.rev ?? 0 });
      const read = {
        job: row && row.deleted === 0 ? await withWholeLog(held?.job ?? row.job) : null,
        shelf: parts,
      };
      kept.current = replaceEqualDeep(kept.current, read) as typeof read;
      const { job, shelf } = kept.current;
      // The worker judges while this thread draws.
      const verdict = job && startCureBoard(job, shelf);
      if (opened.current !== jobId) {
        await Promise.race([verdict, new Promise((resolve) => setTimeout(resolve, VERDICT_MAY_TAKE))]);
        await fetched;
        opened.current = jobId;
      }
      return { job, shelf };
    } catch (error) {
      return { trouble: error as Error };
    }
  }, [jobId, held]);
}

function NoSuchJob() {
  return (
    <div className={classes.empty}>
      <h1>This job is not here</h1>
      <p>It was deleted, or it belongs to another browser. Deleted jobs can be taken back from the list.</p>
      <Button component={Link} to="/jobs">
        All jobs
      </Button>
    </div>
  );
}

function LoadedJob({ job, shelf }: { job: Job; shelf: Shelf }) {
  const workspace = useWorkspaceOf(job, shelf);
  if ('broken' in workspace)
    return (
      <Suspense fallback={null}>
        <BrokenReference job={job} shelf={shelf} error={workspace.broken} />
      </Suspense>
    );
  return <Desks workspace={workspace} />;
}

/** Two contexts: what moves with every switch and slider, and what moves only when the job does. */
function Desks({ workspace }: { workspace: Workspace }) {
  const { job, shelf, edit, fitments, board, judging, boardTrouble, progress } = workspace;
  const { configuration, setConfiguration } = workspace;
  const { lamp, selectLamp, circuit, selectCircuit, alike, setAlike } = workspace;
  const desk = useMemo(
    (): Desk => ({
      job,
      shelf,
      edit,
      fitments,
      board,
      judging,
      boardTrouble,
      progress,
      configuration,
      setConfiguration,
      lamp,
      selectLamp,
      circuit,
      selectCircuit,
      alike,
      setAlike,
    }),
    [
      job,
      shelf,
      edit,
      fitments,
      board,
      judging,
      boardTrouble,
      progress,
      configuration,
      setConfiguration,
      lamp,
      selectLamp,
      circuit,
      selectCircuit,
      alike,
      setAlike,
    ],
  );
  return (
    <DeskContext value={desk}>
      <WorkspaceContext value={workspace}>
        <Halves />
      </WorkspaceContext>
    </DeskContext>
  );
}

function Halves() {
  const workspace = useWorkspace();
  const { stage } = useParams();
  const phone = usePhone();
  useDriverKeys(workspace);
  const known = isBeside(stage) ? stage : STAGES.find((each) => each === stage);
  if (!known) {
    const open = firstOpen(workspace);
    return open ? <Navigate to={`/jobs/${workspace.job.id}/${open}`} replace /> : null;
  }
  if (phone) return <PhoneHalves stage={known} />;
  return (
    <div className={classes.halves}>
      <VehicleHalf />
      <StageHalf stage={known} />
    </div>
  );
}

function PhoneHalves({ stage }: { stage: Stage | BesideStages }) {
  const { job } = useDesk();
  return (
    <Tabs
      defaultValue="stage"
      keepMounted={false}
      className={classes.phone}
      classNames={{ panel: classes.phonePanel }}
    >
      <div className={classes.phoneTabs}>
        <Tabs.List grow>
          <Tabs.Tab value="vehicle">Vehicle</Tabs.Tab>
          <Tabs.Tab value="stage">Work</Tabs.Tab>
        </Tabs.List>
        <HistoryButtons jobId={job.id} />
      </div>
      <Tabs.Panel value="vehicle">
        <VehicleHalf />
      </Tabs.Panel>
      <Tabs.Panel value="stage">
        <h1 className="visually-hidden">{job.vehicle.name}</h1>
        <StageHalf stage={stage} />
      </Tabs.Panel>
    </Tabs>
  );
}

const StageHalf = memo(function StageHalf({ stage }: { stage: Stage | BesideStages }) {
  const { job } = useDesk();
  const beside = isBeside(stage) ? BESIDE[stage] : null;
  const body = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each stage opens at its top
  useLayoutEffect(() => {
    if (body.current) body.current.scrollTop = 0;
  }, [stage]);
  return (
    <section className={classes.stage} aria-label="The stage">
      <StageRail stage={beside ? null : (stage as Stage)} />
      <div ref={body} className={classes.body}>
        <h2 className="visually-hidden">{beside ? beside.title : STAGE_NAMES[stage as Stage]}</h2>
        {job.reopened && (
          <Suspense fallback={null}>
            <Reopened />
          </Suspense>
        )}
        <Suspense fallback={<p className="faint">Opening the stage.</p>}>
          {beside ? <beside.Screen /> : <StageScreen key={stage} stage={stage as Stage} />}
        </Suspense>
      </div>
    </section>
  );
});

function StageScreen({ stage }: { stage: Stage }) {
  // The same as long as it stands: another would be another screen, and lose what is typed.
  const [Screen] = useState(() => fetchedStages.get(stage) ?? LATER_SCREENS[stage]);
  return <Screen />;
}

/** The first stage with something open; null while nobody knows whether it is the Cure. */
function firstOpen({ progress, board }: Workspace): Stage | null {
  const open = progress?.find((each) => !each.done)?.stage ?? 'hand-over';
  return progress === null || (open === 'cure' && board === null) ? null : open;
}
