import { Button, Tabs } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, memo, Suspense, useEffect, useMemo } from 'react';
import { Link, Navigate, useParams } from 'react-router';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { STOP_NAMES, STOPS, type Stop } from '../../core/order/stops.ts';
import { StorageTrouble } from '../app/StorageTrouble.tsx';
import { db } from '../store/db.ts';
import { rememberJob } from '../store/jobs.ts';
import classes from './JobScreen.module.css';
import { StopRail } from './rail/StopRail.tsx';
import { useDriverKeys } from './useDriverKeys.ts';
import { useWorkspaceOf } from './useWorkspaceOf.ts';
import { VehicleHalf } from './VehicleHalf.tsx';
import {
  type Desk,
  DeskContext,
  useWorkspace,
  VEHICLE_SCREEN,
  type Workspace,
  WorkspaceContext,
} from './workspace.ts';

const STOP_SCREENS: Record<Stop, React.LazyExoticComponent<() => React.ReactNode>> = {
  'look-over': lazy(() => import('../stops/look-over/LookOver.tsx')),
  identify: lazy(() => import('../stops/identify/Identify.tsx')),
  choose: lazy(() => import('../stops/choose/Choose.tsx')),
  cure: lazy(() => import('../stops/cure/Cure.tsx')),
  pick: lazy(() => import('../stops/pick/Pick.tsx')),
  fit: lazy(() => import('../stops/fit/Fit.tsx')),
  prove: lazy(() => import('../stops/prove/Prove.tsx')),
  'hand-over': lazy(() => import('../stops/hand-over/HandOver.tsx')),
};

const BrokenReference = lazy(() =>
  import('./BrokenReference.tsx').then((module) => ({ default: module.BrokenReference })),
);
const VehicleEditor = lazy(() => import('./vehicle/VehicleEditor.tsx'));

type Loaded = { job: Job | null; shelf: Shelf } | { trouble: Error };

/** One vehicle, one job, one place: loads it and shows its two halves. */
export function Component() {
  const { jobId = '' } = useParams();
  const loaded = useLiveQuery(async (): Promise<Loaded> => {
    try {
      const [row, shelf] = await Promise.all([db.jobs.get(jobId), db.parts.toArray()]);
      return { job: row && row.deleted === 0 ? row.job : null, shelf };
    } catch (error) {
      return { trouble: error as Error };
    }
  }, [jobId]);
  useEffect(() => {
    rememberJob(jobId).catch(() => {
      // Only which job opens next time; the job itself is not concerned.
    });
  }, [jobId]);
  if (!loaded) return null;
  if ('trouble' in loaded) return <StorageTrouble error={loaded.trouble} />;
  if (!loaded.job) return <NoSuchJob />;
  return <LoadedJob key={jobId} job={loaded.job} shelf={loaded.shelf} />;
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
  const { job, shelf, edit, judges, verdicts, progress, stage, setStage } = workspace;
  const { lamp, selectLamp, circuit, selectCircuit, alike, setAlike } = workspace;
  const desk = useMemo(
    (): Desk => ({
      job,
      shelf,
      edit,
      judges,
      verdicts,
      progress,
      stage,
      setStage,
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
      judges,
      verdicts,
      progress,
      stage,
      setStage,
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
  const { stop } = useParams();
  const phone = useMediaQuery('(max-width: 800px)', undefined, { getInitialValueInEffect: false });
  useDriverKeys(workspace);
  const known = stop === VEHICLE_SCREEN ? stop : STOPS.find((each) => each === stop);
  if (!known) return <Navigate to={`/jobs/${workspace.job.id}/${firstOpen(workspace)}`} replace />;
  if (phone) return <PhoneHalves stop={known} />;
  return (
    <div className={classes.halves}>
      <VehicleHalf />
      <StopHalf stop={known} />
    </div>
  );
}

function PhoneHalves({ stop }: { stop: Stop | typeof VEHICLE_SCREEN }) {
  return (
    <Tabs
      defaultValue="stop"
      keepMounted={false}
      className={classes.phone}
      classNames={{ panel: classes.phonePanel }}
    >
      <Tabs.List grow>
        <Tabs.Tab value="vehicle">The vehicle</Tabs.Tab>
        <Tabs.Tab value="stop">The stop</Tabs.Tab>
      </Tabs.List>
      <Tabs.Panel value="vehicle">
        <VehicleHalf />
      </Tabs.Panel>
      <Tabs.Panel value="stop">
        <StopHalf stop={stop} />
      </Tabs.Panel>
    </Tabs>
  );
}

const StopHalf = memo(function StopHalf({ stop }: { stop: Stop | typeof VEHICLE_SCREEN }) {
  const editing = stop === VEHICLE_SCREEN;
  const Screen = editing ? VehicleEditor : STOP_SCREENS[stop];
  return (
    <section className={classes.stop} aria-label="The stop">
      <StopRail stop={editing ? null : stop} />
      <div className={classes.body}>
        <h2 className="visually-hidden">{editing ? 'Change the vehicle' : STOP_NAMES[stop]}</h2>
        <Suspense fallback={<p className="faint">Opening the stop.</p>}>
          <Screen />
        </Suspense>
      </div>
    </section>
  );
});

function firstOpen({ progress }: Workspace): Stop {
  return progress.find((each) => !each.done)?.stop ?? 'hand-over';
}
