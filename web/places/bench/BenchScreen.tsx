import { lazy, Suspense, useEffect } from 'react';
import { faultId } from '../../../core/faults/kinds.ts';
import { instruments, useInstruments } from '../../job/instruments/instruments.ts';
import { usePanel } from '../../job/instruments/usePanel.ts';
import { useDesk, useWorkspace } from '../../job/workspace.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { ViewTabs } from '../../ui/ViewTabs.tsx';
import classes from './Bench.module.css';
import { ConnectCard } from './ConnectCard.tsx';
import { MeterCard } from './MeterCard.tsx';

const LightCard = lazy(() => import('./LightCard.tsx'));
const HeatReadings = lazy(() => import('./HeatReadings.tsx'));
const SettingTrails = lazy(() => import('./SettingTrails.tsx'));
const Recordings = lazy(() => import('./Recordings.tsx'));

const VIEWS = {
  meter: 'Meter',
  light: 'Light',
  heat: 'Heat',
  setting: 'Setting',
  recordings: 'Flash',
} as const;

/** The bench of one job: instruments held to its vehicle, and what they showed written down. */
export default function BenchScreen() {
  const { job, shelf } = useDesk();
  const { standIn } = useInstruments();
  const panel = usePanel();
  const { fault } = useWorkspace();
  useEffect(() => {
    instruments.look();
  }, []);
  useEffect(() => {
    standIn?.follow(job, shelf, panel, fault ? [faultId(fault)] : []).catch(tellTrouble);
  }, [standIn, job, shelf, panel, fault]);
  return (
    <div className={classes.bench}>
      <ConnectCard />
      <ViewTabs<keyof typeof VIEWS> views={VIEWS} first="meter">
        {(view) => (
          <Suspense fallback={<p className="faint">Opening.</p>}>
            {view === 'meter' && <MeterCard />}
            {view === 'light' && <LightCard />}
            {view === 'heat' && <HeatReadings />}
            {view === 'setting' && <SettingTrails />}
            {view === 'recordings' && <Recordings />}
          </Suspense>
        )}
      </ViewTabs>
    </div>
  );
}
